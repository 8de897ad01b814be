<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Formats\CsvWriter;
use Welkion\Core\Formats\DecimalMark;

final class CsvWriterTest extends TestCase
{
    public function test_writes_points_with_commas_between(): void
    {
        $csv = (new CsvWriter(DecimalMark::Point))->write(['Volume (mL)', 'Temperature (°C)'], [[9.75, 21.4], [10.0, null]]);

        self::assertSame("\u{FEFF}Volume (mL),Temperature (°C)\r\n9.75,21.4\r\n10,\r\n", $csv);
    }

    public function test_writes_decimal_commas_with_semicolons_between(): void
    {
        $csv = (new CsvWriter(DecimalMark::Comma))->write(['V; mL', 'pH'], [[9.75, 5.213]]);

        self::assertSame("\u{FEFF}\"V; mL\";pH\r\n9,75;5,213\r\n", $csv);
    }

    public function test_quotes_what_would_break_a_row_and_disarms_what_a_spreadsheet_would_run(): void
    {
        $csv = (new CsvWriter(DecimalMark::Point))->write(['why'], [["it said \"stop\",\nthen fell"], ['=1+1']]);

        self::assertSame("\u{FEFF}why\r\n\"it said \"\"stop\"\",\nthen fell\"\r\n'=1+1\r\n", $csv);
    }

    public function test_numbers_come_back_bit_by_bit(): void
    {
        foreach ([0.1, 1 / 3, 5.213123456789012, 1e-17, -176.3] as $number) {
            $csv = (new CsvWriter(DecimalMark::Point))->write(['x'], [[$number]]);

            self::assertSame($number, (float) explode("\r\n", $csv)[1]);
        }
    }

    public function test_other_programs_get_plain_lines_without_a_mark(): void
    {
        $text = CsvWriter::plain(DecimalMark::Point)->write(['Time (s)', 'Note'], [[0.5, '=sum'], [null, 'a, b']]);

        self::assertSame("Time (s),Note\n0.5,=sum\n,\"a, b\"\n", $text);
    }
}

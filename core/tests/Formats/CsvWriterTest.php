<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\Attributes\DataProvider;
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

    /** @return iterable<string, array{string, string}> what is written, and how it stands in a comma file */
    public static function formulas(): iterable
    {
        yield 'a plain one' => ['=1+1', "'=1+1"];
        yield 'each sign' => ['@SUM(A1)', "'@SUM(A1)"];
        yield 'full-width' => ["\u{FF1D}1+1", "'\u{FF1D}1+1"];
        yield 'full-width plus' => ["\u{FF0B}1", "'\u{FF0B}1"];
        yield 'full-width at' => ["\u{FF20}A", "'\u{FF20}A"];
        yield 'the sign for minus' => ["\u{2212}1", "'\u{2212}1"];
        yield 'behind a space' => [' =1', " '=1"];
        yield 'behind a space of no width' => ["\u{200B}=1", "\u{200B}'=1"];
        yield 'behind a byte order mark' => ["\u{FEFF}=1", "\u{FEFF}'=1"];
        yield 'behind a mark of direction' => ["\u{202E}+1", "\u{202E}'+1"];
        yield 'behind a soft hyphen' => ["\u{00AD}=1", "\u{00AD}'=1"];
        yield 'where a spreadsheet with semicolons cuts' => ['a;=1', "a;'=1"];
        yield 'where it cuts, behind a quote' => ['a;"=1', "\"a;\"\"'=1\""];
        yield 'behind a tab' => ["a\t-1", "a\t'-1"];
        yield 'in a second line' => ["ok\n=1", "\"ok\n'=1\""];
        yield 'twice' => ['=1;=2', "'=1;'=2"];
        yield 'bytes of no alphabet before it' => ["\xC3=1", '?=1'];
    }

    #[DataProvider('formulas')]
    public function test_a_text_that_a_spreadsheet_would_run_is_kept_a_text(string $text, string $written): void
    {
        self::assertSame("\u{FEFF}x\r\n{$written}\r\n", (new CsvWriter(DecimalMark::Point))->write(['x'], [[$text]]));
    }

    public function test_signs_inside_a_text_and_numbers_stay_as_they_are(): void
    {
        $csv = (new CsvWriter(DecimalMark::Point))->write(['a', 'b', 'c'], [['plain - text', 'a = b + c @ d', -1.5]]);

        self::assertSame("\u{FEFF}a,b,c\r\nplain - text,a = b + c @ d,-1.5\r\n", $csv);
    }
}

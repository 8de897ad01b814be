<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Formats\CsvWriter;
use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Formats\TableReader;
use Welkion\Core\Tests\Chance;

/** Whatever is written comes back as it was, bit by bit, however programs write it. */
final class RoundTripTest extends TestCase
{
    private const TABLES = 40;

    private const HEADER = ['Time (s)', 'Pressure (kPa)', 'Temperature (°C)', 'Conductivity (µS/cm)'];

    private Chance $chance;

    protected function setUp(): void
    {
        $this->chance = new Chance(8);
    }

    public function test_what_the_writer_writes_the_reader_reads_for_spreadsheets_and_for_programs(): void
    {
        foreach ([DecimalMark::Point, DecimalMark::Comma] as $mark) {
            foreach ([new CsvWriter($mark), CsvWriter::plain($mark)] as $writer) {
                for ($i = 0; $i < self::TABLES; $i++) {
                    $rows = $this->rows();
                    self::assertSameTable($rows, self::read($writer->write(self::HEADER, $rows)));
                }
            }
        }
    }

    /** @return iterable<string, array{string, string, string, string}> separator, decimal mark, line end, encoding */
    public static function dialects(): iterable
    {
        foreach (['tabs' => ["\t", '.'], 'tabs and commas' => ["\t", ','], 'semicolons' => [';', ','], 'semicolons and points' => [';', '.'], 'bars' => ['|', '.'], 'commas' => [',', '.']] as $words => [$separator, $mark]) {
            foreach (['UTF-8', 'Windows-1252', 'UTF-16LE', 'UTF-16BE'] as $encoding) {
                yield "{$words} in {$encoding}" => [$separator, $mark, $encoding === 'UTF-8' ? "\n" : "\r\n", $encoding];
            }
        }
    }

    #[DataProvider('dialects')]
    public function test_every_dialect_of_other_programs_is_read(string $separator, string $mark, string $lineEnd, string $encoding): void
    {
        for ($i = 0; $i < self::TABLES / 4; $i++) {
            $rows = $this->rows();
            $lines = [implode($separator, self::HEADER)];
            foreach ($rows as $row) {
                $lines[] = implode($separator, array_map(static fn (?float $v): string => $v === null ? '' : str_replace('.', $mark, (string) json_encode($v)), $row));
            }
            $bytes = self::encoded(implode($lineEnd, $lines).$lineEnd, $encoding);

            self::assertSameTable($rows, self::read($bytes), $bytes);
        }
    }

    public function test_cut_off_anywhere_a_file_still_gives_the_rows_before_the_cut(): void
    {
        $rows = $this->rows();
        $text = (new CsvWriter(DecimalMark::Point))->write(self::HEADER, $rows);
        $headerEnd = (int) strpos($text, "\n");
        for ($i = 0; $i < self::TABLES; $i++) {
            $cut = substr($text, 0, (int) $this->chance->between($headerEnd + 60, strlen($text)));
            $whole = substr_count($cut, "\n") - 1;
            $table = self::read($cut);

            self::assertGreaterThanOrEqual($whole, $table->rowCount);
            foreach (array_slice($rows, 0, $whole) as $r => $row) {
                self::assertSame(self::shown($row), self::shown(array_map(static fn (TableColumn $c): float => $c->values[$r], $table->columns)));
            }
        }
    }

    /** @return list<list<float|null>> a run of 12 to 60 rows, with a blank here and there */
    private function rows(): array
    {
        $rows = [];
        $count = (int) $this->chance->between(12, 60);
        for ($i = 0; $i < $count; $i++) {
            $row = [0.25 * $i];
            foreach ([101.3, 21.4, 1413.0] as $size) {
                $isBlank = $i > 2 && $this->chance->between(0.0, 1.0) < 0.05;
                $row[] = $isBlank ? null : $size * (1.0 + 0.3 * $this->chance->normal()) * 10.0 ** (int) $this->chance->between(-3.0, 3.0);
            }
            $rows[] = $row;
        }

        return $rows;
    }

    /** @param  list<list<float|null>>  $rows */
    private static function assertSameTable(array $rows, Table $table, string $bytes = ''): void
    {
        self::assertSame(['Time', 'Pressure', 'Temperature', 'Conductivity'], array_map(static fn (TableColumn $c): string => $c->name, $table->columns), $bytes);
        self::assertSame(['s', 'kPa', '°C', 'µS/cm'], array_map(static fn (TableColumn $c): string => $c->unit, $table->columns));
        self::assertSame(count($rows), $table->rowCount);
        self::assertSame([], $table->unreadable());
        foreach ($table->columns as $place => $column) {
            self::assertSame(self::shown(array_column($rows, $place)), self::shown($column->values));
        }
    }

    /**
     * @param  list<float|null>  $values
     * @return list<string> with every bit; blank cells are empty
     */
    private static function shown(array $values): array
    {
        return array_map(static fn (?float $v): string => $v === null || is_nan($v) ? '' : bin2hex(pack('E', $v)), $values);
    }

    private static function read(string $bytes): Table
    {
        return (new TableReader)->read(str_split($bytes, 777));
    }

    private static function encoded(string $text, string $encoding): string
    {
        $mark = ['UTF-16LE' => "\xFF\xFE", 'UTF-16BE' => "\xFE\xFF"][$encoding] ?? '';

        return $mark.mb_convert_encoding($text, $encoding, 'UTF-8');
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Formats\Cell;
use Welkion\Core\Formats\ColumnKind;
use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Formats\TableHints;
use Welkion\Core\Formats\TableReader;
use Welkion\Core\Formats\UnreadableFile;
use Welkion\Core\Tests\Reference;

final class TableReaderTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach (array_keys(Reference::truths('messy')) as $file) {
            yield $file => [$file];
        }
    }

    #[DataProvider('files')]
    public function test_reads_every_messy_file(string $file): void
    {
        $truth = Reference::truths('messy')[$file]['truth'];
        $table = (new TableReader)->read(self::pieces(self::bytes($file), 65536));

        self::assertSame($truth['rows']['value'], $table->rowCount);
        self::assertCount(count($truth['columns']), $table->columns);
        foreach ($truth['columns'] as $place => $expected) {
            $column = $table->columns[$place];
            self::assertSame($expected['name'], $column->name);
            self::assertSame($expected['kind'], $column->kind->value);
            self::assertSame($expected['readable_cells'], $column->count());
            if ($column->kind === ColumnKind::Number) {
                self::assertSame($expected['unit'], $column->unit);
                self::assertEqualsWithDelta($expected['sum'], $column->sum(), 1e-9 * abs($expected['sum']));
            }
            self::assertSame($expected['first_iso'] ?? null, $column->first);
            self::assertSame($expected['last_iso'] ?? null, $column->last);
        }
    }

    #[DataProvider('files')]
    public function test_lists_every_cell_it_cannot_read_and_guesses_none(string $file): void
    {
        $truth = Reference::truths('messy')[$file]['truth'];
        $table = (new TableReader)->read([self::bytes($file)]);
        $place = static fn (array $cell): string => "{$cell['row']}/{$cell['column']}/".($cell['text'] ?? '');
        $unreadable = array_filter($truth['unreadable_cells'], static fn (array $c): bool => ! $c['also_ok_as_missing']);
        $blank = [...$truth['missing_cells'], ...array_filter($truth['unreadable_cells'], static fn (array $c): bool => $c['also_ok_as_missing'])];

        self::assertEqualsCanonicalizing(array_map($place, $unreadable), array_map(static fn (Cell $c): string => "{$c->row}/{$c->column}/{$c->text}", $table->unreadable()));
        self::assertEqualsCanonicalizing(array_map(static fn (array $c): string => "{$c['row']}/{$c['column']}", $blank),
            array_map(static fn (Cell $c): string => "{$c->row}/{$c->column}", $table->blank()));
    }

    /** @return iterable<string, array{int}> */
    public static function pieceSizes(): iterable
    {
        yield 'byte by byte' => [1];
        yield 'odd pieces' => [7];
        yield 'larger than the file' => [1_000_000];
    }

    #[DataProvider('pieceSizes')]
    public function test_pieces_of_any_size_give_the_same_table(int $size): void
    {
        foreach (['m04-utf16.txt', 'm05-quoted-brackets.csv', 'm15-everything.csv', 'm16-old-encoding.csv'] as $file) {
            self::assertSame(serialize((new TableReader)->read([self::bytes($file)])), serialize((new TableReader)->read(self::pieces(self::bytes($file), $size))), $file);
        }
    }

    public function test_a_hundred_thousand_rows_stream_with_progress_and_little_memory(): void
    {
        $reports = [];
        $before = memory_get_usage();
        memory_reset_peak_usage();
        $table = (new TableReader)->read(self::stream('m14-hundred-thousand.csv'), static function (int $rows, int $bytes, int $cells) use (&$reports): void {
            $reports[] = [$rows, $bytes];
            self::assertSame(3 * $rows, $cells);
        });

        self::assertSame(100_000, $table->rowCount);
        self::assertGreaterThanOrEqual(20, count($reports));
        self::assertLessThanOrEqual(21, count($reports), 'Every 5,000 rows.');
        self::assertSame([100_000, filesize(Reference::path('messy', 'm14-hundred-thousand.csv'))], $reports[count($reports) - 1]);
        self::assertGreaterThan(15, count($reports));
        // Three columns of doubles take 4.8 MB as PHP lists; 64 MB above that are allowed.
        self::assertLessThan(64 * 1024 * 1024, memory_get_peak_usage() - $before);
    }

    /** @return iterable<string, array{string, string, string}> header, name, unit */
    public static function headers(): iterable
    {
        yield 'round brackets' => ['Time (s)', 'Time', 's'];
        yield 'square brackets' => ['Time [min]', 'Time', 'min'];
        yield 'after a slash' => ['Pressure / kPa', 'Pressure', 'kPa'];
        yield 'after a slash without blanks' => ['c/mol/L', 'c', 'mol/L'];
        yield 'in words' => ['Temperature in °C', 'Temperature', '°C'];
        yield 'brackets in the unit' => ['Heat capacity (J/(g K))', 'Heat capacity', 'J/(g K)'];
        yield 'a slash that is no unit' => ['left/right', 'left/right', ''];
        yield 'a unit of its own' => ['Intensity (counts)', 'Intensity', 'counts'];
        yield 'brackets that are part of the name' => ['Mass (cup and water)', 'Mass (cup and water)', ''];
        yield 'no unit' => ['pH', 'pH', ''];
    }

    #[DataProvider('headers')]
    public function test_tells_names_from_units(string $header, string $name, string $unit): void
    {
        $column = self::read("x\t{$header}\n1\t2\n")->columns[1];

        self::assertSame([$name, $unit], [$column->name, $column->unit]);
    }

    /** @return iterable<string, array{string, list<float|null>}> cells of a column, and their values */
    public static function numbers(): iterable
    {
        yield 'points' => ["a;b\n1.5;1\n-2.25e-3;2\n.5;3\n7.;4\n", [1.5, -0.00225, 0.5, 7.0]];
        yield 'commas' => ["a;b\n1,5;1\n-2,25e-3;2\n1.234,5;3\n", [1.5, -0.00225, 1234.5]];
        yield 'thousands set off by blanks' => ["a;b\n1 234,5;1\n0,5;2\n12'345,5;3\n", [1234.5, 0.5, 12345.5]];
        yield 'thousands set off by blanks of all widths' => ["a;b\n2\u{A0}588,86;1\n2\u{202F}588,86;2\n2\u{2009}588,86;3\n1\u{2007}002\u{2007}588,5;4\n", [2588.86, 2588.86, 2588.86, 1002588.5]];
        yield 'a minus sign from print' => ["a;b\n−1.5;1\n2;2\n", [-1.5, 2.0]];
        yield 'three digits after a lone point are decimals' => ["a;b\n1.234;1\n2.345;2\n", [1.234, 2.345]];
        yield 'nothing is guessed' => ["a;b\n1.5;1\n1O;2\n2 5;3\n1.2.3;4\n0x1A;5\n1e999;6\n3;7\n4;8\n5;9\n6;10\n", [1.5, null, null, null, null, null, 3.0, 4.0, 5.0, 6.0]];
    }

    /** @param  list<float|null>  $expected */
    #[DataProvider('numbers')]
    public function test_reads_numbers_as_people_write_them(string $text, array $expected): void
    {
        $values = self::read($text)->column('a')->values;

        self::assertSame($expected, array_map(static fn (float $v): ?float => is_nan($v) ? null : $v, $values));
    }

    public function test_titles_are_passed_over_and_a_missing_header_is_made_up(): void
    {
        $titled = self::read("Cider cooling\nTime (s),T (°C)\n0,60\n1,59\n");
        self::assertSame(['Time', 'T'], array_map(static fn (TableColumn $c): string => $c->name, $titled->columns));
        self::assertContains('Not part of the table: "Cider cooling".', $titled->notes);

        $bare = self::read("0 60\n1 59\n2 58\n");
        self::assertSame(['Column 1', 'Column 2'], array_map(static fn (TableColumn $c): string => $c->name, $bare->columns));
        self::assertSame(3, $bare->rowCount);
    }

    public function test_every_column_has_a_symbol_of_its_own_and_can_be_named_by_it(): void
    {
        $table = self::read("Time (s),Temperature (°C),Temperature (°C),Volume NaOH (mL),pH,Note\n0,1,2,3,4,stirred\n1,2,3,4,5,cold\n");

        self::assertSame(['t', 'T', 'T_2', 'V', 'pH', 'Note'], array_map(static fn (TableColumn $c): string => $c->symbol, $table->columns));
        self::assertSame([2.0, 3.0], $table->column('T_2')->values);
        self::assertSame([3.0, 4.0], $table->column('Volume NaOH')->values);
        self::assertSame([3.0, 4.0], $table->column('volume_naoh')->values + $table->column('V')->values);
    }

    /** @return iterable<string, array{string, string}> column asked for, and sentence */
    public static function wrongColumns(): iterable
    {
        yield 'none of this name' => ['Mass', 'There is no column "Mass". The columns are: Time (t), Depth of vat (depth), Depth of vat (depth_2), Note.'];
        yield 'several of this name' => ['Depth of vat', 'Several columns are called "Depth of vat". Name one by its symbol: depth, depth_2.'];
        yield 'text' => ['Note', 'The column "Note" holds text, not numbers.'];
    }

    #[DataProvider('wrongColumns')]
    public function test_says_which_columns_there_are(string $wanted, string $sentence): void
    {
        $table = self::read("Time,Depth of vat,Depth of vat,Note\n0,1,2,a\n1,2,3,b\n");
        $this->expectException(UnreadableFile::class);
        $this->expectExceptionMessage($sentence);
        $table->column($wanted);
    }

    /** @return iterable<string, array{string, string}> */
    public static function hopeless(): iterable
    {
        yield 'nothing at all' => ['', 'This file holds no rows of numbers.'];
        yield 'a header alone' => ["Time,T\n", 'This file holds no rows of numbers.'];
        yield 'comments alone' => ["# a\n# b\n", 'This file holds no rows of numbers.'];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\1\2", 'This file is not text. Save the table as CSV (comma separated values) and try again.'];
    }

    #[DataProvider('hopeless')]
    public function test_refuses_what_holds_no_table_and_says_what_to_do(string $bytes, string $sentence): void
    {
        $this->expectException(UnreadableFile::class);
        $this->expectExceptionMessage($sentence);

        self::read($bytes);
    }

    public function test_a_moment_after_the_first_is_written_as_a_date(): void
    {
        $column = self::read("When,T\n2031-10-14 08:37:00,5\n2031-10-14 08:38:30,6\n")->column('When');
        self::assertSame([[0.0, 90.0], '2031-10-14T08:38:30'], [$column->values, $column->moment(90.0)]);
    }

    public function test_a_first_line_with_a_number_is_no_header(): void
    {
        $table = self::read("1,cellar\n2,kitchen\n");
        self::assertSame([2, ['Column 1', 'Column 2']], [$table->rowCount, array_map(static fn (TableColumn $c): string => $c->name, $table->columns)]);
    }

    public function test_a_line_in_five_may_be_cut_otherwise(): void
    {
        self::assertSame(2, count(self::read("a;b\n1;2\n3;4\n5;6\n7;8\n9\n")->columns));
        // Half of them: no semicolons, but commas.
        self::assertSame([1.0, 3.0, 5.0, 7.0], self::read("a,b\n1,2;2\n3,4;2\n5,6\n7,8\n")->column('a')->values);
    }

    /** @return iterable<string, array{string, int, list<string>}> text, rows, remarks */
    public static function remarks(): iterable
    {
        yield 'a note and an end' => ["Time (s),T (°C)\n0,60\n1,59\n\nNotes: door opened at 80 s\nEnd\n", 2, ['Notes: door opened at 80 s', 'End']];
        yield 'with the separators of the table' => ["Time;T\n0;60\n1;59\nEnd;;\n", 2, ['End;;']];
        yield 'cut by the separator' => ["Time,T\n0,60\n1,59\nOpened the door, then closed it\n", 2, ['Opened the door, then closed it']];
        yield 'in one column' => ["T\n60\n59\nEnd\n", 2, ['End']];
        yield 'after dates' => ["When;T\n14.10.2031 08:37;5,2\n14.10.2031 08:38;5,1\nclosed by Person B\n", 2, ['closed by Person B']];
        yield 'cut at blanks' => ["Time T\n0 60\n1 59\n2 58\n3 57\n4 56\nNotes: door opened at 80 s\n", 5, ['Notes: door opened at 80 s']];
    }

    /** @param  list<string>  $remarks */
    #[DataProvider('remarks')]
    public function test_words_after_the_last_row_are_remarks(string $text, int $rows, array $remarks): void
    {
        $table = self::read($text);
        self::assertSame($rows, $table->rowCount);
        self::assertSame([], $table->unreadable());
        self::assertSame([], $table->blank());
        foreach ($remarks as $remark) {
            self::assertContains("Not part of the table: \"{$remark}\".", $table->notes);
        }
    }

    public function test_words_among_rows_and_slips_at_the_end_stay_in_the_table(): void
    {
        $among = self::read("Time,T\n0,60\nPause\n1,59\nPause\nEnd\n2,58\n");
        self::assertSame(6, $among->rowCount);
        self::assertSame([[2, 'Pause'], [4, 'Pause'], [5, 'End']], array_map(static fn (Cell $c): array => [$c->row, $c->text], $among->unreadable()));
        self::assertSame(3, count($among->blank()));

        foreach (["Time,T\n0,60\n1O,59\n", "Time,T\n0,60\n1O,\n", "T\n60\n5O\n", "Time,T\n0,60\n,cold\n", "Time,T\n0,60\n-,\n"] as $text) {
            self::assertSame(count(explode("\n", $text)) - 2, self::read($text)->rowCount, $text);
        }
        $places = self::read("Place,T\ncellar,8\nkitchen,21\noven,\n");
        self::assertSame(3, $places->rowCount, 'Words are what its first column holds.');
        self::assertCount(1, $places->blank());
        self::assertSame(101, self::read("T\n".str_repeat("1\n", 80).str_repeat("word\n", 21))->rowCount, 'So many are no remarks.');
    }

    public function test_a_quote_left_open_does_not_swallow_the_file(): void
    {
        $rows = implode("\n", array_map(static fn (int $i): string => "{$i},{$i}", range(1, 200)));
        $table = self::read("Time,Note \"1\n{$rows}\n");

        self::assertGreaterThanOrEqual(199, $table->rowCount);
    }

    public function test_what_is_known_of_a_table_goes_before_what_would_be_guessed(): void
    {
        $text = "1,234;2,5\n2,345;3,5\n";
        self::assertSame([1.234, 2.345], self::read($text)->columns[0]->values);
        self::assertSame([1234.0, 2345.0], self::read($text, new TableHints(mark: DecimalMark::Point))->columns[0]->values);
        self::assertCount(3, self::read($text, new TableHints(separator: 'comma'))->columns, 'Cut at its commas.');

        $headless = self::read("7,8\n9,10\n", new TableHints(hasHeader: true));
        self::assertSame([['7', '8'], 1], [array_map(static fn (TableColumn $c): string => $c->name, $headless->columns), $headless->rowCount]);
        $named = self::read("T,V\n1,2\n", new TableHints(hasHeader: false));
        self::assertSame([['Column 1', 'Column 2'], 2], [array_map(static fn (TableColumn $c): string => $c->name, $named->columns), $named->rowCount]);
    }

    #[DataProvider('written')]
    public function test_a_table_tells_the_hints_that_give_it_again(string $text, TableHints $hints): void
    {
        $table = self::read($text);
        self::assertEquals($hints, $table->hints);
        self::assertEquals($table, self::read($text, $table->hints));
    }

    /** @return iterable<string, array{string, TableHints}> */
    public static function written(): iterable
    {
        yield 'tabs' => ["T\tV\n1.5\t2\n", new TableHints('tab', DecimalMark::Point, true)];
        yield 'semicolons and decimal comma' => ["1,5;2\n2,5;3\n", new TableHints('semicolon', DecimalMark::Comma, false)];
        yield 'bars' => ["T|V\n1.5|2\n", new TableHints('bar', DecimalMark::Point, true)];
        yield 'commas' => ["T,V\n1.5,2\n", new TableHints('comma', DecimalMark::Point, true)];
        yield 'blanks' => ["T V\n1.5 2\n", new TableHints('blank', DecimalMark::Point, true)];
    }

    private static function read(string $bytes, TableHints $hints = new TableHints): Table
    {
        return (new TableReader)->read([$bytes], hints: $hints);
    }

    private static function bytes(string $file): string
    {
        return (string) file_get_contents(Reference::path('messy', $file));
    }

    /** @return \Generator<int, string> */
    private static function stream(string $file): \Generator
    {
        $stream = fopen(Reference::path('messy', $file), 'rb');
        self::assertIsResource($stream);
        while (! feof($stream)) {
            yield (string) fread($stream, 65536);
        }
    }

    /** @return list<string> */
    private static function pieces(string $bytes, int $size): array
    {
        return str_split($bytes, max(1, $size));
    }
}

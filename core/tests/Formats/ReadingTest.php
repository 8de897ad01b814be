<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Formats\Cell;
use Welkion\Core\Formats\ColumnKind;
use Welkion\Core\Formats\Reading\DateText;
use Welkion\Core\Formats\Reading\Records;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableReader;
use Welkion\Core\Formula\Column;

/** Dates, encodings, quotes and marks, one by one. */
final class ReadingTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> what is written, and the moment it names */
    public static function dates(): iterable
    {
        yield 'as computers write it' => ['2031-04-11 22:15:03', '2031-04-11T22:15:03'];
        yield 'with a T and a Z' => ['2031-04-11T22:15:03.25Z', '2031-04-11T22:15:03.25'];
        yield 'day first with points' => ['11.04.2031 22:15', '2031-04-11T22:15:00'];
        yield 'day first with slashes' => ['11/04/2031', '2031-04-11T00:00:00'];
        yield 'month first where nothing else is possible' => ['04/23/2031', '2031-04-23T00:00:00'];
        yield 'a time alone, with a comma' => ['22:15:03,5', '1970-01-01T22:15:03.5'];
        yield 'the last moment of a day' => ['23:59:60', '1970-01-02T00:00:00'];
        yield 'no such day' => ['30.02.2031', null];
        yield 'no such hour' => ['24:00', null];
        yield 'no such minute' => ['10:60', null];
        yield 'no such second' => ['10:10:61', null];
        yield 'a number' => ['22.15', null];
    }

    #[DataProvider('dates')]
    public function test_reads_dates_and_times(string $cell, ?string $moment): void
    {
        $seconds = DateText::read($cell);

        self::assertSame($moment, $seconds === null ? null : DateText::written($seconds));
    }

    public function test_times_become_seconds_since_the_first_and_gaps_stay_gaps(): void
    {
        $column = self::table("t,x\n10:00:10,1\n10:00:12,2\n,3\n10:01:00.5,4\n")->columns[0];

        self::assertSame([ColumnKind::DateTime, 's'], [$column->kind, $column->unit]);
        self::assertEqualsWithDelta([0.0, 2.0, 50.5], array_values(array_filter($column->values, is_finite(...))), 1e-9);
        self::assertNan($column->values[2]);
        self::assertSame(['1970-01-01T10:00:10', '1970-01-01T10:01:00.5'], [$column->first, $column->last]);
    }

    /** @return iterable<string, array{string, list<string>}> bytes, and what is to be said */
    public static function encodings(): iterable
    {
        $text = "Température (°C),V\n21.5,1\n22.5,2\n";
        yield 'UTF-8' => [$text, []];
        yield 'UTF-8 with a mark' => ["\xEF\xBB\xBF{$text}", ['The text begins with a byte order mark.']];
        yield 'UTF-16 with a mark' => ["\xFF\xFE".mb_convert_encoding($text, 'UTF-16LE', 'UTF-8'), ['The text is in UTF-16LE.']];
        yield 'UTF-16 the other way round' => ["\xFE\xFF".mb_convert_encoding($text, 'UTF-16BE', 'UTF-8'), ['The text is in UTF-16BE.']];
        yield 'UTF-16 without a mark' => [(string) mb_convert_encoding($text, 'UTF-16LE', 'UTF-8'), ['The text is in UTF-16LE.']];
        yield 'the other way round without a mark' => [(string) mb_convert_encoding($text, 'UTF-16BE', 'UTF-8'), ['The text is in UTF-16BE.']];
        yield 'Windows-1252' => [(string) mb_convert_encoding($text, 'Windows-1252', 'UTF-8'), ['1 of its lines are not UTF-8 and were read as Windows-1252.']];
    }

    /** @param  list<string>  $notes */
    #[DataProvider('encodings')]
    public function test_reads_every_encoding_and_says_which_it_was(string $bytes, array $notes): void
    {
        foreach ([1, 3, 1000] as $size) {
            $table = (new TableReader)->read(str_split($bytes, $size));

            self::assertSame(['Température', '°C', [21.5, 22.5]], [$table->columns[0]->name, $table->columns[0]->unit, $table->columns[0]->values]);
            self::assertSame($notes, array_values(array_filter($table->notes, static fn (string $n): bool => str_contains($n, 'text') || str_contains($n, 'lines'))));
        }
    }

    public function test_what_stands_for_nothing_is_blank_and_told(): void
    {
        $table = self::table("a,b\n1,x\n,2\n-,3\n--,4\n---,5\nn/a,6\nNA,7\nn.a.,8\nNaN,9\nnull,10\nnone,11\n2,12\n3,13\n4,14\n5,15\n6,16\n7,17\n8,18\n9,19\n10,20\n11,21\n12,22\n");

        self::assertSame(range(2, 11), array_map(static fn (Cell $c): int => $c->row, $table->blank()));
        self::assertSame(['1/2/x'], array_map(static fn (Cell $c): string => "{$c->row}/{$c->column}/{$c->text}", $table->unreadable()));
    }

    /** @return iterable<string, array{string, list<float>}> */
    public static function lonelyCommas(): iterable
    {
        yield 'three digits after a comma are decimals where cells are cut elsewhere' => ["a;b\n1,234;1\n2,345;2\n", [1.234, 2.345]];
        yield 'thousands where a point says so' => ["a;b\n1,234;1.5\n2,345;2.5\n", [1234.0, 2345.0]];
        yield 'thousands where there are several' => ["a;b\n1,234,567;1\n2,345;2\n", [1234567.0, 2345.0]];
    }

    /** @param  list<float>  $values */
    #[DataProvider('lonelyCommas')]
    public function test_a_comma_is_a_decimal_mark_unless_something_says_otherwise(string $text, array $values): void
    {
        self::assertSame($values, self::table($text)->columns[0]->values);
    }

    public function test_rows_that_are_too_long_are_counted_and_empty_ends_are_not(): void
    {
        $long = '2 rows have more cells than the header; what stands beyond it was left out.';

        self::assertContains($long, self::table("a,b\n1,2,3\n4,5,\n6,7,8,9\n")->notes);
        self::assertSame([], array_filter(self::table("a,b\n1,2,\n4,5,,\n")->notes, static fn (string $n): bool => str_contains($n, 'more cells')));
    }

    public function test_a_quoted_cell_may_run_over_fifty_lines_and_no_further(): void
    {
        $cell = static fn (int $lines): array => ['"'.str_repeat('x', 3), ...array_fill(0, $lines - 2, 'y'), 'z"'];

        self::assertCount(1, iterator_to_array(Records::from($cell(2)), false));
        self::assertCount(1, iterator_to_array(Records::from($cell(50)), false));
        self::assertGreaterThan(50, count(iterator_to_array(Records::from([...$cell(53), 'more']), false)), 'A quote left open by mistake.');
        self::assertSame(['a,"b"', 'c'], iterator_to_array(Records::from(['# no', '', 'a,"b"', '  # no', 'c']), false));
    }

    public function test_formulas_see_a_column_by_symbol_and_by_a_name_that_is_its_alone(): void
    {
        $names = static fn (string $head): array => array_map(static fn (Column $c): string => $c->symbol, self::table("{$head}\n1,2,3\n2,3,4\n")->forFormulas());

        self::assertContains('Time', $names('Time (s),Depth d (mm),Depth e (mm)'));
        self::assertNotContains('Time', $names('Time (s),Time (s),Mass (g)'));
    }

    public function test_a_minus_sign_from_print_and_a_dash_are_minus_signs(): void
    {
        self::assertSame([-1.5, -2.5, -3.5], self::table("a;b\n\u{2212}1.5;1\n\u{2013}2.5;2\n-3.5;3\n")->columns[0]->values);
    }

    public function test_a_column_holds_dates_if_more_than_half_of_its_words_are_dates(): void
    {
        $kind = static fn (string ...$cells): ColumnKind => self::table("t,x\n".implode("\n", array_map(static fn (string $c): string => "{$c},1", $cells))."\n")->columns[0]->kind;

        self::assertSame(ColumnKind::DateTime, $kind('10:00', '10:01', 'late'));
        self::assertSame(ColumnKind::Text, $kind('10:00', 'early', 'late'));
        self::assertSame(ColumnKind::Text, $kind('10:00', 'late'));
    }

    public function test_columns_without_a_usable_name_are_named_by_their_place(): void
    {
        self::assertSame(['t', 'c2', 'c3'], array_map(static fn ($c): string => $c->symbol, self::table("Time,???,42 %\n1,2,3\n2,3,4\n")->columns));
    }

    public function test_titles_may_stand_on_any_number_of_lines(): void
    {
        $table = self::table("Vat 3\nTuesday\nTime (s),T (°C)\n1,2\n2,3\n");

        self::assertSame([2, ['Time', 'T']], [$table->rowCount, array_map(static fn ($c): string => $c->name, $table->columns)]);
        self::assertSame(['Not part of the table: "Vat 3".', 'Not part of the table: "Tuesday".'], array_slice($table->notes, 1, 2));
        self::assertSame([[1.0]], array_map(static fn ($c): array => $c->values, self::table("Time\n1\n")->columns));
    }

    private static function table(string $text): Table
    {
        return (new TableReader)->read([$text]);
    }
}

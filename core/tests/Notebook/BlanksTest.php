<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\Blanks;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** Which cells are told as blank. */
final class BlanksTest extends TestCase
{
    public function test_a_gap_in_a_row_and_in_a_column_that_have_others_is_told(): void
    {
        $data = self::data(['t' => [0.0, 1.0, NAN, 3.0, NAN, 5.0], 'T' => [9.0, NAN, 7.0, NAN, NAN, NAN], 'p' => [NAN, NAN, NAN, NAN, NAN, NAN]]);

        // Row 5 is blank as a whole, p as a column; the last row may be just being typed.
        self::assertSame(['t' => [2], 'T' => [1, 3]], Blanks::in($data, ['t', 'T', 'p']));
        self::assertSame([], Blanks::in($data, ['T']), 'A row of one column has no other.');
        self::assertSame([], Blanks::in($data, ['gone']));
    }

    public function test_what_is_no_number_and_what_is_set_aside_are_told_elsewhere(): void
    {
        $data = self::data(['t' => [0.0, 1.0, 2.0, NAN, 4.0], 'T' => [9.0, NAN, NAN, NAN, 5.0]], [2 => 'Door open.'], ['T' => [1 => '8,O', 3 => 'x']]);

        self::assertSame(['t' => [3]], Blanks::in($data, ['t', 'T']), 'What is no number in one column makes the gap in the other one.');
    }

    public function test_a_column_known_to_be_whole_is_not_read_and_makes_every_gap_beside_it_one(): void
    {
        $unread = static fn (): ColumnInput => throw new \LogicException('It was read.');
        $data = new RunData(4, ['t' => $unread, 'T' => new ColumnInput('T', Unit::one(), [9.0, NAN, 7.0, NAN]), 'p' => new ColumnInput('p', Unit::one(), [NAN, NAN, NAN, NAN])]);

        self::assertSame(['T' => [1]], Blanks::in($data, ['t', 'T', 'p'], ['t']));
        self::assertSame([], Blanks::in($data, ['t', 'p'], ['t']));
    }

    public function test_a_whole_table_has_none(): void
    {
        self::assertSame([], Blanks::in(self::data(['t' => [0.0, 1.0], 'T' => [9.0, 8.0]]), ['t', 'T']));
        self::assertSame([], Blanks::in(self::data(['t' => []]), ['t']));
    }

    /**
     * @param  array<string, list<float>>  $columns
     * @param  array<int, string>  $aside
     * @param  array<string, array<int, string>>  $unreadable
     */
    private static function data(array $columns, array $aside = [], array $unreadable = []): RunData
    {
        $inputs = [];
        foreach ($columns as $symbol => $values) {
            $inputs[$symbol] = new ColumnInput($symbol, Unit::one(), $values);
        }

        return new RunData(count($columns['t']), $inputs, $aside, unreadable: $unreadable);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\ColumnInput;

/** Cells that are no numbers are skipped, and counted aloud. */
final class LeftOutTest extends TestCase
{
    public function test_one_cell_is_told_with_its_text_however_far_below(): void
    {
        $worked = self::worked(['t' => [1 => '4.45x']]);

        self::assertSame(['One cell is no number (t, row 2: "4.45x").'], self::told($worked, 'mean_of_V'));
        self::assertEqualsWithDelta(100.0, $worked->line('mean_of_V', 1)->result()?->value, 1e-12);
        self::assertSame([], self::told($worked, 'mean_of_q'), 'It does not rest on t.');
        self::assertSame([], self::told($worked, 'free'), 'Nor does a line of values alone.');
    }

    public function test_several_are_counted_and_blanks_are_nothing_to_tell(): void
    {
        self::assertSame(['3 cells are no numbers (the first: q, row 1: "?").'], self::told(self::worked(['q' => [0 => '?', 2 => 'x'], 't' => [0 => 'y']]), 'mean_of_V'));
        self::assertSame([], self::told(self::worked([]), 'mean_of_V'));
    }

    public function test_a_line_of_all_runs_tells_of_all(): void
    {
        $worked = self::worked(['t' => [1 => 'x']]);

        self::assertSame(['2 cells are no numbers (the first: t, row 2: "x").'], array_map(static fn (Warning $w): string => $w->title, $worked->line('of_both')->outcome->warnings ?? []));
    }

    /** @param  array<string, array<int, string>>  $unreadable */
    private static function worked(array $unreadable): WorkedNotebook
    {
        $cells = static fn (string $symbol, array $values): ColumnInput => new ColumnInput($symbol, Unit::one(), array_map(
            static fn (int $row, float $v): float => isset($unreadable[$symbol][$row]) ? NAN : $v, array_keys($values), $values,
        ));
        $data = static fn (): RunData => new RunData(4, ['q' => $cells('q', [10.0, 20.0, 25.0, 50.0]), 't' => $cells('t', [10.0, 5.0, 4.0, 2.0])], unreadable: $unreadable);

        return new WorkedNotebook(Notebook::of([], [Notebooks::column('q'), Notebooks::column('t'), Notebooks::column('V', '', 'q*t')], [
            Notebooks::line('mean_of_V', 'statistics', ['column' => 'V'], isPerRun: true), Notebooks::line('mean_of_q', 'statistics', ['column' => 'q'], isPerRun: true),
            Notebooks::line('free', 'formula', formula: '2*3', isPerRun: true),
            Notebooks::line('of_both', 'statistics', ['column' => 't']),
        ], [new Run(1, 1, 'Run 1', null, null, 'a', $data), new Run(2, 2, 'Run 2', null, null, 'b', $data)]));
    }

    /** @return list<string> */
    private static function told(WorkedNotebook $worked, string $line): array
    {
        return array_map(static fn (Warning $w): string => $w->title, array_filter($worked->line($line, 1)->outcome->warnings ?? [], static fn (Warning $w): bool => $w->code === 'no-number'));
    }
}

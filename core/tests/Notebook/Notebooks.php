<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use Welkion\Core\Notebook\Column;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\Entry;
use Welkion\Core\Notebook\Line;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** Small notebooks to try things on. */
final class Notebooks
{
    /**
     * @param  list<Entry>  $entries
     * @param  list<Column>  $columns
     * @param  list<Line>  $lines
     */
    public static function of(array $entries = [], array $columns = [], array $lines = [], Run ...$runs): Notebook
    {
        return Notebook::of($entries, $columns, $lines, array_values($runs));
    }

    public static function entry(string $symbol, ?float $value, float $uncertainty = 0.0, string $unit = ''): Entry
    {
        $unit = Unit::parse($unit);

        return new Entry($symbol, "Entry {$symbol}", $unit, $value === null ? null : Measured::of($value, $uncertainty, $unit));
    }

    public static function column(string $symbol, string $unit = '', ?string $formula = null): Column
    {
        return new Column($symbol, "Column {$symbol}", Unit::parse($unit), $formula === null ? ColumnKind::Typed : ColumnKind::Derived, $formula ?? '');
    }

    /** @param  array<string, string>  $uses */
    public static function line(string $symbol, string $method, array $uses = [], ?string $formula = null, bool $isPerRun = false): Line
    {
        return new Line($symbol, "Line {$symbol}", $method, $isPerRun, $uses, $formula === null ? [] : ['formula' => $formula]);
    }

    /**
     * @param  array<string, list<float>|ColumnInput>  $columns  by symbol; plain numbers are in the unit ''
     * @param  array<int, string>  $aside
     * @param  array<string, string>  $revisions  by symbol
     */
    public static function run(int $id, array $columns, array $aside = [], ?string $condition = null, string $revision = 'a', array $revisions = []): Run
    {
        $first = reset($columns);
        $count = $first === false ? 0 : count($first instanceof ColumnInput ? $first->values : $first);
        $inputs = [];
        foreach ($columns as $symbol => $cells) {
            $inputs[$symbol] = $cells instanceof ColumnInput ? $cells : new ColumnInput($symbol, Unit::one(), $cells);
        }
        $data = new RunData($count, $inputs, $aside);

        return new Run($id, $id, "Run {$id}", $condition, null, "{$id}{$revision}", static fn (): RunData => $data, static fn (): array => $revisions);
    }
}

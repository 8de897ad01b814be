<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** One row a run: its entries and the results of the lines that are worked out for each run. */
final readonly class RunsTable
{
    public function __construct(private WorkedNotebook $worked)
    {
    }

    /** @return list<string> symbols of its columns */
    public function symbols(): array
    {
        $notebook = $this->worked->notebook;

        return [
            ...array_map(static fn (Entry $e): string => $e->symbol, array_values(array_filter($notebook->entries, static fn (Entry $e): bool => $e->isPerRun))),
            ...array_merge(...array_map($this->ofLine(...), array_values(array_filter($notebook->lines, static fn (Line $l): bool => $l->isPerRun)))),
        ];
    }

    /** @return list<string> a line's result; of a curve each of its constants, as they are what it was laid through the points for */
    private function ofLine(Line $line): array
    {
        $declared = Methods::find($line->method)?->declaration()->outcomes ?? [];
        foreach ($declared === [] ? $this->worked->notebook->runs : [] as $run) {
            $names = array_keys($this->worked->line($line->symbol, $run->id)->outcome->values ?? []);
            if ($names !== []) {
                return [$line->symbol, ...array_map(static fn (string $name): string => "{$line->symbol}.{$name}", array_slice($names, 1))];
            }
        }

        return [$line->symbol];
    }

    /** @return array<string, Unit> of its columns that have a value, by symbol: that of the first run that has one */
    public function units(): array
    {
        $units = [];
        foreach ($this->symbols() as $symbol) {
            $entry = $this->worked->notebook->entries[$symbol] ?? null;
            foreach ($entry === null ? $this->worked->notebook->runs : [] as $run) {
                $units[$symbol] ??= $this->value($symbol, $run->id)?->unit;
            }
            $units[$symbol] ??= $entry?->unit;
        }

        return array_filter($units);
    }

    public function value(string $symbol, int $run): ?Measured
    {
        $entry = $this->worked->notebook->entries[$symbol] ?? null;

        return $entry !== null ? $entry->valueOf($run) : $this->worked->line(Symbols::base($symbol), $run)->value($symbol);
    }

    /**
     * A column grouped by condition, in the order conditions first come; runs without a value, or set aside, do not count.
     *
     * @param  list<int>|null  $runs  which of them; null: all
     * @return list<Grouping>
     */
    public function grouped(string $symbol, ?array $runs = null): array
    {
        $values = [];
        $unit = null;
        foreach ($this->worked->notebook->runs as $run) {
            $value = $run->aside === null && ($runs === null || in_array($run->id, $runs, true)) ? $this->value($symbol, $run->id) : null;
            if ($value !== null) {
                $unit ??= $value->unit;
                $values[$run->condition ?? ''][] = $value->in($unit)->value;
            }
        }

        return $unit === null ? [] : array_map(
            static fn (string|int $condition, array $of): Grouping => Grouping::of((string) $condition === '' ? null : (string) $condition, $of, $unit),
            array_keys($values), array_values($values),
        );
    }
}

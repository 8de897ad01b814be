<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Working\Mark;

/** Trials of one condition are compared over the same stretch, or it is said which of them is not. */
final readonly class Reach
{
    /** Ends that differ by less of the whole stretch are the same: a reading more or less. */
    private const SAME = 0.1;

    public function __construct(private WorkedNotebook $worked)
    {
    }

    /** @return string|null which trials a line was worked out over another stretch of; null: of none */
    public function doubt(Line $line): ?string
    {
        $column = $this->worked->notebook->columns[$line->uses['x'] ?? ''] ?? null;
        if ($column === null || ! $line->isPerRun) {
            return null;
        }
        $conditions = [];
        foreach ($this->worked->notebook->runs as $run) {
            $reach = $run->aside !== null || $run->condition === null ? null : $this->of($line, $run);
            if ($reach !== null) {
                $conditions[$run->condition][] = [$run, $reach];
            }
        }
        $told = [];
        foreach ($conditions as $condition => $trials) {
            [$from, $to] = [min(array_map(static fn (array $t): float => $t[1][0], $trials)), max(array_map(static fn (array $t): float => $t[1][1], $trials))];
            $others = array_filter($trials, static fn (array $t): bool => max($t[1][0] - $from, $to - $t[1][1]) > self::SAME * ($to - $from));
            foreach ($others as [$run, $reach]) {
                $told[] = sprintf('trial %s of “%s” is worked out over %s to %s and not %s to %s', $run->trial ?? $run->number, $condition,
                    Digits::plain($reach[0]), Digits::plain($reach[1]), Digits::plain($from), trim(Digits::plain($to).' '.$column->unit->symbol));
            }
        }

        return $told === [] ? null : ucfirst(implode('; ', $told)).'. Compare trials over the same stretch: take a span all of them have, or set the run aside.';
    }

    /** @return array{float, float}|null from where to where along x a line was worked out in a run, as its marks show: its rows are not read again */
    private function of(Line $line, Run $run): ?array
    {
        $outcome = $this->worked->line($line->symbol, $run->id)->outcome;
        if ($outcome === null || ($line->span === null && $outcome->goodness === null)) {
            // A tangent, or a value somewhere, has a place and no stretch.
            return null;
        }
        $values = array_merge(...array_map(static fn (Mark $mark): array => $mark->x, $outcome->marks));

        return $values === [] ? null : [min($values), max($values)];
    }
}

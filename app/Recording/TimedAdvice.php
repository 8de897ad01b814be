<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\Column;
use App\Models\Run;
use App\Models\RunChannel;
use App\Notebook\NotebookRows;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Series\Spikes;
use Welkion\Core\Uncertainty\Median;
use Welkion\Core\Warning;

/** What is to be said of the rows of a timed run that has ended: a probe that was bumped. */
final class TimedAdvice
{
    /** A longer run is not looked through. */
    private const MOST_ROWS = 20_000;

    private const WINDOW = 11;

    /** A step of so many last digits is no bump. */
    private const LEAST_DIGITS = 10.0;

    /** ... nor one that noise makes now and then: in few samples it may by chance look calm. */
    private const LEAST_NOISES = 8.0;

    /** @return list<Warning> */
    public static function warnings(Run $run, NotebookRows $rows, WorkedNotebook $worked): array
    {
        $data = $worked->data($run->id);
        $time = $rows->columns->first(static fn (Column $c): bool => $c->kind === ColumnKind::Time);
        $times = $time instanceof Column ? $worked->column($time->symbol, $run->id)->cells : null;
        if ($run->isOpen() || $times === null || $data->rowCount < self::WINDOW || $data->rowCount > self::MOST_ROWS) {
            return [];
        }
        $warnings = [];
        foreach ($rows->columns as $column) {
            $channel = $column->kind === ColumnKind::Measured ? $run->channels->first(static fn (RunChannel $c): bool => $c->role === $column->role) : null;
            $cells = $channel === null || $channel->probe->kind->isAlive() ? null : $worked->column($column->symbol, $run->id)->cells;
            if ($cells === null) {
                continue;
            }
            $counted = array_filter($cells->values, static fn (float $v, int $row): bool => is_finite($v) && ! isset($data->aside[$row]), ARRAY_FILTER_USE_BOTH);
            $values = array_values($counted);
            $spikes = count($values) < self::WINDOW ? [] : Spikes::in($values, self::WINDOW, least: max(self::LEAST_DIGITS * max(0.0, ...$cells->scatter ?? []), self::LEAST_NOISES * self::noise($values)));
            if ($spikes !== []) {
                $at = array_map(static fn (int $i): string => rtrim(rtrim(sprintf('%.2F', $times->values[array_keys($counted)[$i]]), '0'), '.'), array_slice($spikes, 0, 3));
                $warnings[] = new Warning('spike', count($spikes) === 1 ? "A spike in {$column->symbol}." : "Spikes in {$column->symbol}.", sprintf(
                    'At %s%s %s it is far from what is beside it: was the probe bumped? In Reason, set it aside with a reason.', implode(', ', $at), count($spikes) > 3 ? ' …' : '', $times->unit->symbol,
                ));
            }
        }

        return $warnings;
    }

    /**
     * Standard deviation of what is quick in a signal, by the steps between its samples; a few large ones do not move it.
     *
     * @param  non-empty-list<float>  $values
     */
    private static function noise(array $values): float
    {
        $steps = [];
        for ($i = 1, $n = count($values); $i < $n; $i++) {
            $steps[] = $values[$i] - $values[$i - 1];
        }

        return $steps === [] ? 0.0 : Median::deviation($steps) / M_SQRT2;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Marker;
use App\Models\Probe;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunChannel;
use App\Notebook\ExperimentWork;
use App\Notebook\RunRows;
use App\Notebook\TypedRows;
use App\Recording\RunAdvice;
use App\Recording\RunBook;
use App\Recording\TimedAdvice;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\WorkedColumn;
use Welkion\Core\Series\Thinning;
use Welkion\Core\Working\Outcome;

/** The rows of a run, what is still to come, and what is to be said of it, in the shape of the HTTP API. */
final class RunRowsShape
{
    /** More rows of a timed run are not told one by one. */
    public const MOST_SHOWN = 2000;

    /**
     * @param  bool  $isWithSamples  whether a timed run tells its rows, not only what is said of it
     * @param  list<string>|null  $only  columns whose cells a long typed run tells; null: all
     * @return array<string, mixed>
     */
    public static function of(Run $run, ExperimentWork $work, bool $isWithSamples = true, ?array $only = null): array
    {
        // What its rows are worked out from is read with them.
        $told = match ($run->kind) {
            Run::TIMED => self::timed($run, $work, self::worked($run, $work), $isWithSamples),
            Run::TYPED => (new TypedRowsShape($run, $work))->told($only),
            default => self::stepwise($run, $work, self::worked($run, $work)),
        };

        return [
            'id' => $run->id, 'experimentId' => $run->experiment_id, 'plan' => (object) array_intersect_key($run->plan ?? [], ['ranges' => 0, 'steps' => 0]),
            'channels' => array_values($run->channels->map(self::channel(...))->all()),
            'trustSentences' => $run->trustSentences(),
            'markers' => array_values($run->loadMissing('markers')->markers->map(
                static fn (Marker $m): array => ['id' => $m->id, 'at' => $m->at, 'row' => $m->row, 'name' => $m->name],
            )->all()),
        ] + $told;
    }

    /** @return array<string, WorkedColumn> by symbol */
    public static function worked(Run $run, ExperimentWork $work): array
    {
        $worked = [];
        foreach ($work->rows->columns as $column) {
            $worked[$column->symbol] = $work->worked->column($column->symbol, $run->id);
        }

        return $worked;
    }

    /**
     * @param  array<string, WorkedColumn|Glance>  $columns  by symbol
     * @return list<array{symbol: string, problem: string|null, position: int|null, notes: list<string>}>
     */
    public static function columns(array $columns): array
    {
        return array_map(static fn (string $symbol, WorkedColumn|Glance $c): array => [
            'symbol' => $symbol, 'problem' => $c->problem, 'position' => $c->position, 'notes' => $c->notes,
        ], array_map(strval(...), array_keys($columns)), array_values($columns));
    }

    /**
     * @param  array<string, WorkedColumn>  $columns
     * @return array<string, mixed>
     */
    private static function stepwise(Run $run, ExperimentWork $work, array $columns): array
    {
        $data = $work->worked->data($run->id);
        $rows = RunRows::of($run, $work->rows->columns);
        $remaining = RunBook::remaining($run, $rows);
        $cells = new CellsShape($columns, $work->rows->columns, TypedRows::beside($run, array_column($rows->readings, 'row'), $work->rows->columns)->decimals());

        return [
            'remaining' => $remaining, 'timed' => null, 'typed' => null, 'columns' => self::columns($columns),
            'rows' => array_map(static fn (Reading $r, int $place): array => [
                'id' => $r->id, 'number' => $r->row, 'step' => $r->stepValue(), 'cells' => (object) $cells->at($place), 'texts' => (object) self::texts($data, $place), 'wasSteady' => $r->was_steady,
                'setAside' => $data->aside[$place] ?? null, 'takenAt' => $r->created_at->toIso8601ZuluString('millisecond'),
            ], $rows->readings, array_keys($rows->readings)),
            'advice' => self::advice($run->isOpen() ? RunAdvice::outcomes($work->rows, $work->worked, $run->id, $remaining) : []),
        ];
    }

    /**
     * Of many rows no more than a table is ever read through.
     *
     * @param  array<string, WorkedColumn>  $columns
     * @return array<string, mixed>
     */
    private static function timed(Run $run, ExperimentWork $work, array $columns, bool $isWithSamples): array
    {
        $data = $work->worked->data($run->id);
        $warnings = TimedAdvice::warnings($run, $work->rows, $work->worked);
        $places = $isWithSamples ? Thinning::places($data->rowCount, self::MOST_SHOWN) : [];

        return [
            'remaining' => [], 'typed' => null, 'columns' => self::columns($columns), 'timed' => ['rowCount' => $data->rowCount, 'isThinned' => $data->rowCount > self::MOST_SHOWN],
            'rows' => self::samples($run, $data, new CellsShape($columns, $work->rows->columns), $places),
            'advice' => $warnings === [] ? null : ['warnings' => array_map(WorkedLineShape::warning(...), $warnings), 'refine' => null],
        ];
    }

    /**
     * Rows at places of a long run, with the cells of some columns: what a figure draws of a stretch of it.
     *
     * @param  list<string>  $symbols
     * @param  list<int>  $places
     * @return list<array<string, mixed>>
     */
    public static function near(Run $run, ExperimentWork $work, array $symbols, array $places): array
    {
        $worked = [];
        foreach ($symbols as $symbol) {
            $worked[$symbol] = $work->worked->column($symbol, $run->id);
        }
        $data = $work->worked->data($run->id);
        if ($run->isTyped()) {
            return (new TypedRowsShape($run, $work))->at($places, $worked);
        }

        return self::samples($run, $data, new CellsShape($worked, $work->rows->columns), $places);
    }

    /**
     * @param  list<int>  $places
     * @return list<array<string, mixed>>
     */
    private static function samples(Run $run, RunData $data, CellsShape $cells, array $places): array
    {
        $takenAt = $run->started_at->toIso8601ZuluString('millisecond');

        return array_map(static fn (int $place): array => [
            'id' => $place + 1, 'number' => $place + 1, 'step' => null, 'cells' => (object) $cells->at($place), 'texts' => (object) [], 'wasSteady' => true,
            'setAside' => $data->aside[$place] ?? null, 'takenAt' => $takenAt,
        ], $places);
    }

    /** @return array<string, string> what is no number, and words, by symbol */
    public static function texts(RunData $data, int $place): array
    {
        return array_filter(array_map(static fn (array $of): string => $of[$place] ?? '', $data->unreadable + $data->words), static fn (string $text): bool => $text !== '');
    }

    /** @return array<string, mixed> */
    private static function channel(RunChannel $channel): array
    {
        $calibration = $channel->calibrationInForce();

        return [
            'role' => $channel->role, 'isBeside' => $channel->is_beside, 'probe' => self::probe($channel->probe), 'unit' => $channel->unit(),
            'calibration' => $calibration === null ? null : CalibrationSummaryResource::shape($calibration),
            'isWorkedOutAgain' => $calibration?->id !== $channel->calibration_id,
        ];
    }

    /** @return array<string, mixed> */
    private static function probe(Probe $probe): array
    {
        return [
            'id' => $probe->id, 'kind' => $probe->kind->value, 'title' => $probe->title, 'serial' => $probe->serial,
            'bench' => ['id' => $probe->bench->id, 'name' => $probe->bench->name],
        ];
    }

    /**
     * @param  list<Outcome>  $outcomes
     * @return array<string, mixed>|null all that is said, and what the first of them proposes
     */
    private static function advice(array $outcomes): ?array
    {
        if ($outcomes === []) {
            return null;
        }
        $proposing = array_values(array_filter($outcomes, static fn (Outcome $o): bool => isset($o->values['step'])))[0] ?? null;
        $number = static fn (string $name): ?float => ($proposing->values[$name] ?? null)?->value;

        return [
            'warnings' => array_map(WorkedLineShape::warning(...), array_merge(...array_map(static fn (Outcome $o): array => $o->warnings, $outcomes))),
            'refine' => $number('step') === null || $number('from') === null || $number('to') === null ? null : ['from' => $number('from'), 'to' => $number('to'), 'step' => $number('step')],
        ];
    }
}

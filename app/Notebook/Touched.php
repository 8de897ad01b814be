<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Change;
use App\Models\Marker;
use App\Models\Reading;
use App\Models\Reworking;
use App\Models\Run;
use App\Models\RunChannel;
use App\Models\SetAside;
use App\Models\TypedColumn;

/**
 * Which things of a notebook rows of the journal belong to.
 *
 * @phpstan-import-type TouchedRow from Change
 */
final readonly class Touched
{
    /**
     * @param  array<string, list<int>>  $ids  by table
     * @param  list<int>  $dataOf  runs whose rows are others now
     */
    private function __construct(public array $ids, public array $dataOf)
    {
    }

    /** @param  list<TouchedRow>  $rows */
    public static function by(array $rows): self
    {
        $ids = [];
        foreach ($rows as $row) {
            $ids[$row['table']][] = $row['id'];
        }
        $ids = array_map(static fn (array $of): array => array_values(array_unique($of)), $ids);

        return new self($ids, self::runsOf($rows, $ids));
    }

    /** Their rows have another revision from now on. */
    public function markRuns(): void
    {
        if ($this->dataOf !== []) {
            Run::query()->whereKey($this->dataOf)->increment('data_revision');
        }
    }

    /** @return list<int>|null ids of the typed columns whose cells are others; null where more than cells was touched */
    public function cellsAlone(): ?array
    {
        $typed = (new TypedColumn)->getTable();

        return array_keys($this->ids) === [$typed] ? $this->ids[$typed] : null;
    }

    /** @return list<int> */
    public function of(string $table): array
    {
        return $this->ids[$table] ?? [];
    }

    /**
     * @param  list<TouchedRow>  $rows
     * @param  array<string, list<int>>  $ids
     * @return list<int>
     */
    private static function runsOf(array $rows, array $ids): array
    {
        $runs = [];
        foreach ($rows as $row) {
            $values = $row['after'] ?? $row['before'] ?? [];
            if (in_array($row['table'], [(new SetAside)->getTable(), (new Marker)->getTable()], true) && is_int($values['run_id'] ?? null)) {
                $runs[] = $values['run_id'];
            }
            if ($row['table'] === (new Run)->getTable() && array_intersect_key($values, ['ended_s' => 0, 'row_order' => 0]) !== []) {
                $runs[] = $row['id'];
            }
        }
        $markers = $ids[(new Marker)->getTable()] ?? [];
        $readings = $ids[(new Reading)->getTable()] ?? [];
        $channels = array_map(static fn (array $row): mixed => $row['id'], array_values(array_filter($rows, static fn (array $r): bool => $r['table'] === (new Reworking)->getTable())));
        $began = $ids[(new RunChannel)->getTable()] ?? [];
        $typed = $ids[(new TypedColumn)->getTable()] ?? [];
        $query = static fn (array $of): bool => $of !== [];
        if ($query($typed)) {
            $runs = [...$runs, ...TypedColumn::query()->whereKey($typed)->distinct()->pluck('run_id')->all()];
        }
        if ($query($readings)) {
            $runs = [...$runs, ...Reading::query()->whereKey($readings)->distinct()->pluck('run_id')->all()];
        }
        if ($query($markers)) {
            $runs = [...$runs, ...Marker::query()->whereKey($markers)->distinct()->pluck('run_id')->all()];
        }
        if ($query($began)) {
            $runs = [...$runs, ...RunChannel::query()->whereKey($began)->distinct()->pluck('run_id')->all()];
        }
        if ($query($channels)) {
            $runs = [...$runs, ...RunChannel::query()->whereIn('id', Reworking::query()->whereKey($channels)->select('run_channel_id'))->distinct()->pluck('run_id')->all()];
        }

        return array_values(array_unique(array_map(intval(...), $runs)));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Column;
use App\Models\Run;
use App\Models\SetAside;
use App\Notebook\ExperimentWork;
use App\Notebook\TypedRows;
use Illuminate\Support\Facades\DB;

/** The columns of a typed run at a glance. Those of a long one are kept until the column, or how it is shown, is another. */
final readonly class Glances
{
    /** Counted up when a glance holds something else. */
    private const EDITION = 1;

    /** @var array<string, int> digits behind the mark, by symbol */
    private array $decimals;

    public function __construct(private Run $run, private ExperimentWork $work, private TypedRows $typed)
    {
        $this->decimals = $typed->decimals();
    }

    /**
     * @param  list<int>  $places  of the rows that are drawn
     * @param  list<string>|null  $only  columns whose drawn cells are wanted; null: all
     * @return array<string, Glance> by symbol
     */
    public function at(array $places, ?array $only = null): array
    {
        $isLong = count($places) < $this->typed->count();
        $columns = $this->work->rows->columns;
        $drawn = $only === null ? $columns : $columns->whereIn('symbol', $only);
        $keys = $isLong ? $columns->mapWithKeys(fn (Column $c): array => [$c->id => $this->key($c, count($places))])->all() : [];
        $kept = $isLong ? $this->kept($keys, $drawn->modelKeys()) : [];
        $fresh = [];
        foreach ($columns as $column) {
            isset($kept[$column->id]) || $fresh[$column->id] = $this->fresh($column, $places);
        }
        $isLong && $this->keep($fresh, $keys);
        $glances = [];
        foreach ($columns as $column) {
            $glance = $kept[$column->id] ?? $fresh[$column->id];
            $glances[$column->symbol] = $drawn->contains($column) ? $glance : $glance->with(null);
        }

        return $glances;
    }

    /**
     * @param  array<int, string>  $keys  by column
     * @param  array<int>  $drawn  columns whose cells are wanted
     * @return array<int, Glance> by column: those that are kept for these keys
     */
    private function kept(array $keys, array $drawn): array
    {
        $cells = $drawn === [] ? 'NULL' : 'IF(column_id IN ('.implode(',', array_map(intval(...), $drawn)).'), cells, NULL)';
        $kept = [];
        foreach (DB::table('glances')->where('run_id', $this->run->id)->get(['column_id', 'key', 'glance', DB::raw("{$cells} AS cells")]) as $row) {
            if (($keys[$row->column_id] ?? null) === $row->key) {
                $glance = unserialize($row->glance);
                $kept[$row->column_id] = $glance->with($row->cells === null ? null : unserialize($row->cells));
            }
        }

        return $kept;
    }

    /**
     * @param  array<int, Glance>  $glances  by column
     * @param  array<int, string>  $keys
     */
    private function keep(array $glances, array $keys): void
    {
        $rows = [];
        foreach ($glances as $id => $glance) {
            $rows[] = ['run_id' => $this->run->id, 'column_id' => $id, 'key' => $keys[$id], 'glance' => serialize($glance->with(null)), 'cells' => serialize($glance->cells)];
        }
        $rows === [] || DB::table('glances')->upsert($rows, ['run_id', 'column_id'], ['key', 'glance', 'cells']);
    }

    /** @param  list<int>  $places */
    private function fresh(Column $column, array $places): Glance
    {
        $data = $this->work->worked->data($this->run->id);
        $worked = $this->work->worked->column($column->symbol, $this->run->id);
        $shown = new CellsShape([$column->symbol => $worked], $this->work->rows->columns, $this->decimals);

        return Glance::at($column->symbol, $worked, $shown, $data->aside + ($data->asideOf[$column->symbol] ?? []), $places);
    }

    private function key(Column $column, int $drawn): string
    {
        $aside = $this->run->setAsides->whereIn('column_id', [null, $column->id])->map(static fn (SetAside $s): array => [$s->column_id, $s->first_row, $s->last_row])->all();

        return sha1(serialize([
            self::EDITION, $this->work->worked->keyOfColumn($column->symbol, $this->run->id), $this->work->worked->graph->circles[$column->symbol] ?? null,
            $this->typed->count(), $drawn, $column->decimals, $this->decimals[$column->symbol] ?? null, $this->run->row_order, $aside,
        ]));
    }
}

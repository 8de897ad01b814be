<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Column;
use App\Models\Run;
use App\Models\SetAside;
use App\Notebook\ExperimentWork;
use App\Notebook\TypedRows;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;

/** The columns of a typed run at a glance. Those of a long one are kept until the column, or how it is shown, is another. */
final readonly class Glances
{
    /** Counted up when a glance holds something else. */
    private const EDITION = 1;

    private const KEPT_DAYS = 30;

    private const DRAWN = 'drawn';

    public function __construct(private Run $run, private ExperimentWork $work, private TypedRows $typed)
    {
    }

    /**
     * @param  list<int>  $places  of the rows that are drawn
     * @param  list<string>|null  $only  columns whose drawn cells are wanted; null: all
     * @return array<string, Glance> by symbol
     */
    public function at(array $places, ?array $only = null): array
    {
        $rowCount = count($this->typed->rows);
        $columns = $this->work->rows->columns;
        $isLong = count($places) < $rowCount;
        $kept = $isLong ? $this->kept($columns, $only) : [];
        $glances = [];
        foreach ($columns as $column) {
            $isDrawn = $only === null || in_array($column->symbol, $only, true);
            $key = $isLong ? $this->key($column, $rowCount, count($places)) : '';
            $glance = $this->found($kept, $column, $key, $isDrawn);
            if ($glance === null) {
                $glance = $this->fresh($column, $places);
                $isLong && Cache::putMany([$this->name($column) => [$key, $glance->with(null)], $this->name($column, self::DRAWN) => [$key, $glance->cells]], now()->addDays(self::KEPT_DAYS));
            }
            $glances[$column->symbol] = $isDrawn ? $glance : $glance->with(null);
        }

        return $glances;
    }

    /**
     * @param  Collection<int, Column>  $columns
     * @param  list<string>|null  $only
     * @return array<string, mixed> by name
     */
    private function kept(Collection $columns, ?array $only): array
    {
        $drawn = $only === null ? $columns : $columns->whereIn('symbol', $only);

        return Cache::many([...$columns->map(fn (Column $c): string => $this->name($c))->all(), ...$drawn->map(fn (Column $c): string => $this->name($c, self::DRAWN))->all()]);
    }

    /** @param  array<string, mixed>  $kept */
    private function found(array $kept, Column $column, string $key, bool $isDrawn): ?Glance
    {
        $glance = self::held($kept, $this->name($column), $key);
        $cells = $isDrawn ? self::held($kept, $this->name($column, self::DRAWN), $key) : null;

        return $glance instanceof Glance && is_array($cells) === $isDrawn ? $glance->with($cells) : null;
    }

    /** @param  array<string, mixed>  $kept */
    private static function held(array $kept, string $name, string $key): mixed
    {
        [$of, $value] = is_array($kept[$name] ?? null) ? $kept[$name] : [null, null];

        return $of === $key ? $value : null;
    }

    private function name(Column $column, string $of = 'glance'): string
    {
        return "{$of} {$this->run->id} {$column->id}";
    }

    /** @param  list<int>  $places */
    private function fresh(Column $column, array $places): Glance
    {
        $data = $this->work->worked->data($this->run->id);
        $worked = $this->work->worked->column($column->symbol, $this->run->id);
        $shown = new CellsShape([$column->symbol => $worked], $this->work->rows->columns, $this->typed->decimals());

        return Glance::at($column->symbol, $worked, $shown, $data->aside + ($data->asideOf[$column->symbol] ?? []), $places);
    }

    private function key(Column $column, int $rowCount, int $drawn): string
    {
        $aside = $this->run->setAsides->whereIn('column_id', [null, $column->id])->map(static fn (SetAside $s): array => [$s->column_id, $s->first_row, $s->last_row])->all();

        return sha1(serialize([
            self::EDITION, $this->work->worked->keyOfColumn($column->symbol, $this->run->id), $this->work->worked->graph->circles[$column->symbol] ?? null,
            $rowCount, $drawn, $column->decimals, $this->typed->decimals()[$column->symbol] ?? null, $this->run->row_order, $aside,
        ]));
    }
}

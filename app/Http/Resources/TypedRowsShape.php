<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Column;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\TypedRows;
use Welkion\Core\Formats\CellText;
use Welkion\Core\Notebook\Blanks;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\WorkedColumn;
use Welkion\Core\Series\Thinning;

/** The rows of a typed run in the shape of the HTTP API: some of them, as they stand, and what of them is no number. */
final readonly class TypedRowsShape
{
    /** So many cells that are no numbers are told one by one; of the others how many. */
    private const MOST_TOLD = 50;

    /** The rows of a longer run are thinned for figures; a table asks for those it shows. */
    private const MOST_DRAWN = 800;

    private const MOST_ASIDE = 200;

    private TypedRows $typed;

    private RunData $data;

    private Glances $glances;

    private string $takenAt;

    public function __construct(private Run $run, private ExperimentWork $work)
    {
        $this->typed = TypedRows::of($run, $work->rows->columns);
        $this->data = $work->worked->data($run->id);
        $this->glances = new Glances($run, $work, $this->typed);
        $this->takenAt = $run->started_at->toIso8601ZuluString('millisecond');
    }

    /**
     * @param  list<string>|null  $only  columns whose cells are told of a long run; null: all
     * @return array<string, mixed> with as many rows as a screen draws
     */
    public function told(?array $only = null): array
    {
        $places = $this->drawn();
        $isLong = count($places) < $this->data->rowCount;
        $only = $isLong ? $only : null;
        $glances = $this->glances->at($places, $only);
        $drawn = array_filter(array_map(static fn (Glance $g): ?array => $g->cells, $glances), is_array(...));

        return [
            'remaining' => [], 'timed' => null, 'advice' => null, 'columns' => RunRowsShape::columns($glances),
            'typed' => [
                'rowCount' => $this->data->rowCount, 'isThinned' => $isLong, 'only' => $only, 'asideCount' => count($this->data->aside), 'feet' => array_values(array_filter(array_map(static fn (Glance $g): ?array => $g->foot, $glances))),
                'blanks' => $this->blanks(array_map(strval(...), array_keys(array_filter($glances, static fn (Glance $g): bool => $g->isWhole)))),
            ] + $this->unreadable(),
            'rows' => array_map(fn (int $place): array => $this->row($this->typed->rows()[$place], $this->data, $place, array_map(static fn (array $cells): ?array => $cells[$place], $drawn)), $places),
        ];
    }

    /** @return list<int> places of the rows a figure draws; with those that are set aside, as it shows them in another way */
    private function drawn(): array
    {
        $places = Thinning::places($this->data->rowCount, self::MOST_DRAWN);
        $aside = array_slice(array_keys($this->data->aside), 0, self::MOST_ASIDE);
        $all = array_values(array_unique([...$places, ...$aside]));
        sort($all);

        return $all;
    }

    /**
     * @param  list<int>  $places
     * @param  array<string, WorkedColumn>  $worked  the columns whose cells are told, by symbol
     * @return list<array<string, mixed>>
     */
    public function at(array $places, array $worked): array
    {
        $cells = new CellsShape($worked, $this->work->rows->columns, $this->typed->decimals());

        return array_map(fn (int $place): array => $this->row($this->typed->rows()[$place], $this->data, $place, $cells->at($place)), $places);
    }

    /** @return array<string, mixed> all rows from a place on; of what is typed no more is read than is told */
    public function page(int $from, int $count): array
    {
        $columns = $this->work->rows->columns;
        $page = TypedRows::beside($this->run, array_slice($this->typed->rows(), $from, $count), $columns);
        $data = $page->data();
        $typed = new CellsShape(array_map(static fn (\Closure $read): WorkedColumn => WorkedColumn::of($read()), $page->cells()), $columns, $page->decimals());
        $derived = $columns->where('kind', ColumnKind::Derived)->mapWithKeys(fn (Column $c): array => [$c->symbol => $this->work->worked->column($c->symbol, $this->run->id)])->all();
        $derived = new CellsShape($derived, $columns);
        $rows = [];
        for ($i = 0; $i < $data->rowCount; $i++) {
            $rows[] = $this->row($page->rows()[$i], $data, $i, $typed->at($i) + $derived->at($from + $i));
        }

        return ['from' => $from, 'rowCount' => $this->data->rowCount, 'rows' => $rows];
    }

    /**
     * @param  array<string, mixed>  $cells  by symbol
     * @return array<string, mixed>
     */
    private function row(int $number, RunData $data, int $place, array $cells): array
    {
        return [
            'id' => $number, 'number' => $number, 'step' => null, 'cells' => (object) $cells, 'texts' => (object) RunRowsShape::texts($data, $place), 'wasSteady' => true,
            'setAside' => $data->aside[$place] ?? null, 'takenAt' => $this->takenAt,
        ];
    }

    /**
     * @param  list<string>  $whole  symbols of columns that have a number in each row
     * @return list<array{symbol: string, count: int, places: list<int>}> by column, with the places of the first of them
     */
    private function blanks(array $whole): array
    {
        $symbols = array_values(array_diff($this->data->symbols(), array_keys($this->data->words)));
        $told = [];
        foreach (Blanks::in($this->data, $symbols, array_values(array_intersect($symbols, $whole))) as $symbol => $rows) {
            $told[] = ['symbol' => $symbol, 'count' => count($rows), 'places' => array_slice($rows, 0, self::MOST_TOLD)];
        }

        return $told;
    }

    /** @return array{unreadable: list<array{place: int, number: int, symbol: string, text: string, remedy: string|null}>, unreadableCount: int} */
    private function unreadable(): array
    {
        $told = [];
        foreach ($this->data->unreadable as $symbol => $texts) {
            foreach (array_slice($texts, 0, max(0, self::MOST_TOLD - count($told)), true) as $place => $text) {
                $told[] = ['place' => $place, 'number' => $this->typed->rows()[$place], 'symbol' => $symbol, 'text' => $text, 'remedy' => CellText::remedy($text)];
            }
        }

        return ['unreadable' => $told, 'unreadableCount' => array_sum(array_map(count(...), $this->data->unreadable))];
    }
}

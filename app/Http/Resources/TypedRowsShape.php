<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\TypedRows;
use Welkion\Core\Formats\CellText;
use Welkion\Core\Notebook\Blanks;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\WorkedColumn;
use Welkion\Core\Uncertainty\Spread;

/** The rows of a typed run in the shape of the HTTP API: some of them, as they stand, and what of them is no number. */
final readonly class TypedRowsShape
{
    /** So many cells that are no numbers are told one by one; of the others how many. */
    private const MOST_TOLD = 50;

    /** The rows of a longer run are thinned for figures; a table asks for those it shows. */
    private const MOST_DRAWN = 800;

    private TypedRows $typed;

    private RunData $data;

    private CellsShape $cells;

    /** @var array<string, WorkedColumn> by symbol */
    private array $columns;

    /** @param  array<string, WorkedColumn>|null  $columns  by symbol */
    public function __construct(private Run $run, ExperimentWork $work, ?array $columns = null)
    {
        $this->typed = TypedRows::of($run, $work->rows->columns);
        $this->data = $work->worked->data($run->id);
        $this->columns = $columns ?? self::worked($run, $work);
        $this->cells = new CellsShape($this->columns, $work->rows->columns, $this->typed->decimals());
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

    /** @return array<string, mixed> with as many rows as a screen draws */
    public function told(): array
    {
        $stride = max(1, (int) ceil($this->data->rowCount / self::MOST_DRAWN));

        return [
            'remaining' => [], 'timed' => null, 'advice' => null,
            'typed' => ['rowCount' => $this->data->rowCount, 'everyNth' => $stride, 'feet' => $this->feet(), 'blanks' => $this->blanks()] + $this->unreadable(),
            'rows' => array_map($this->row(...), $this->data->rowCount === 0 ? [] : range(0, $this->data->rowCount - 1, $stride)),
        ];
    }

    /** @return array<string, mixed> all rows from a place on */
    public function page(int $from, int $count): array
    {
        $last = min($this->data->rowCount, $from + $count) - 1;

        return ['from' => $from, 'rowCount' => $this->data->rowCount, 'rows' => array_map($this->row(...), $last < $from ? [] : range($from, $last))];
    }

    /** @return array<string, mixed> */
    private function row(int $place): array
    {
        $number = $this->typed->rows[$place];

        return [
            'id' => $number, 'number' => $number, 'step' => null, 'cells' => (object) $this->cells->at($place), 'texts' => (object) RunRowsShape::texts($this->data, $place), 'wasSteady' => true,
            'setAside' => $this->data->aside[$place] ?? null, 'takenAt' => $this->run->started_at->toIso8601ZuluString('millisecond'),
        ];
    }

    /** @return list<array{symbol: string, n: int, mean: string, sd: string, least: string, most: string}> of each column of numbers; rows set aside are out of it */
    private function feet(): array
    {
        $feet = [];
        foreach ($this->columns as $symbol => $column) {
            $spread = $column->cells === null ? null : Spread::of($column->cells->values, $this->data->aside + ($this->data->asideOf[$symbol] ?? []));
            if ($spread === null) {
                continue;
            }
            $feet[] = [
                'symbol' => $symbol, 'n' => $spread->n, 'mean' => $this->cells->shown($symbol, $spread->mean, 1), 'sd' => $spread->n > 1 ? $this->cells->shown($symbol, $spread->sd, 1) : '',
                'least' => $this->cells->shown($symbol, $spread->least), 'most' => $this->cells->shown($symbol, $spread->most),
            ];
        }

        return $feet;
    }

    /** @return list<array{symbol: string, count: int, places: list<int>}> by column, with the places of the first of them */
    private function blanks(): array
    {
        $told = [];
        foreach (Blanks::in($this->data, array_keys(array_diff_key($this->data->columns, $this->data->words))) as $symbol => $rows) {
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
                $told[] = ['place' => $place, 'number' => $this->typed->rows[$place], 'symbol' => $symbol, 'text' => $text, 'remedy' => CellText::remedy($text)];
            }
        }

        return ['unreadable' => $told, 'unreadableCount' => array_sum(array_map(count(...), $this->data->unreadable))];
    }
}

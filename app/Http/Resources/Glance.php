<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Notebook\WorkedColumn;
use Welkion\Core\Uncertainty\Spread;

/**
 * What a notebook shows of a column of a typed run before anybody looks through its rows: its foot, and as many of its cells as
 * a screen draws.
 *
 * @phpstan-type Cell array{value: float, uncertainty: float, shown: string}|null
 * @phpstan-type Foot array{symbol: string, n: int, mean: string, sd: string, least: string, most: string}
 */
final readonly class Glance
{
    /**
     * @param  list<string>  $notes
     * @param  Foot|null  $foot  null without a number that counts
     * @param  bool  $isWhole  whether there is a number in each row
     * @param  array<int, Cell>|null  $cells  by place of the row from 0: of those that are drawn; null if they are not told
     */
    private function __construct(public ?string $problem, public ?int $position, public array $notes, public ?array $foot, public bool $isWhole, public ?array $cells)
    {
    }

    /** @param  array<int, Cell>|null  $cells */
    public function with(?array $cells): self
    {
        return new self($this->problem, $this->position, $this->notes, $this->foot, $this->isWhole, $cells);
    }

    /**
     * @param  array<int, mixed>  $aside  places of rows that do not count, as keys
     * @param  list<int>  $places  of the rows that are drawn
     */
    public static function at(string $symbol, WorkedColumn $worked, CellsShape $shown, array $aside, array $places): self
    {
        $spread = Spread::of($worked->cells->values ?? [], $aside);
        $foot = $spread === null ? null : [
            'symbol' => $symbol, 'n' => $spread->n, 'mean' => $shown->shown($symbol, $spread->mean, 1), 'sd' => $spread->n > 1 ? $shown->shown($symbol, $spread->sd, 1) : '',
            'least' => $shown->shown($symbol, $spread->least), 'most' => $shown->shown($symbol, $spread->most),
        ];
        $cells = [];
        foreach ($places as $place) {
            $cells[$place] = $shown->at($place)[$symbol];
        }

        return new self($worked->problem, $worked->position, $worked->notes, $foot, $worked->isWhole(), $cells);
    }
}

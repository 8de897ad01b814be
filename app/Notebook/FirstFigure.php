<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Column;
use App\Models\Experiment;
use App\Models\Figure;
use Welkion\Core\Notebook\ColumnKind;

/** What is measured is seen without being asked for: a notebook in which nothing is drawn against its time, or at all, gets a figure. */
final class FirstFigure
{
    /** More of them are too low to read at first. */
    private const MOST_PANELS = 3;

    /** @param  string|null  $measured  symbol of a column that is measured from now on: figures against time with room for one panel more draw it, too */
    public static function require(Draft $draft, Experiment $experiment, ?string $measured = null): void
    {
        $rows = NotebookRows::of($experiment);
        $symbols = $rows->columns->filter(static fn (Column $c): bool => $c->kind === ColumnKind::Measured)->pluck('symbol')->all();
        $time = $rows->columns->first(static fn (Column $c): bool => $c->kind === ColumnKind::Time)?->symbol;
        $againstTime = $rows->figures->filter(static fn (Figure $f): bool => $f->options['x'] === $time);
        foreach ($measured === null ? [] : $againstTime as $figure) {
            if (count($figure->options['panels']) < self::MOST_PANELS) {
                $draft->update($figure, ['options' => ['panels' => [...$figure->options['panels'], ['y' => [$measured]]]] + $figure->options]);
            }
        }
        $x = $againstTime->isEmpty() ? $time ?? ($rows->figures->isEmpty() ? $rows->stepColumn()?->symbol : null) : null;
        if ($x !== null && $symbols !== []) {
            $panels = array_map(static fn (string $y): array => ['y' => [$y]], array_slice($symbols, 0, $time === null ? 1 : self::MOST_PANELS));
            $draft->create(Figure::class, ['experiment_id' => $experiment->id, 'title' => '', 'options' => ['x' => $x, 'panels' => array_values($panels)], 'position' => 1 + (int) $rows->figures->max('position')]);
        }
    }
}

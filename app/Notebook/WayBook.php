<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Column;
use App\Models\Entry;
use App\Models\Experiment;
use App\Models\Figure;
use App\Models\Line;
use App\Models\Run;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\Straightened;
use Welkion\Core\Notebook\Symbols;
use Welkion\Core\Straighten\Way;
use Welkion\Core\Uncertainty\Measured;

/** Takes a way to plot two columns straight into the working: columns by formula, a figure of them, and the line, in one change. */
final readonly class WayBook
{
    public function __construct(private Journal $journal)
    {
    }

    /** @param  bool  $hasLine  whether a line of working is made, too */
    public function take(Run $run, string $x, string $y, Relation $relation, bool $hasLine, Sender $sender): void
    {
        $experiment = $run->experiment;
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $run, $x, $y, $relation, $hasLine): string {
            $worked = ExperimentWork::of(NotebookRows::of($experiment))->worked;
            $isOfRuns = $worked->notebook->areOfRuns($x, $y);
            $way = Straightened::of($worked, $run->id, $x, $y)->way($relation);
            $limit = $way->limit === null ? '' : self::limit($draft, $experiment, $y, $way->limit);
            $named = static fn (string $text): string => str_replace(Way::LIMIT, $limit, $text);
            $uses = ['x' => self::column($draft, $experiment, $x, $way->xFormula, $way->xName(), $isOfRuns), 'y' => self::column($draft, $experiment, $y, $named($way->yFormula), $named($way->yName()), $isOfRuns)];
            $draft->create(Figure::class, [
                'experiment_id' => $experiment->id, 'title' => '', 'options' => ['x' => $uses['x'], 'panels' => [['y' => [$uses['y']]]], 'points' => 'apart', 'bars' => $isOfRuns],
                'position' => 1 + (int) Figure::query()->where('experiment_id', $experiment->id)->max('position'),
            ]);
            $isThroughOrigin = $relation === Relation::Proportional;
            $hasLine && LineBook::made($draft, $experiment, [
                'symbol' => null, 'title' => "Slope of {$way->title()}", 'method' => $isThroughOrigin ? 'relation' : 'slope', 'is_per_run' => ! $isOfRuns,
            ], ['uses' => $uses] + ($isThroughOrigin ? ['texts' => ['relation' => $relation->value]] : []));

            return "Took {$way->title()} into the working";
        });
    }

    /** @return string symbol of a column with these cells, of the rows or of the runs: the one there is, or a new one */
    private static function column(Draft $draft, Experiment $experiment, string $of, string $formula, string $name, bool $isOfRuns): string
    {
        if ($formula === $of) {
            return $of;
        }
        $rows = NotebookRows::of($experiment);
        $plain = static fn (string $text): string => str_replace(' ', '', $text);
        $there = $isOfRuns ? $rows->lines->first(static fn (Line $l): bool => $l->is_per_run && $l->method === 'formula' && $plain($l->options['texts']['formula'] ?? '') === $plain($formula))
            : $rows->columns->first(static fn (Column $c): bool => $c->formula !== null && $plain($c->formula) === $plain($formula));
        if ($there !== null) {
            return $there->symbol;
        }
        $kind = match (true) {
            str_starts_with($formula, 'ln(') => 'ln',
            str_starts_with($formula, 'sqrt(') => 'root',
            str_starts_with($formula, '1/') => str_ends_with($formula, '^2') ? 'invsq' : 'inv',
            default => 'sq',
        };

        $symbol = self::free($rows, str_replace('.', '_', "{$kind}_{$of}"));
        if ($isOfRuns) {
            return LineBook::made($draft, $experiment, ['symbol' => $symbol, 'title' => $name, 'method' => 'formula', 'is_per_run' => true], ['texts' => ['formula' => Formula::parse($formula)->text]])->symbol;
        }

        return ColumnBook::made($draft, $rows, [
            'symbol' => $symbol, 'name' => $name, 'kind' => ColumnKind::Derived->value, 'formula' => Formula::parse($formula)->text, 'unit' => '',
        ])->symbol;
    }

    /** @return string symbol of the entry that holds what y goes to */
    private static function limit(Draft $draft, Experiment $experiment, string $y, Measured $limit): string
    {
        $rows = NotebookRows::of($experiment);

        return $draft->create(Entry::class, [
            'experiment_id' => $experiment->id, 'symbol' => self::free($rows, "{$y}_end"), 'name' => "What {$y} goes to", 'unit' => $limit->unit->symbol, 'is_per_run' => false, 'is_words' => false,
            'value' => $limit->value, 'uncertainty' => $limit->uncertainty, 'position' => 1 + (int) $rows->entries->max('position'),
        ])->symbol;
    }

    private static function free(NotebookRows $rows, string $like): string
    {
        $taken = $rows->symbols();
        $stem = mb_substr($like, 0, Symbols::LONGEST - 2);
        for ($i = 2, $symbol = $stem; in_array($symbol, $taken, true); $i++) {
            $symbol = "{$stem}{$i}";
        }

        return $symbol;
    }
}

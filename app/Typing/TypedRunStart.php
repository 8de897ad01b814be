<?php

declare(strict_types=1);

namespace App\Typing;

use App\Models\Column;
use App\Models\Experiment;
use App\Models\Figure;
use App\Models\Run;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Sender;
use App\Recording\RunStart;
use Illuminate\Support\Collection;
use Welkion\Core\Notebook\ColumnKind;

/** Begins runs whose rows are typed, pasted or read from a file: they need no bench, and nothing is waited for. */
final readonly class TypedRunStart
{
    /** What a notebook without columns begins with, so that numbers can be typed at once and named afterwards: the first two that are free. */
    private const FIRST_COLUMNS = ['x', 'y', 'a', 'b'];

    public function __construct(private Journal $journal)
    {
    }

    /** @param  array<string, mixed>  $described  name, condition, trial */
    public function start(Experiment $experiment, array $described, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $described, $sender): string {
            $run = self::add($draft, $experiment, $described, $sender->key);
            $columns = $experiment->columns()->get();
            self::requireFigure($draft, $experiment, $columns->isEmpty() ? self::firstColumns($draft, $experiment) : $columns);

            return "Began {$run->title()}, to be typed";
        });
    }

    /**
     * @param  array<string, mixed>  $described  name, condition, trial
     * @param  string|null  $key  of the request, of the first run it makes
     */
    public static function add(Draft $draft, Experiment $experiment, array $described, ?string $key): Run
    {
        $run = Run::query()->create([
            'experiment_id' => $experiment->id, 'request_key' => $key, 'kind' => Run::TYPED, 'state' => Run::FINISHED, 'row_order' => [], 'started_at' => now(), 'finished_at' => now(),
        ] + $described + RunStart::numbered($experiment))->refresh();
        $draft->recorded($run, ['thrown_away_at' => now()->format('Y-m-d H:i:s.v')], ['thrown_away_at' => null]);

        return $run;
    }

    /**
     * The first two columns of numbers are drawn, the second against the first, where nothing is drawn yet.
     *
     * @param  Collection<int, Column>  $columns
     */
    public static function requireFigure(Draft $draft, Experiment $experiment, Collection $columns): void
    {
        $numbers = array_values($columns->reject(static fn (Column $c): bool => $c->is_words || $c->kind === ColumnKind::Derived)->all());
        if (count($numbers) > 1 && ! $experiment->figures()->exists()) {
            $draft->create(Figure::class, ['experiment_id' => $experiment->id, 'title' => '', 'position' => 1, 'options' => ['x' => $numbers[0]->symbol, 'panels' => [['y' => [$numbers[1]->symbol]]]]]);
        }
    }

    /** @return Collection<int, Column> */
    private static function firstColumns(Draft $draft, Experiment $experiment): Collection
    {
        $taken = [...$experiment->entries()->pluck('symbol')->all(), ...$experiment->lines()->pluck('symbol')->all()];
        $made = new Collection;
        foreach (array_slice(array_values(array_diff(self::FIRST_COLUMNS, $taken)), 0, 2) as $i => $symbol) {
            $made->push($draft->create(Column::class, ['experiment_id' => $experiment->id, 'symbol' => $symbol, 'name' => $symbol, 'unit' => '', 'kind' => ColumnKind::Typed, 'position' => $i + 1]));
        }

        return $made;
    }
}

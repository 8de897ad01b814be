<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Experiment;
use App\Models\Figure;

/** Adds, changes and removes figures. */
final readonly class FigureBook
{
    public const MOST_PANELS = 3;

    public function __construct(private Journal $journal)
    {
    }

    /** @param  array{x?: string, panels?: list<array{y: list<string>}>}  $options  both, as the request was asked for */
    public function add(Experiment $experiment, string $title, array $options, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $title, $options): string {
            self::requireKnown($experiment, $options);
            $draft->create(Figure::class, [
                'experiment_id' => $experiment->id, 'title' => $title, 'options' => $options,
                'position' => 1 + (int) Figure::query()->where('experiment_id', $experiment->id)->max('position'),
            ]);

            return 'Added a figure';
        });
    }

    /** @param  array{x?: string, panels?: list<array{y: list<string>}>}  $options  what is left out stays */
    public function change(Experiment $experiment, Figure $figure, ?string $title, array $options, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $figure, $title, $options): string {
            self::requireKnown($experiment, $options);
            $figure->refresh();
            $draft->update($figure, ($title === null ? [] : ['title' => $title]) + ($options === [] ? [] : ['options' => $options + $figure->options]));

            return 'Changed a figure';
        });
    }

    public function remove(Experiment $experiment, Figure $figure, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($figure): string {
            $draft->delete($figure);

            return 'Removed a figure';
        });
    }

    /** @param  array{x?: string, panels?: list<array{y: list<string>}>}  $options */
    private static function requireKnown(Experiment $experiment, array $options): void
    {
        $symbols = $experiment->columns()->pluck('symbol')->all();
        foreach ([...(array) ($options['x'] ?? []), ...array_merge([], ...array_map(static fn (array $p): array => $p['y'], $options['panels'] ?? []))] as $symbol) {
            if (! in_array($symbol, $symbols, true)) {
                throw Refusal::badFormula("\"{$symbol}\" is no column here.");
            }
        }
    }
}

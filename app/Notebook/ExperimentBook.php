<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Bench;
use App\Models\Experiment;
use App\Storage\OneMoment;
use Welkion\Core\Notebook\Board;

/** What is changed of an experiment as a whole. */
final readonly class ExperimentBook
{
    public function __construct(private Journal $journal)
    {
    }

    /** @param  array{title?: string, aim?: string|null, conclusion?: string|null, bench_id?: int|null, beside_id?: int|null}  $attributes */
    public function change(Experiment $experiment, array $attributes, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $attributes): string {
            $draft->update($experiment, $attributes);
            if ($experiment->beside_id !== null && $experiment->beside_id === $experiment->bench_id) {
                // Chosen as the first bench, the second one leaves its place; as the second, the first cannot be.
                isset($attributes['beside_id']) && throw Refusal::besideItself(self::named($experiment->bench_id));
                $draft->update($experiment, ['beside_id' => null]);
            }

            return match (array_key_first($attributes)) {
                'title' => 'Named it “'.($attributes['title'] ?? '').'”',
                'aim' => 'Wrote the aim',
                'conclusion' => 'Wrote the conclusion',
                'beside_id' => isset($attributes['beside_id']) ? 'Put the bench '.self::named($attributes['beside_id']).' beside' : 'Records at one bench',
                default => 'Chose the bench '.self::named($attributes['bench_id'] ?? 0),
            };
        });
    }

    private static function named(int $bench): string
    {
        return Bench::query()->find($bench)->name ?? 'none';
    }

    /** Arranges its board in another way. */
    public function changeBoard(Experiment $experiment, Board $board, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $board): string {
            $unknown = array_diff($board->columns(), $experiment->columns()->pluck('symbol')->all());
            if ($unknown !== []) {
                throw Refusal::badFormula('"'.reset($unknown).'" is no column here, so the board cannot show it.');
            }
            $draft->update($experiment, ['plan' => ['board' => $board->toArray()] + $experiment->plan]);

            return 'Arranged the board';
        });
    }

    /** It is out of the way, and can be brought back. */
    public function throwAway(Experiment $experiment): void
    {
        $experiment->update(['thrown_away_at' => now()]);
    }

    public function bringBack(Experiment $experiment): void
    {
        $experiment->update(['thrown_away_at' => null]);
    }

    /**
     * A copy with all that was planned and typed, and with the runs if wished.
     *
     * @param  string  $key  the same key again gives the same copy
     */
    public function copy(Experiment $experiment, string $key, bool $withRuns): Experiment
    {
        return app(OneMoment::class)->of(static function () use ($experiment, $key, $withRuns): Experiment {
            $experiment->newQuery()->whereKey($experiment->id)->lockForUpdate()->first();
            $made = Experiment::query()->where('user_id', $experiment->user_id)->where('request_key', $key)->get()->first();

            return $made ?? (new ExperimentCopy($experiment))->made($key, $withRuns);
        });
    }
}

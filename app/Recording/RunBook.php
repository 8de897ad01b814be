<?php

declare(strict_types=1);

namespace App\Recording;

use App\Exceptions\Refusal;
use App\Models\Bench;
use App\Models\Column;
use App\Models\Experiment;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunChannel;
use App\Notebook\Draft;
use App\Notebook\FirstFigure;
use App\Notebook\Journal;
use App\Notebook\NotebookRows;
use App\Notebook\RunRows;
use App\Notebook\Sender;
use App\Recorder\RecorderClient;
use App\Samples\StoredSamples;
use Illuminate\Support\Facades\DB;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\StepLimits;
use Welkion\Core\Notebook\StepPlan;
use Welkion\Core\Notebook\TimedPlan;
use Welkion\Core\Units\Unit;

/** Finishes runs, goes on with them, and changes what is planned of them. */
final readonly class RunBook
{
    public function __construct(private RecorderClient $recorder, private Journal $journal)
    {
    }

    public function finish(Run $run, Sender $sender): void
    {
        $now = $run->isTimed() && $run->bench !== null ? $this->recorder->moment($run->bench) : null;
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run, $now): string {
            $run->refresh()->load('channels');
            if ($run->isWaiting()) {
                $draft->update($run, ['thrown_away_at' => now()]);

                return "Gave up waiting in {$run->title()}";
            }
            $ends = $run->isTimed() && $run->isOpen() ? ['ended_s' => self::reached($run, $now), 'ended_by' => Run::BY_HAND] : [];
            $draft->update($run, ['state' => Run::FINISHED, 'finished_at' => $run->isOpen() ? now() : $run->finished_at ?? now()] + $ends);

            return "Finished {$run->title()}";
        });
    }

    /**
     * A timed run goes on, in the same run; without a gap if that is asked within a minute of its end.
     *
     * @param  float|null  $more  s; null: until it is stopped
     */
    public function goOn(Run $run, ?float $more, Sender $sender): void
    {
        $run->isTimed() || throw Refusal::notTimed();
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run, $more): string {
            $run->refresh()->load('channels');
            $this->requireFree($run->benches(), $run);
            if ($run->isWaiting()) {
                throw Refusal::hasNotBegun();
            }
            $reached = $run->ended_s ?? $run->timedPlan()->length ?? 0.0;
            $draft->update($run, [
                'plan' => $run->timedPlan()->goingOn($reached, $more)->toArray(), 'state' => Run::OPEN, 'finished_at' => null, 'ended_s' => null, 'ended_by' => null,
            ]);

            return "Went on with {$run->title()}";
        });
    }

    /** Puts it before another, or at the end. Only its own place is written: between those of its new neighbours. */
    public function move(Run $run, ?Run $before, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, static function (Draft $draft) use ($run, $before): string {
            $others = array_values(array_filter($run->experiment->runs()->get()->all(), static fn (Run $r): bool => $r->id !== $run->id));
            $at = $before === null ? count($others) : (int) array_search($before->id, array_column($others, 'id'), true);
            $left = $at === 0 ? null : $others[$at - 1]->place();
            $right = isset($others[$at]) ? $others[$at]->place() : null;
            $place = match (true) {
                $left === null && $right === null => (float) $run->number,
                $left === null => $right - 1.0,
                // The next run, whose number comes after all, stands behind it.
                $right === null => ($left + 1.0 + max($run->number, ...array_column($others, 'number'))) / 2.0,
                default => ($left + $right) / 2.0,
            };
            $draft->update($run, ['place' => $place]);

            return $right === null ? "Put {$run->title()} last" : "Put {$run->title()} before {$others[$at]->title()}";
        });
    }

    /** How far a timed run has come, in s after it began; where the recorder cannot say, as far as is stored. */
    private static function reached(Run $run, ?float $now): float
    {
        $length = $run->timedPlan()->length ?? INF;
        if ($now !== null) {
            return round(max(0.0, min($now - (float) $run->zeroTime(), $length)), 6);
        }
        $stored = $run->channels->filter(static fn (RunChannel $c): bool => $c->zero_time !== null)
            ->map(static fn (RunChannel $c): float => (StoredSamples::of($c, DB::connection())->extent()[1] ?? -INF) - (float) $c->zero_time)->max();

        return round(max(0.0, min((float) $stored, $length)), 6);
    }

    /** A finished run goes on: finishing by a slip of the finger costs nothing. */
    public function reopen(Run $run, Sender $sender): void
    {
        $run->isTyped() && throw Refusal::notRecorded();
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run): string {
            $this->requireFree($run->benches(), $run);
            $draft->update($run->refresh(), ['state' => Run::OPEN, 'finished_at' => null, 'ended_s' => null, 'ended_by' => null]);

            return "Went on with {$run->title()}";
        });
    }

    /** @param  array<string, mixed>  $attributes  name, condition, trial; aside: why it does not count among the runs */
    public function describe(Run $run, array $attributes, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run, $attributes): string {
            $draft->update($run->refresh(), $attributes);

            return match (true) {
                ! array_key_exists('aside', $attributes) => "Described {$run->title()}",
                $run->aside === null => "{$run->title()} counts among the runs again",
                default => "Set {$run->title()} aside: {$run->aside}",
            };
        });
    }

    public function throwAway(Run $run, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run): string {
            $draft->update($run->refresh(), ['thrown_away_at' => now()]);

            return "Threw {$run->title()} away";
        });
    }

    /** Of this run, and of the next one: it begins with what was learned in this one. */
    public function changePlan(Run $run, StepPlan|TimedPlan $plan, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run, $plan): string {
            self::requireOpen($run->refresh()->load('channels'));
            if ($run->isTimed() !== $plan instanceof TimedPlan || ($run->isTimed() && ! $run->isWaiting())) {
                throw Refusal::runBegan();
            }
            $draft->update($run, ['plan' => $plan->toArray()]);
            self::planNext($draft, $plan);

            return "Changed the plan of {$run->title()}";
        });
    }

    public function changeNextPlan(Experiment $experiment, StepPlan|TimedPlan $plan, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($plan): string {
            self::planNext($draft, $plan);

            return 'Changed the plan';
        });
    }

    /** Runs are timed from now on, or stepwise again; a timed one needs a column for the time. */
    public function changeKind(Experiment $experiment, string $kind, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $kind): string {
            $rows = NotebookRows::of($experiment);
            if ($kind === Run::TIMED && ! $rows->columns->contains(static fn (Column $c): bool => $c->kind === ColumnKind::Time)) {
                $free = array_values(array_diff(['t', 'time', 't_s', 'seconds'], $rows->symbols()))[0] ?? 't_run';
                $draft->create(Column::class, [
                    'experiment_id' => $experiment->id, 'position' => max(0, (int) $rows->columns->min('position') - 1), 'symbol' => $free, 'name' => 'Time', 'unit' => 's', 'kind' => ColumnKind::Time,
                ]);
            }
            $kind === Run::TIMED && FirstFigure::require($draft, $experiment);
            $draft->update($experiment, ['plan' => ['run' => ['kind' => $kind]] + $experiment->plan]);

            return $kind === Run::TIMED ? 'Runs are timed from now on' : 'Runs are stepwise from now on';
        });
    }

    public static function limits(Experiment $experiment): StepLimits
    {
        $step = $experiment->columns->first(static fn (Column $c): bool => $c->kind === ColumnKind::Step);

        return $step instanceof Column ? $step->stepLimits() : new StepLimits(Unit::one());
    }

    public static function planOf(Run $run): StepPlan
    {
        return StepPlan::fromArray($run->plan ?? ['steps' => []], self::limits($run->experiment));
    }

    /** @return list<float|string> the steps of an open run's plan that have no reading yet */
    public static function remaining(Run $run, RunRows $rows): array
    {
        if (! $run->isOpen() || $run->isTimed()) {
            return [];
        }
        $taken = array_map(static fn (Reading $r): float|string|null => $r->stepValue(), $rows->readings);
        try {
            return self::planOf($run)->remaining(array_values(array_filter($taken, static fn (float|string|null $s): bool => $s !== null)));
        } catch (CoreException) {
            // Stored under an older rule: what is taken stays, and the steps are typed.
            return [];
        }
    }

    /** @throws Refusal If it is finished. */
    public static function requireOpen(Run $run): void
    {
        if (Run::query()->whereKey($run->id)->value('state') !== Run::OPEN) {
            throw Refusal::runFinished();
        }
    }

    private static function planNext(Draft $draft, StepPlan|TimedPlan $plan): void
    {
        $settings = is_array($draft->experiment->plan['run'] ?? null) ? $draft->experiment->plan['run'] : [];
        $draft->update($draft->experiment, ['plan' => ['run' => ['plan' => $plan->toArray()] + $settings] + $draft->experiment->plan]);
    }

    /**
     * Two screens that start at the same moment queue here; the second finds the run of the first.
     *
     * @param  list<Bench>  $benches
     *
     * @throws Refusal If one of them feeds another run.
     */
    public function requireFree(array $benches, ?Run $except): void
    {
        $ids = array_column($benches, 'id');
        sort($ids);
        foreach ($ids as $id) {
            Bench::query()->whereKey($id)->lockForUpdate()->first();
            $open = Run::openAt($id)->with('experiment')->when($except !== null, static fn ($query) => $query->whereKeyNot($except?->id))->first();
            $open === null || throw Refusal::benchBusy($open->experiment->title);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Recording;

use App\Exceptions\Refusal;
use App\Models\Bench;
use App\Models\Column;
use App\Models\Experiment;
use App\Models\Reading;
use App\Models\Run;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Roles;
use App\Notebook\RunRows;
use App\Notebook\Sender;
use App\Recorder\RecorderClient;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\StepLimits;
use Welkion\Core\Notebook\StepPlan;
use Welkion\Core\Units\Unit;

/** Starts and finishes runs, and changes what is planned of them. */
final readonly class RunBook
{
    public function __construct(private RecorderClient $recorder, private Journal $journal)
    {
    }

    /**
     * @param  Bench|null  $bench  where; null: where the experiment records
     *
     * @throws Refusal If there is no bench, nothing to measure, or another run is open.
     */
    public function start(Experiment $experiment, ?Bench $bench, Sender $sender): Run
    {
        $bench ??= $experiment->bench ?? throw Refusal::noBench();
        $this->journal->change($experiment, $sender, function (Draft $draft) use ($experiment, $bench, $sender): string {
            $this->requireFreeBench($bench, null);
            if (! $experiment->columns()->where('kind', ColumnKind::Measured)->exists()) {
                throw Refusal::nothingMeasured();
            }
            $probes = Roles::assigned($experiment, $bench);
            $settings = is_array($experiment->plan['run'] ?? null) ? $experiment->plan['run'] : [];
            $run = Run::query()->create([
                'experiment_id' => $experiment->id, 'bench_id' => $bench->id, 'request_key' => $sender->key, 'kind' => Run::STEPWISE,
                'number' => 1 + (int) Run::query()->where('experiment_id', $experiment->id)->max('number'),
                'state' => Run::OPEN, 'plan' => $settings['plan'] ?? null, 'started_at' => now(), 'looked_at' => now(),
            ])->refresh();
            foreach ($probes as [$probe, $role]) {
                $run->channels()->create(['probe_id' => $probe->id, 'calibration_id' => $probe->calibration?->id, 'zero_id' => $probe->zero()?->id, 'role' => $role]);
            }
            $draft->recorded($run, ['thrown_away_at' => now()->format('Y-m-d H:i:s.v')], ['thrown_away_at' => null]);
            $draft->update($experiment, ['bench_id' => $bench->id]);

            return "Started {$run->title()} at {$bench->name}";
        });
        $this->recorder->restartWindows($bench);

        return Run::query()->where('experiment_id', $experiment->id)->where('request_key', $sender->key)->firstOrFail();
    }

    public function finish(Run $run, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run): string {
            $draft->update($run->refresh(), ['state' => Run::FINISHED, 'finished_at' => $run->finished_at ?? now()]);

            return "Finished {$run->title()}";
        });
    }

    /** A finished run goes on: finishing by a slip of the finger costs nothing. */
    public function reopen(Run $run, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run): string {
            $run->bench !== null && $this->requireFreeBench($run->bench, $run);
            $draft->update($run->refresh(), ['state' => Run::OPEN, 'finished_at' => null]);

            return "Went on with {$run->title()}";
        });
    }

    /** @param  array<string, mixed>  $attributes  name, condition, trial */
    public function describe(Run $run, array $attributes, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run, $attributes): string {
            $draft->update($run->refresh(), $attributes);

            return "Described {$run->title()}";
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
    public function changePlan(Run $run, StepPlan $plan, Sender $sender): void
    {
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run, $plan): string {
            self::requireOpen($run->refresh());
            $draft->update($run, ['plan' => $plan->toArray()]);
            self::planNext($draft, $plan);

            return "Changed the plan of {$run->title()}";
        });
    }

    public function changeNextPlan(Experiment $experiment, StepPlan $plan, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($plan): string {
            self::planNext($draft, $plan);

            return 'Changed the plan';
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
        if (! $run->isOpen()) {
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

    private static function planNext(Draft $draft, StepPlan $plan): void
    {
        $settings = is_array($draft->experiment->plan['run'] ?? null) ? $draft->experiment->plan['run'] : [];
        $draft->update($draft->experiment, ['plan' => ['run' => ['plan' => $plan->toArray()] + $settings] + $draft->experiment->plan]);
    }

    /** Two screens that start at the same moment queue here; the second finds the run of the first. */
    private function requireFreeBench(Bench $bench, ?Run $except): void
    {
        $bench->newQuery()->whereKey($bench->id)->lockForUpdate()->first();
        $open = $bench->openRuns()->with('experiment')->when($except !== null, static fn ($query) => $query->whereKeyNot($except?->id))->get()->first();
        if ($open !== null) {
            throw Refusal::benchBusy($open->experiment->title);
        }
    }
}

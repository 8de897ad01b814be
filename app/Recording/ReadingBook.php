<?php

declare(strict_types=1);

namespace App\Recording;

use App\Calibration\SteadyRule;
use App\Exceptions\Refusal;
use App\Models\Bench;
use App\Models\Cell;
use App\Models\Column;
use App\Models\Probe;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunChannel;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Sender;
use App\Recorder\RecorderClient;
use App\Recorder\Snapshot;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\StepLimits;
use Welkion\Core\Notebook\StepPlan;

/** Takes the readings of stepwise runs. A reading is in MariaDB before this returns. */
final readonly class ReadingBook
{
    public function __construct(private RecorderClient $recorder, private Journal $journal)
    {
    }

    /**
     * @param  float|string|null  $step  what the run is set to
     * @param  Reading|null  $replaces  the reading this one takes the place of
     * @param  Sender  $sender  the same key again takes none
     *
     * @throws Refusal If the run is finished, the step is taken, or a probe is elsewhere or not steady.
     */
    public function take(Run $run, float|string|null $step, ?Reading $replaces, bool $takeAnyway, Sender $sender): void
    {
        if ($this->isTakenWith($run, $sender->key)) {
            return;
        }
        try {
            $this->takeFirst($run, $step, $replaces, $takeAnyway, $sender);
        } catch (Refusal $refusal) {
            // The same request a moment earlier may have taken it meanwhile, and that is no reason to refuse it.
            $this->isTakenWith($run, $sender->key) || throw $refusal;
        }
    }

    private function takeFirst(Run $run, float|string|null $step, ?Reading $replaces, bool $takeAnyway, Sender $sender): void
    {
        RunBook::requireOpen($run);
        $this->requireFree($run, $step, $replaces);
        $bench = $run->bench ?? throw Refusal::noBench();
        $beside = $run->beside;
        $channels = array_values($run->channels()->with('probe.bench')->get()->all());
        $watched = $this->watched($run, $channels);
        foreach ($watched as $channel) {
            self::requireAtBench($channel->probe, $channel->is_beside && $beside !== null ? $beside : $bench);
        }
        $snapshot = $this->recorder->snapshot($bench);
        $snapshot = $beside === null ? $snapshot : $snapshot->and($this->recorder->snapshot($beside));
        foreach ($watched as $channel) {
            SteadyRule::require($snapshot->of($channel->probe_id), $channel->probe, $takeAnyway);
        }
        $this->journal->change($run->experiment, $sender, function (Draft $draft) use ($run, $step, $replaces, $channels, $watched, $snapshot): string {
            $this->requireFree($run, $step, $replaces);
            $this->store($draft, $run, $step, $replaces, $channels, $watched, $snapshot);

            return 'Took a reading'.($step === null ? '' : ' at '.self::shown($step, RunBook::limits($run->experiment)))." in {$run->title()}";
        });
        array_map($this->recorder->restartWindows(...), $run->benches());
        $run->seen();
    }

    public function delete(Reading $reading, Sender $sender): void
    {
        $this->journal->change($reading->run->experiment, $sender, static function (Draft $draft) use ($reading): string {
            $draft->update($reading->refresh(), ['deleted_at' => $reading->deleted_at ?? now()]);
            $step = $reading->stepValue();

            return 'Deleted a reading'.($step === null ? '' : ' at '.self::shown($step, RunBook::limits($reading->run->experiment)))." of {$reading->run->title()}";
        });
    }

    public static function shown(float|string $step, StepLimits $limits): string
    {
        return is_string($step) ? "\"{$step}\"" : trim(number_format($step, $limits->decimals, '.', '').' '.$limits->unit->symbol);
    }

    private function isTakenWith(Run $run, string $key): bool
    {
        return Reading::query()->where('run_id', $run->id)->where('request_key', $key)->get()->isNotEmpty();
    }

    /**
     * @param  list<RunChannel>  $channels
     * @param  list<RunChannel>  $watched
     */
    private function store(Draft $draft, Run $run, float|string|null $step, ?Reading $replaces, array $channels, array $watched, Snapshot $snapshot): void
    {
        $means = array_map(static fn (RunChannel $c) => $snapshot->of($c->probe_id), $watched);
        $reading = Reading::query()->create([
            'run_id' => $run->id, 'row' => 1 + (int) Reading::query()->where('run_id', $run->id)->max('row'), 'request_key' => $draft->sender->key,
            'step' => is_float($step) ? $step : null, 'step_words' => is_string($step) ? $step : null,
            'taken_at' => $means === [] ? null : $means[0]->time, 'was_steady' => array_filter($means, static fn ($m): bool => ! $m->isSteady) === [],
        ])->refresh();
        $cells = [];
        foreach ($channels as $channel) {
            $mean = $snapshot->maybe($channel->probe_id);
            if ($mean !== null) {
                $cells[] = ['reading_id' => $reading->id, 'run_channel_id' => $channel->id, 'mean' => $mean->mean, 'scatter' => $mean->scatter, 'sample_count' => $mean->count];
            }
        }
        Cell::query()->insert($cells);
        $draft->recorded($reading, ['deleted_at' => now()->format('Y-m-d H:i:s.v')], ['deleted_at' => null]);
        if ($replaces !== null) {
            $draft->update($replaces->refresh(), ['replaced_by_id' => $reading->id]);
        }
    }

    /**
     * The channels a reading waits for: those of columns that are to be steady, or all that have a role.
     *
     * @param  list<RunChannel>  $channels
     * @return list<RunChannel>
     */
    private function watched(Run $run, array $channels): array
    {
        $measured = $run->experiment->columns->filter(static fn (Column $c): bool => $c->kind === ColumnKind::Measured);
        $steady = $measured->filter(static fn (Column $c): bool => $c->is_steady);
        $roles = ($steady->isEmpty() ? $measured : $steady)->pluck('role')->unique()->all();

        return array_values(array_filter($channels, static fn (RunChannel $c): bool => $c->role !== null && in_array($c->role, $roles, true)));
    }

    private static function requireAtBench(Probe $probe, Bench $bench): void
    {
        if ($probe->bench_id !== $bench->id) {
            throw Refusal::elsewhere($probe->title, $probe->serial, $probe->bench->name, $bench->name);
        }
        if (! $probe->is_present) {
            throw Refusal::unplugged($probe->title);
        }
    }

    private function requireFree(Run $run, float|string|null $step, ?Reading $except): void
    {
        if ($step === null) {
            return;
        }
        $limits = RunBook::limits($run->experiment);
        $taken = $run->readings()->get()->filter(static fn (Reading $r): bool => $r->id !== $except?->id)->map(static fn (Reading $r): float|string|null => $r->stepValue())->all();
        foreach ($taken as $other) {
            if ($other !== null && StepPlan::isSame($step, $other, $limits)) {
                throw Refusal::stepTaken(self::shown($step, $limits));
            }
        }
        $direction = RunBook::planOf($run)->direction();
        $numbers = array_values(array_filter($taken, is_float(...)));
        if ($except === null && is_float($step) && $direction !== 0 && $numbers !== []) {
            $reached = $direction > 0 ? max($numbers) : min($numbers);
            if (($step - $reached) * $direction < 0.0) {
                throw Refusal::stepBackwards(self::shown($step, $limits), self::shown($reached, $limits));
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Titration;

use App\Calibration\SteadyRule;
use App\Exceptions\Refusal;
use App\Live\ChangeNotice;
use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunChannel;
use App\Recorder\BenchRefused;
use App\Recorder\RecorderClient;
use App\Recorder\Snapshot;
use Illuminate\Support\Facades\DB;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Titration\VolumePlan;

/** Starts and finishes stepwise runs and takes their readings. A reading is in MariaDB before this returns. */
final readonly class RunBook
{
    public function __construct(private RecorderClient $recorder, private ChangeNotice $notice)
    {
    }

    public function start(Experiment $experiment): Run
    {
        $bench = $experiment->bench;
        $run = DB::transaction(function () use ($experiment, $bench): Run {
            $this->requireFreeBench($bench);
            $this->requireElectrode($bench);
            $run = $experiment->runs()->create([
                'number' => 1 + (int) $experiment->runs()->max('number'),
                'state' => Run::OPEN, 'plan' => $experiment->plan, 'started_at' => now(),
            ]);
            foreach ($bench->probes()->where('is_present', true)->with('calibration', 'lastZero')->get() as $probe) {
                $run->channels()->create([
                    'probe_id' => $probe->id, 'calibration_id' => $probe->calibration?->id, 'zero_id' => $probe->zero()?->id,
                ]);
            }

            return $run;
        });
        $this->recorder->reload($bench);
        $this->recorder->restartWindows($bench);
        $this->notice->experimentChanged($experiment);

        return $run->refresh();
    }

    public function finish(Run $run): Run
    {
        $run->update(['state' => Run::FINISHED, 'finished_at' => $run->finished_at ?? now()]);
        $this->recorder->reload($run->experiment->bench);
        $this->notice->experimentChanged($run->experiment_id);

        return $run;
    }

    /** A finished run goes on: finishing by a slip of the finger costs nothing. */
    public function reopen(Run $run): Run
    {
        if (! $run->refresh()->isOpen()) {
            DB::transaction(function () use ($run): void {
                $this->requireFreeBench($run->experiment->bench);
                $run->update(['state' => Run::OPEN, 'finished_at' => null]);
            });
            $this->recorder->reload($run->experiment->bench);
            $this->notice->experimentChanged($run->experiment_id);
        }

        return $run;
    }

    public function changePlan(Run $run, VolumePlan $plan): Run
    {
        $this->requireOpen($run);
        $run->update(['plan' => Run::rangesOf($plan)]);
        // The next run of this experiment begins with what was learned in this one.
        $run->experiment->update(['plan' => Run::rangesOf($plan)]);
        $this->notice->experimentChanged($run->experiment_id);

        return $run;
    }

    /**
     * @param  string  $key  made by the screen; the same key again gives the same reading
     * @param  int|null  $replaces  id of the reading this one takes the place of
     */
    public function takeReading(Run $run, string $key, float $volume, ?int $replaces, bool $takeAnyway): Reading
    {
        $taken = static fn (): ?Reading => Reading::withTrashed()->where('run_id', $run->id)->where('request_key', $key)->get()->first();
        try {
            return $taken() ?? $this->takeNew($run, $key, $volume, $replaces, $takeAnyway);
        } catch (Refusal|BenchRefused $refused) {
            // The same request may have come twice at the same moment: then the other one has just taken it.
            return $taken() ?? throw $refused;
        }
    }

    private function takeNew(Run $run, string $key, float $volume, ?int $replaces, bool $takeAnyway): Reading
    {
        $this->requireOpen($run);
        $this->requireFree($run, $volume, $replaces);
        $bench = $run->experiment->bench;
        $channels = $run->channels()->with('probe.bench')->get();
        $electrode = $channels->firstOrFail(static fn (RunChannel $c): bool => $c->probe->isPhElectrode());
        $this->requireAtBench($electrode->probe, $bench);
        $snapshot = $this->recorder->snapshot($bench);
        SteadyRule::require($snapshot->of($electrode->probe_id), $electrode->probe, $takeAnyway);

        $reading = DB::transaction(function () use ($run, $key, $volume, $replaces, $snapshot, $channels, $electrode): Reading {
            Run::query()->whereKey($run->id)->lockForUpdate()->first();
            $this->requireFree($run, $volume, $replaces);

            return $this->store($run, $key, $volume, $replaces, $snapshot, array_values($channels->all()), $electrode);
        });
        $this->recorder->restartWindows($bench);
        $this->notice->experimentChanged($run->experiment_id);

        return $reading;
    }

    /** @param  list<RunChannel>  $channels */
    private function store(
        Run $run,
        string $key,
        float $volume,
        ?int $replaces,
        Snapshot $snapshot,
        array $channels,
        RunChannel $electrode,
    ): Reading {
        $main = $snapshot->of($electrode->probe_id);
        $reading = Reading::query()->create([
            'run_id' => $run->id, 'request_key' => $key, 'volume' => $volume,
            'taken_at' => $main->time, 'was_steady' => $main->isSteady,
        ]);
        foreach ($channels as $channel) {
            $mean = $snapshot->maybe($channel->probe_id);
            if ($mean !== null) {
                $reading->values()->create([
                    'run_channel_id' => $channel->id, 'mean' => $mean->mean,
                    'scatter' => $mean->scatter, 'sample_count' => $mean->count,
                ]);
            }
        }
        if ($replaces !== null) {
            $run->readings()->whereKey($replaces)->update(['replaced_by_id' => $reading->id]);
        }

        return $reading;
    }

    public function setAside(Reading $reading, ?string $reason): Reading
    {
        $reading->update(['set_aside_reason' => $reason]);
        $this->notice->experimentChanged($reading->run->experiment_id);

        return $reading;
    }

    public function delete(Reading $reading): void
    {
        $reading->delete();
        $this->notice->experimentChanged($reading->run->experiment_id);
    }

    public function restore(Reading $reading): Reading
    {
        $this->requireFree($reading->run, $reading->volume, $reading->id, isRestored: true);
        $reading->restore();
        $this->notice->experimentChanged($reading->run->experiment_id);

        return $reading;
    }

    private function requireElectrode(Bench $bench): void
    {
        if (! $bench->probes()->where('is_present', true)->where('kind', ProbeKind::PhElectrode)->exists()) {
            throw Refusal::nothingToRecord($bench->name);
        }
    }

    private function requireAtBench(Probe $probe, Bench $bench): void
    {
        if ($probe->bench_id !== $bench->id) {
            throw Refusal::elsewhere($probe->title, $probe->serial, $probe->bench->name, $bench->name);
        }
        if (! $probe->is_present) {
            throw Refusal::unplugged($probe->title);
        }
    }

    /** Two screens that start at the same moment queue here; the second finds the run of the first. */
    private function requireFreeBench(Bench $bench): void
    {
        $bench->newQuery()->whereKey($bench->id)->lockForUpdate()->first();
        $open = Run::with('experiment')->where('state', Run::OPEN)
            ->whereIn('experiment_id', Experiment::query()->where('bench_id', $bench->id)->select('id'))->first();
        if ($open !== null) {
            throw Refusal::benchBusy($open->experiment->title);
        }
    }

    private function requireOpen(Run $run): void
    {
        if (! $run->refresh()->isOpen()) {
            throw Refusal::runFinished();
        }
    }

    private function requireFree(Run $run, float $volume, ?int $except, bool $isRestored = false): void
    {
        $readings = $run->readings()->when($except !== null, static fn ($query) => $query->whereKeyNot($except))->get();
        foreach ($readings as $other) {
            if (abs($other->volume - $volume) <= VolumePlan::SAME_ML) {
                throw Refusal::volumeTaken($volume);
            }
        }
        $reached = $readings->max('volume');
        if ($except === null && ! $isRestored && is_float($reached) && $volume < $reached) {
            throw Refusal::volumeBackwards($volume, $reached);
        }
    }
}

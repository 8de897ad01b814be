<?php

declare(strict_types=1);

namespace App\Recording;

use App\Exceptions\Refusal;
use App\Models\Bench;
use App\Models\Column;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Roles;
use App\Notebook\Sender;
use App\Recorder\RecorderClient;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\Fields;
use Welkion\Core\Notebook\TimedPlan;

/** Starts runs: stepwise or timed, as the experiment has it. */
final readonly class RunStart
{
    public function __construct(private RecorderClient $recorder, private Journal $journal, private RunBook $book)
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
        $beside = $experiment->beside?->id === $bench->id ? null : $experiment->beside;
        foreach (array_filter([$bench, $beside]) as $one) {
            $one->put_away_at === null || throw Refusal::benchAway($one->name);
        }
        $settings = new Fields(is_array($experiment->plan['run'] ?? null) ? $experiment->plan['run'] : []);
        $isTimed = $settings->text('kind') === Run::TIMED;
        // A run that waits must not take for its beginning what a device remembers from before.
        $armedAt = $isTimed ? $this->recorder->moment($bench) : null;
        if ($beside !== null && $beside->recorder !== $bench->recorder) {
            throw Refusal::twoRecorders($bench->name, $beside->name);
        }
        if ($isTimed && $beside !== null && $this->recorder->apart($bench, $beside) === null) {
            throw Refusal::clocksApart($bench->name, $beside->name);
        }
        $this->journal->change($experiment, $sender, function (Draft $draft) use ($experiment, $bench, $beside, $sender, $settings, $isTimed, $armedAt): string {
            $this->book->requireFree(array_filter([$bench, $beside]), null);
            if (! $experiment->columns()->where('kind', ColumnKind::Measured)->exists()) {
                throw Refusal::nothingMeasured();
            }
            $probes = Roles::assigned($experiment, $bench, $beside);
            $plan = $isTimed ? $this->timedPlan($experiment, $probes, $bench, $beside)->toArray() : $settings->all['plan'] ?? null;
            $run = Run::query()->create([
                'experiment_id' => $experiment->id, 'bench_id' => $bench->id, 'beside_id' => $beside?->id, 'request_key' => $sender->key, 'kind' => $isTimed ? Run::TIMED : Run::STEPWISE,
                'state' => Run::OPEN, 'plan' => $plan, 'armed_at' => $armedAt, 'started_at' => now(), 'looked_at' => now(),
            ] + self::numbered($experiment))->refresh();
            foreach ($probes as [$probe, $role]) {
                $run->channels()->create(['probe_id' => $probe->id, 'calibration_id' => $probe->calibration?->id, 'zero_id' => $probe->zero()?->id, 'role' => $role, 'is_beside' => $probe->bench_id !== $bench->id]);
            }
            $draft->recorded($run, ['thrown_away_at' => now()->format('Y-m-d H:i:s.v')], ['thrown_away_at' => null]);
            $draft->update($experiment, ['bench_id' => $bench->id]);

            return "Started {$run->title()} at {$bench->name}".($beside === null ? '' : " and {$beside->name}");
        });
        array_map($this->recorder->restartWindows(...), array_filter([$bench, $beside]));

        return Run::query()->where('experiment_id', $experiment->id)->where('request_key', $sender->key)->firstOrFail();
    }

    /** What is planned for the next timed run; how its probes are commonly recorded where nothing is. */
    public static function nextTimedPlan(Experiment $experiment): TimedPlan
    {
        $plan = $experiment->plan['run']['plan'] ?? null;

        return is_array($plan) && isset($plan['rate']) ? TimedPlan::fromArray($plan) : TimedPlan::fromArray(self::common($experiment));
    }

    /**
     * The number of the next run. A series goes on by itself: after "half strength, trial 2" comes trial 3.
     *
     * @return array{number: int, condition?: string, trial?: int}
     */
    public static function numbered(Experiment $experiment): array
    {
        $number = ['number' => self::nextNumber($experiment)];
        $last = Run::query()->where('experiment_id', $experiment->id)->where('thrown_away_at', null)->get()->sortByDesc('number')->first();

        return $last?->condition === null || $last->trial === null ? $number : $number + ['condition' => $last->condition, 'trial' => $last->trial + 1];
    }

    /** An empty run that was thrown away leaves its number to the next. */
    private static function nextNumber(Experiment $experiment): int
    {
        $last = 0;
        foreach (Run::query()->with('channels')->withCount('readings')->where('experiment_id', $experiment->id)->get() as $run) {
            $last = $run->thrown_away_at !== null && $run->isEmpty() ? $last : max($last, $run->number);
        }

        return $last + 1;
    }

    /**
     * @param  list<array{Probe, string|null}>  $probes
     *
     * @throws Refusal If it waits for what cannot be seen.
     */
    private function timedPlan(Experiment $experiment, array $probes, Bench $bench, ?Bench $beside): TimedPlan
    {
        $plan = self::nextTimedPlan($experiment);
        foreach ($plan->columns() as $symbol) {
            $column = $experiment->columns()->where('symbol', $symbol)->get()->first();
            if (! $column instanceof Column || $column->kind !== ColumnKind::Measured) {
                throw Refusal::cannotWaitFor($symbol);
            }
            $by = array_values(array_filter($probes, static fn (array $p): bool => $p[1] !== null && $p[1] === $column->role))[0][0] ?? throw Refusal::waitsForMissing($column->name);
            $by->bench_id === $bench->id || throw Refusal::waitsForBeside($column->name, $beside->name ?? '', $bench->name);
        }

        return $plan;
    }

    /** @return array<string, float> */
    private static function common(Experiment $experiment): array
    {
        $kinds = array_filter(array_map(static fn (Fields $r): ?ProbeKind => ProbeKind::tryFrom($r->text('kind')), Roles::of($experiment)));

        return $kinds === [] ? ['rate' => 2.0, 'length' => 600.0] : [
            'rate' => max(array_map(static fn (ProbeKind $k): float => $k->recordedHz(), $kinds)), 'length' => min(array_map(static fn (ProbeKind $k): float => $k->recordedS(), $kinds)),
        ];
    }
}

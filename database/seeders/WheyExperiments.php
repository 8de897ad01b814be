<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunChannel;
use App\Models\User;
use App\Notebook\ExperimentStart;
use App\Notebook\ProtocolLibrary;
use App\Recording\RunBook;
use Carbon\CarbonInterface;
use Illuminate\Support\Str;

/** The demo experiments; their runs are taken on a simulated bench of their own, by the same physics. */
final readonly class WheyExperiments
{
    public function __construct(
        private User $teacher,
        private Bench $bench,
        private Probe $electrode,
        private Probe $thermometer,
    ) {
    }

    public function cider(): void
    {
        $this->experiment(
            'Acid in the first-press cider', 'cider', 'malic acid', now()->subDays(3),
            'How much acid does the first press leave in the cider, before it ferments?',
            ['c' => [0.1, 0.0002], 'V0' => [null, 0.0], 'r' => [0.5, 0.0], 'M' => [134.09, 0.01]],
            [['from' => 0.0, 'to' => 25.0, 'step' => 1.0]],
        );
    }

    public function monday(): void
    {
        $monday = $this->whey('Monday’s whey, fresh from the vat', now()->subDay());
        $plan = [
            ['from' => 0.0, 'to' => 9.0, 'step' => 0.5], ['from' => 9.25, 'to' => 9.75, 'step' => 0.25],
            ['from' => 9.8, 'to' => 11.0, 'step' => 0.1], ['from' => 11.5, 'to' => 14.0, 'step' => 0.5],
            ['from' => 15.0, 'to' => 20.0, 'step' => 1.0],
        ];
        $run = $this->run($monday, 1, $plan, 7, now()->subDay());
        // The electrode leaned on the glass here: an honest slip, set aside with its reason.
        $slip = $run->readings()->where('step', 13.0)->firstOrFail();
        $slip->cells()->where('run_channel_id', $run->channels()->orderBy('id')->firstOrFail()->id)->increment('mean', 48.0);
        $run->setAsides()->create(['first_row' => $slip->row, 'last_row' => $slip->row, 'reason' => 'electrode touched the beaker']);
    }

    public function tuesday(): void
    {
        $tuesday = $this->whey('How sour is Tuesday’s whey?', now()->subHour());
        $this->run($tuesday, 1, [['from' => 0.0, 'to' => 20.0, 'step' => 1.0]], 11, now()->subHour());
    }

    private function whey(string $title, CarbonInterface $at): Experiment
    {
        return $this->experiment($title, 'whey', 'lactic acid', $at,
            'How much lactic acid is in the whey, and is it sour enough to set the next batch?',
            ['c' => [0.1, 0.0002], 'V0' => [25.0, 0.03], 'r' => [1.0, 0.0], 'M' => [90.08, 0.01]],
            [['from' => 0.0, 'to' => 9.0, 'step' => 0.5], ['from' => 9.25, 'to' => 12.0, 'step' => 0.25], ['from' => 13.0, 'to' => 20.0, 'step' => 1.0]],
        );
    }

    /**
     * @param  array<string, array{float|null, float}>  $entries  value and uncertainty by symbol
     * @param  list<array{from: float, to: float, step: float}>  $plan
     */
    private function experiment(string $title, string $sample, string $analyte, CarbonInterface $at, string $aim, array $entries, array $plan): Experiment
    {
        $protocol = (new ProtocolLibrary)->find('titration')->protocol ?? throw new \LogicException('There is no titration.');
        $experiment = (new ExperimentStart)->begin($this->teacher, (string) Str::uuid(), $title, $protocol, $this->bench);
        foreach ($entries as $symbol => [$value, $uncertainty]) {
            $experiment->entries()->where('symbol', $symbol)->update(['value' => $value, 'uncertainty' => $uncertainty]);
        }
        $experiment->entries()->where('symbol', 'sample')->update(['text' => $sample]);
        $experiment->entries()->where('symbol', 'analyte')->update(['text' => $analyte]);
        $settings = is_array($experiment->plan['run'] ?? null) ? $experiment->plan['run'] : [];
        $experiment->update([
            'aim' => $aim, 'created_at' => $at, 'updated_at' => $at, 'plan' => ['run' => ['plan' => ['ranges' => $plan]] + $settings] + $experiment->plan,
        ]);

        return $experiment->refresh();
    }

    /** @param  list<array{from: float, to: float, step: float}>  $plan */
    private function run(Experiment $experiment, int $number, array $plan, int $seed, CarbonInterface $at): Run
    {
        $run = Run::query()->create([
            'experiment_id' => $experiment->id, 'bench_id' => $this->bench->id, 'kind' => Run::STEPWISE, 'number' => $number, 'state' => Run::FINISHED,
            'plan' => ['ranges' => $plan], 'started_at' => $at, 'finished_at' => $at->copy()->addMinutes(14),
        ])->refresh();
        $channels = array_map(fn (array $of) => $run->channels()->create([
            'probe_id' => $of[0]->id, 'role' => $of[1], 'calibration_id' => $of[0]->calibration()->first()?->id,
        ]), ['ph' => [$this->electrode, 'electrode'], 'temperature' => [$this->thermometer, 'thermometer']]);

        $volumes = array_map(floatval(...), RunBook::planOf($run->load('experiment.columns'))->steps);
        foreach (SimulatedTitration::readings($seed, $volumes) as $step => $read) {
            $this->keep($run, $channels, $step + 1, $volumes[$step], $read, $at->copy()->addSeconds(20 * $step));
        }

        return $run;
    }

    /**
     * @param  array<string, RunChannel>  $channels  by channel name
     * @param  array<string, array{mean: float, scatter: float}>  $read  by channel name
     */
    private function keep(Run $run, array $channels, int $row, float $volume, array $read, CarbonInterface $at): void
    {
        $reading = Reading::query()->create([
            'run_id' => $run->id, 'row' => $row, 'request_key' => (string) Str::uuid(), 'step' => $volume,
            'taken_at' => (float) $at->getTimestamp(), 'was_steady' => true, 'created_at' => $at, 'updated_at' => $at,
        ])->refresh();
        foreach ($read as $name => $told) {
            $reading->cells()->create(['run_channel_id' => $channels[$name]->id, 'sample_count' => SimulatedTitration::SAMPLES] + $told);
        }
    }
}

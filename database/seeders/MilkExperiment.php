<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use App\Models\User;
use App\Notebook\ExperimentStart;
use App\Notebook\ProtocolLibrary;
use App\Recorder\Keeping\Block;
use App\Recorder\Link\Sample;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Standins\World\Noise;

/** Two runs against time: milk of the creamery cooling in the cold store, open and with a lid on. */
final readonly class MilkExperiment
{
    private const PAN_CELSIUS = 62.0;

    private const STORE_CELSIUS = 4.0;

    private const LEVEL_CELSIUS = 60.0;

    private const LENGTH_S = 900.0;

    private const RATE_HZ = 0.5;

    /** Kept from before it fell below the level. */
    private const BEFORE_S = 20.0;

    private const NOISE = 0.03;

    public function __construct(private User $teacher, private Bench $bench, private Probe $thermometer)
    {
    }

    public function seed(): void
    {
        $protocol = (new ProtocolLibrary)->find('cooling') ?? throw new \LogicException('There is no such protocol.');
        $experiment = (new ExperimentStart)->begin($this->teacher, (string) Str::uuid(), 'Does a lid keep the milk warm?', $protocol->protocol, $this->bench)->refresh();
        $this->run($experiment, 1, 'open can', 150.0, 3);
        $this->run($experiment, 2, 'lid on', 233.0, 4);
        DB::table('experiments')->where('id', $experiment->id)->update(['updated_at' => now()->subDays(9)]);
    }

    /** @param  float  $timeConstant  with which it takes the temperature of the cold store, s */
    private function run(Experiment $experiment, int $number, string $condition, float $timeConstant, int $seed): void
    {
        $zero = (float) now()->subDays(9)->setTime(10, 5 + 20 * $number)->getTimestamp();
        $run = Run::query()->create([
            'experiment_id' => $experiment->id, 'bench_id' => $this->bench->id, 'request_key' => (string) Str::uuid(), 'kind' => Run::TIMED, 'number' => $number,
            'condition' => $condition, 'trial' => 1, 'plan' => $experiment->plan['run']['plan'], 'state' => Run::FINISHED, 'armed_at' => $zero - 60.0, 'ended_s' => self::LENGTH_S,
            'ended_by' => Run::BY_HAND, 'started_at' => now()->setTimestamp((int) $zero - 60), 'finished_at' => now()->setTimestamp((int) ($zero + self::LENGTH_S)),
        ])->refresh();
        $channel = $run->channels()->create(['probe_id' => $this->thermometer->id, 'role' => 'thermometer', 'zero_time' => $zero]);
        DB::table('sample_blocks')->insert(array_map(
            static fn (Block $b): array => $b->toRow(), Block::cut($channel->id, $this->samples($zero, $timeConstant, new Noise(new Randomizer(new Mt19937($seed))))),
        ));
        $run->markers()->create(['at' => round(self::start($timeConstant), 1), 'name' => 'into the cold store']);
    }

    /** It went into the cold store a little before it had fallen to the level that begins the run. */
    private static function start(float $timeConstant): float
    {
        return $timeConstant * log((self::LEVEL_CELSIUS - self::STORE_CELSIUS) / (self::PAN_CELSIUS - self::STORE_CELSIUS));
    }

    /** @return list<Sample> */
    private function samples(float $zero, float $timeConstant, Noise $noise): array
    {
        $start = self::start($timeConstant);
        $samples = [];
        for ($i = 0, $n = (int) ((self::BEFORE_S + self::LENGTH_S) * self::RATE_HZ); $i <= $n; $i++) {
            $t = -self::BEFORE_S + $i / self::RATE_HZ;
            $celsius = $t < $start ? self::PAN_CELSIUS : self::STORE_CELSIUS + (self::PAN_CELSIUS - self::STORE_CELSIUS) * exp(-($t - $start) / $timeConstant);
            $samples[] = new Sample($i + 1, $zero + $t, round(($celsius + self::NOISE * $noise->next()) / $this->thermometer->resolution) * $this->thermometer->resolution);
        }

        return $samples;
    }
}

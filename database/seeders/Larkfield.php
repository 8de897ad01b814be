<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Bench;
use App\Models\Probe;
use App\Models\User;
use App\Recorder\Link\ToldChannel;
use App\Recorder\ProbeRegister;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Calibration\Recipe;
use Welkion\Standins\World\ChannelDescription;
use Welkion\Standins\World\Laboratory;
use Welkion\Standins\World\World;

/** What a teacher of Larkfield has: benches with their probes, calibrations since September, standards on the shelf, experiments. */
final class Larkfield
{
    /** Days ago, slope as a share of the maker's, offset beside it in raw unit, °C; by serial number. */
    private const CALIBRATIONS = [
        'Alder-1' => [Recipe::Buffers, [
            [76, 0.991, 2.1, 22.4], [62, 0.989, 2.6, 22.0], [48, 0.987, 3.4, 21.8], [34, 0.984, 3.9, 21.1], [20, 0.981, 4.6, 20.9], [6, 0.979, 5.0, 21.2],
        ]],
        // The older electrode: worn by years of whey.
        'Birch-1' => [Recipe::Buffers, [
            [75, 0.952, -8.0, 22.4], [61, 0.941, -9.1, 22.1], [47, 0.929, -10.2, 21.8], [33, 0.921, -11.6, 21.0], [12, 0.903, -13.1, 20.8],
        ]],
        'Birch-2' => [Recipe::OneSolution, [[70, 0.968, 0.0, 22.2], [42, 0.959, 0.0, 21.7], [16, 0.951, 0.0, 21.0], [1, 0.942, 0.0, 21.3]]],
        'Hazel-1' => [Recipe::BesideGauge, [[118, 1.004, 0.012, 21.0]]],
        'Rowan-2' => [Recipe::BesideGauge, [[20, 1.03, 0.041, 21.0]]],
        'Rowan-5' => [Recipe::BesideThermometer, [[9, 1.002, 0.1, 21.0]]],
    ];

    /** @var array<string, Bench> by name */
    private array $benches = [];

    /** @param  string  $room  where the benches stand; the shared one if it has no name */
    public function __construct(private readonly User $teacher, private readonly string $room = '')
    {
    }

    /**
     * Benches with their probes and what was calibrated of them.
     *
     * @param  list<string>|null  $names  null: all there are
     * @return array<string, Bench> by name
     */
    public function benches(?array $names = null): array
    {
        $worlds = Laboratory::furnished(new Randomizer(new Mt19937(1)))->worlds;
        foreach ($names === null ? $worlds : array_intersect_key($worlds, array_flip($names)) as $name => $world) {
            $this->benches[$name] = $this->bench($world);
        }
        $history = new CalibrationHistory($this->teacher);
        foreach ($this->probes() as $serial => $probe) {
            [$recipe, $past] = self::CALIBRATIONS[$serial] ?? [null, []];
            $recipe === null || $history->seed($probe, $recipe, $past);
        }

        return $this->benches;
    }

    public function shelf(): void
    {
        (new StandardsShelf)->seed($this->teacher);
    }

    /** Monday's titration alone, finished; it needs bench Alder. */
    public function whey(): void
    {
        $this->wheyExperiments()->monday();
    }

    /** Experiments that are finished and one that is not; they need all benches. */
    public function experiments(): void
    {
        $whey = $this->wheyExperiments();
        $whey->cider();
        $whey->monday();
        $whey->tuesday();
        (new MilkExperiment($this->teacher, $this->benches['Birch'], $this->probes()['Birch-3']))->seed();
        (new TypedExperiments($this->teacher))->seed();
    }

    private function wheyExperiments(): WheyExperiments
    {
        $probes = $this->probes();

        return new WheyExperiments($this->teacher, $this->benches['Alder'], $probes['Alder-1'], $probes['Alder-2']);
    }

    /** @return array<string, Probe> by serial number */
    private function probes(): array
    {
        $probes = [];
        foreach ($this->benches as $bench) {
            foreach ($bench->probes()->get() as $probe) {
                $probes[$probe->serial] = $probe->setRelation('bench', $bench);
            }
        }

        return $probes;
    }

    private function bench(World $world): Bench
    {
        $bench = $this->teacher->benches()->create([
            'name' => $world->name(), 'link_name' => $this->room === '' ? $world->name() : "{$world->name()}@{$this->room}", 'host' => '127.0.0.1',
            'port' => config()->integer('welkion.benches.port'), 'is_simulated' => true,
        ])->refresh();
        ProbeRegister::note($bench, ToldChannel::allIn(array_map(static fn (ChannelDescription $c): array => $c->jsonSerialize(), $world->channels())));

        return $bench;
    }
}

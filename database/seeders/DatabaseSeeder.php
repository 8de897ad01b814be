<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Bench;
use App\Models\Probe;
use App\Models\User;
use App\Recorder\Link\ToldChannel;
use App\Recorder\ProbeRegister;
use Illuminate\Database\Seeder;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Calibration\Recipe;
use Welkion\Standins\World\ChannelDescription;
use Welkion\Standins\World\Laboratory;
use Welkion\Standins\World\World;

/** Larkfield, a country school with an orchard and a creamery: the demo data. All persons are invented. */
final class DatabaseSeeder extends Seeder
{
    public const TEACHER_EMAIL = 'teacher@larkfield.example';

    public function run(): void
    {
        $teacher = User::query()->create([
            'name' => 'Iris Fenwick', 'email' => self::TEACHER_EMAIL,
            'password' => config()->string('welkion.demo_password'),
        ]);
        $benches = array_map(
            fn (World $world): Bench => $this->bench($teacher, $world), Laboratory::furnished(new Randomizer(new Mt19937(1)))->worlds,
        );
        (new StandardsShelf)->seed($teacher);
        $this->calibrations(new CalibrationHistory($teacher));

        (new WheyExperiments($teacher, $benches['Alder'], $this->probe('Alder-1'), $this->probe('Alder-2')))->seed();
        (new MilkExperiment($teacher, $benches['Birch'], $this->probe('Birch-3')))->seed();
        (new TypedExperiments($teacher))->seed();
    }

    private function calibrations(CalibrationHistory $history): void
    {
        $history->seed($this->probe('Alder-1'), Recipe::Buffers, [
            [76, 0.991, 2.1, 22.4], [62, 0.989, 2.6, 22.0], [48, 0.987, 3.4, 21.8], [34, 0.984, 3.9, 21.1], [20, 0.981, 4.6, 20.9], [6, 0.979, 5.0, 21.2],
        ]);
        // The older electrode: worn by years of whey.
        $history->seed($this->probe('Birch-1'), Recipe::Buffers, [
            [75, 0.952, -8.0, 22.4], [61, 0.941, -9.1, 22.1], [47, 0.929, -10.2, 21.8], [33, 0.921, -11.6, 21.0], [12, 0.903, -13.1, 20.8],
        ]);
        $history->seed($this->probe('Birch-2'), Recipe::OneSolution, [[70, 0.968, 0.0, 22.2], [42, 0.959, 0.0, 21.7], [16, 0.951, 0.0, 21.0], [1, 0.942, 0.0, 21.3]]);
        $history->seed($this->probe('Hazel-1'), Recipe::BesideGauge, [[118, 1.004, 0.012, 21.0]]);
        $history->seed($this->probe('Rowan-2'), Recipe::BesideGauge, [[20, 1.03, 0.041, 21.0]]);
        $history->seed($this->probe('Rowan-5'), Recipe::BesideThermometer, [[9, 1.002, 0.1, 21.0]]);
    }

    private function bench(User $teacher, World $world): Bench
    {
        $bench = $teacher->benches()->create([
            'name' => $world->name(), 'link_name' => $world->name(), 'host' => '127.0.0.1',
            'port' => config()->integer('welkion.benches.port'), 'is_simulated' => true,
        ])->refresh();
        ProbeRegister::note($bench, ToldChannel::allIn(array_map(static fn (ChannelDescription $c): array => $c->jsonSerialize(), $world->channels())));

        return $bench;
    }

    private function probe(string $serial): Probe
    {
        return Probe::query()->with('bench')->where('serial', $serial)->firstOrFail();
    }
}

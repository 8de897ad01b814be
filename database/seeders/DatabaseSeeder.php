<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Bench;
use App\Models\Probe;
use App\Models\User;
use Illuminate\Database\Seeder;

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
        $alder = $teacher->benches()->create([
            'name' => 'Alder', 'host' => '127.0.0.1', 'port' => config()->integer('welkion.alder.port'), 'is_simulated' => true,
        ])->refresh();
        $electrode = $this->probe($alder, 'ph', Probe::PH_ELECTRODE, 'pH electrode', 'Alder-1', 'mV');
        $thermometer = $this->probe($alder, 'temperature', Probe::THERMOMETER, 'Temperature', 'Alder-2', '°C');

        (new CalibrationHistory)->seed($electrode, $teacher);
        (new WheyExperiments($teacher, $alder, $electrode, $thermometer))->seed();
    }

    private function probe(Bench $bench, string $channel, string $kind, string $title, string $serial, string $unit): Probe
    {
        return $bench->probes()->create([
            'channel' => $channel, 'kind' => $kind, 'title' => $title, 'serial' => $serial, 'raw_unit' => $unit, 'resolution' => 0.1,
        ])->refresh();
    }
}

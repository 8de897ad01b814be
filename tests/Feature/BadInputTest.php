<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Calibration;
use App\Models\Probe;
use App\Models\User;
use Tests\TestCase;

/** What is typed wrongly is told in one sentence, with the right status, and changes nothing. */
final class BadInputTest extends TestCase
{
    private User $teacher;

    private Bench $bench;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->teacher = $this->teacher());
        $this->bench = $this->silentBench($this->teacher);
    }

    public function test_settings_of_a_calibration(): void
    {
        $plunger = $this->probe('plunger');
        $thermometer = $this->probe('thermometer');
        $open = fn (Probe $probe, string $recipe, array $settings) => $this->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => $recipe, 'settings' => $settings]);

        $barometer = 'The barometer must be a number from 50 to 110 kPa: read it at this place, not reduced to sea level.';
        foreach ([1013, 0, 'high'] as $typed) {
            $open($thermometer, 'ice-and-boiling', ['barometerKpa' => $typed])->assertUnprocessable()->assertJsonPath('detail', $barometer);
        }
        $open($plunger, 'bore', ['boreMm' => 0])->assertUnprocessable()->assertJsonPath('detail', 'The inner diameter of the syringe must be a number from 1 to 200 mm.');
        $open($plunger, 'bore', ['deadVolumeMl' => -1])->assertUnprocessable()->assertJsonPath('detail', 'The dead volume must be a number from 0 to 100 mL.');
        $open($this->probe('conductivity-cell'), 'one-solution', ['coefficient' => 1.91])->assertUnprocessable()
            ->assertJsonPath('detail', 'The temperature coefficient must be a number from 0 to 0.1 per °C; 0.0191 fits dilute salts.');
        $open($thermometer, 'ice-and-boiling', ['boreMm' => 29, 'colour' => 'red'])->assertUnprocessable();
        self::assertSame(0, Calibration::query()->where('user_id', $this->teacher->id)->count(), 'Nothing was opened by any of them.');
    }

    public function test_standards_of_each_kind_have_their_range(): void
    {
        foreach ([
            ['thermometer', 'beside-thermometer', 900, 'The value of standard 1 must be a number from -50 to 250 °C.'],
            ['pressure-sensor', 'beside-gauge', -5, 'The value of standard 1 must be a number from 0 to 1000 kPa.'],
            ['conductivity-cell', 'one-solution', 0, 'The value of standard 1 must be a number from 0.01 to 500000 µS/cm.'],
            ['plunger', 'volume-marks', 5000, 'The value of standard 1 must be a number from 0 to 1000 mL.'],
            ['ph-electrode', 'buffers', 15, 'The value of standard 1 must be a number from 0 to 14 pH.'],
        ] as [$kind, $recipe, $value, $sentence]) {
            $this->postJson("/api/probes/{$this->probe($kind)->id}/calibrations", ['recipe' => $recipe, 'standards' => [['source' => 'typed', 'value' => $value]]])
                ->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
    }

    public function test_a_bottle_of_another_shelf_or_kind_is_not_there(): void
    {
        $mine = $this->postJson('/api/shelf', ['kind' => 'conductivity-cell', 'source' => 'potassium-chloride', 'code' => '1413', 'label' => 'mine'])->assertCreated()->json('id');
        $electrode = $this->probe('ph-electrode');
        $choose = fn (int $id) => $this->postJson("/api/probes/{$electrode->id}/calibrations", ['recipe' => 'buffers', 'standards' => [['shelfId' => $id]]]);
        $choose($mine)->assertNotFound();

        $this->actingAs($stranger = $this->teacher());
        $theirs = $this->postJson('/api/shelf', ['kind' => 'ph-electrode', 'source' => 'buffer', 'code' => '7.00', 'label' => 'theirs'])->assertCreated()->json('id');
        self::assertSame(1, $stranger->shelf()->count());
        $this->actingAs($this->teacher);
        $choose($theirs)->assertNotFound();
    }

    public function test_only_probes_of_one_kind_and_one_teacher_are_read_together(): void
    {
        $electrode = $this->probe('ph-electrode');
        $together = fn (int ...$ids) => $this->postJson("/api/probes/{$electrode->id}/calibrations", ['recipe' => 'buffers', 'beside' => array_values($ids)]);

        $together($this->probe('thermometer')->id)->assertConflict()
            ->assertJsonPath('detail', 'thermometer (thermometer-'.$this->bench->id.') cannot be calibrated this way together with ph-electrode.');
        $theirs = $this->silentBench($this->teacher())->probes()->where('kind', 'ph-electrode')->firstOrFail();
        $together($theirs->id)->assertNotFound();
        $together(1, 1)->assertUnprocessable();
        $second = $this->silentBench($this->teacher)->probes()->where('kind', 'ph-electrode')->firstOrFail();
        $together($second->id)->assertCreated()->assertJsonPath('beside.0.probeId', $second->id);
    }

    public function test_what_does_not_exist_in_a_calibration_cannot_be_read_exchanged_or_kept(): void
    {
        $id = $this->postJson("/api/probes/{$this->probe('ph-electrode')->id}/calibrations", ['recipe' => 'buffers'])->assertCreated()->json('id');

        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 4])->assertConflict()->assertJsonPath('detail', 'There is no such standard in this calibration.');
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 'first'])->assertUnprocessable();
        $this->postJson("/api/calibrations/{$id}/exchange", ['first' => 0, 'second' => 4])->assertConflict();
        $this->postJson("/api/calibrations/{$id}/exchange", ['first' => 1, 'second' => 1])->assertUnprocessable();
        $this->postJson("/api/calibrations/{$id}/keep")->assertConflict()->assertJsonPath('detail', 'A line needs readings in at least two different standards.');
        $this->putJson("/api/calibrations/{$id}/set-aside", ['reason' => 'too early'])->assertConflict()->assertJsonPath('detail', 'This calibration was not kept.');
        $this->patchJson("/api/calibrations/{$id}", ['recipe' => 'one-buffer'])->assertUnprocessable();
        $this->getJson('/api/calibrations/999999999')->assertNotFound();
    }

    public function test_a_bench_that_is_not_there_is_told_and_nothing_is_lost(): void
    {
        $id = $this->postJson("/api/probes/{$this->probe('ph-electrode')->id}/calibrations", ['recipe' => 'buffers'])->assertCreated()->json('id');

        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertConflict()
            ->assertJsonPath('detail', 'The bench is not connected. Check that it is switched on.');
        $this->postJson("/api/probes/{$this->probe('grip-bulb')->id}/zeros")->assertConflict();
        $this->postJson("/api/benches/{$this->bench->id}/acts", ['act' => 'dip'])->assertConflict()->assertJsonPath('detail', 'Only a simulated bench can be moved from here.');
        $this->getJson("/api/calibrations/{$id}")->assertOk()->assertJsonPath('state', 'open');
    }

    public function test_acts_and_limits_that_make_no_sense(): void
    {
        $url = "/api/benches/{$this->bench->id}";
        $this->postJson("{$url}/acts", [])->assertUnprocessable();
        $this->postJson("{$url}/acts", ['act' => 'dip', 'into' => ['a', 'list']])->assertUnprocessable()
            ->assertJsonPath('detail', '"into" must be a number, a short text, or yes or no.');
        $this->postJson("{$url}/acts", ['act' => str_repeat('x', 50)])->assertUnprocessable();

        $limits = ['driftPerMinute' => 0.1, 'scatter' => 0.1, 'tolerance' => 0.1, 'windowS' => 10];
        foreach ([
            [['scatter' => 0], 'The largest scatter must be a number from 0.0001 to 100 °C.'],
            [['driftPerMinute' => 'slow'], 'The largest drift must be a number from 0.0003 to 300 °C per minute.'],
            [['driftPerMinute' => 5e-324], 'The largest drift must be a number from 0.0003 to 300 °C per minute.'],
            [['scatter' => 1e308], 'The largest scatter must be a number from 0.0001 to 100 °C.'],
            [['tolerance' => -1], 'What is left to go must be a number from 0.0001 to 100 °C.'],
            [['windowS' => [10]], 'The window must be a number from 1 to 20 s.'],
            [['windowS' => 0.5], 'The window must be a number from 1 to 20 s.'],
        ] as [$wrong, $sentence]) {
            $this->patchJson($url, ['kind' => 'thermometer', 'limits' => $wrong + $limits])->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
        foreach ([[], ['scatter' => 0.1], 'tight'] as $partly) {
            $this->patchJson($url, ['kind' => 'thermometer', 'limits' => $partly])->assertUnprocessable();
        }
        $this->getJson('/api/benches')->assertOk();
        $this->patchJson($url, ['kind' => 'divining-rod', 'limits' => null])->assertUnprocessable();
        self::assertNull($this->bench->refresh()->steady_limits);
    }

    private function probe(string $kind): Probe
    {
        return $this->bench->probes()->where('kind', $kind)->firstOrFail();
    }

    /** A bench with a probe of each kind, on a port where nothing listens. */
    private function silentBench(User $teacher): Bench
    {
        $bench = $this->silentBenchOf($teacher);
        $kinds = ['ph-electrode', 'conductivity-cell', 'thermometer', 'pressure-sensor', 'plunger', 'grip-bulb'];
        $this->plugIn($bench, array_map(static fn (string $kind): array => [
            'name' => $kind, 'kind' => $kind, 'title' => $kind, 'serial' => "{$kind}-{$bench->id}", 'unit' => 'V', 'resolution' => 0.001, 'fastestHz' => 20.0, 'stated' => null,
        ], $kinds));

        return $bench;
    }
}

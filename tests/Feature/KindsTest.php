<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Calibration;
use App\Models\User;
use App\Recorder\RecorderClient;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Every kind of probe is calibrated on its simulated bench, and the line is what the bench really has. */
final class KindsTest extends TestCase
{
    private User $teacher;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->teacher = $this->teacher());
    }

    /**
     * @param  list<array<string, mixed>>  $acts  what hands do before each standard
     * @param  array<string, mixed>  $body
     * @param  \Closure(array<string, float>): float  $expected  raw signal per unit, from the truth of the bench
     */
    #[DataProvider('kinds')]
    public function test_a_full_calibration_finds_the_line_of_the_bench(string $bench, string $channel, array $acts, array $body, \Closure $expected): void
    {
        $bench = $this->connectedBenchOf($this->teacher, $bench);
        $this->actAndSettle($bench, 'barometer', $channel, kpa: 98.6);
        $probe = $this->probeOf($bench, $channel);
        $id = $this->postJson("/api/probes/{$probe->id}/calibrations", $body)->assertCreated()->json('id');
        foreach ($acts as $position => $act) {
            $this->actAndSettle($bench, $act['act'], $channel, ...array_diff_key($act, ['act' => '']));
            $read = $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position])->assertOk();
        }
        self::assertSame([], $read->json('faults'));
        $kept = $this->postJson("/api/calibrations/{$id}/keep")->assertOk();

        self::assertSame('kept', $kept->json('state'));
        $truth = $expected($this->truthOf($bench));
        self::assertAgrees($truth, self::slopeIn($kept), finest: 1e-4);
        self::assertSame('good', $this->getJson("/api/probes/{$probe->id}")->assertOk()->json('trust'));
    }

    /** @return iterable<string, array{string, string, list<array<string, mixed>>, array<string, mixed>, \Closure}> */
    public static function kinds(): iterable
    {
        yield 'conductivity from one standard' => ['Birch', 'conductivity', [['act' => 'dip', 'into' => 'kcl-1413']], ['recipe' => 'one-solution'],
            static fn (array $t): float => 1.0 / $t['cellConstant']];
        yield 'conductivity from three' => ['Birch', 'conductivity', [
            ['act' => 'dip', 'into' => 'kcl-147'], ['act' => 'dip', 'into' => 'kcl-1413'], ['act' => 'dip', 'into' => 'kcl-12880'],
        ], ['recipe' => 'three-solutions'], static fn (array $t): float => 1.0 / $t['cellConstant']];
        yield 'temperature in ice and boiling water, at low pressure' => ['Birch', 'temperature', [
            ['act' => 'dip', 'into' => 'ice'], ['act' => 'dip', 'into' => 'boiling-water'],
        ], ['recipe' => 'ice-and-boiling', 'settings' => ['barometerKpa' => 98.6]], static fn (array $t): float => $t['thermometerSlope']];
        yield 'plunger by its bore' => ['Hazel', 'plunger', [['act' => 'plunger', 'volume' => 30.0]], [
            'recipe' => 'bore', 'settings' => ['boreMm' => 29.0, 'boreUncertaintyMm' => 0.05, 'deadVolumeMl' => 1.6],
            'standards' => [['source' => 'typed', 'label' => 'start volume', 'value' => 30.0, 'uncertainty' => 0.1]],
        ], static fn (array $t): float => 4000.0 / (M_PI * $t['boreMm'] ** 2)];
        yield 'plunger at marks' => ['Hazel', 'plunger', [['act' => 'plunger', 'volume' => 10.0], ['act' => 'plunger', 'volume' => 30.0], ['act' => 'plunger', 'volume' => 50.0]],
            ['recipe' => 'volume-marks', 'standards' => array_map(static fn (float $v): array => ['source' => 'typed', 'label' => 'mark', 'value' => $v, 'uncertainty' => 0.1], [10.0, 30.0, 50.0])], static fn (array $t): float => 4000.0 / (M_PI * $t['boreMm'] ** 2)];
    }

    public function test_a_pressure_sensor_is_moved_onto_the_barometer(): void
    {
        $bench = $this->connectedBenchOf($this->teacher, 'Hazel');
        $probe = $this->probeOf($bench, 'pressure');
        $this->actAndSettle($bench, 'barometer', 'pressure', kpa: 98.6);
        $this->actAndSettle($bench, 'valve', 'pressure', on: true);
        $id = $this->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => 'room-air', 'settings' => ['barometerKpa' => 98.6]])->assertCreated()->json('id');
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertOk();
        $this->postJson("/api/calibrations/{$id}/keep")->assertOk()->assertJsonPath('keyFigures.0.measured.value', 100);

        $raw = app(RecorderClient::class)->snapshot($bench)->of($probe->id)->mean;
        $reading = Calibration::query()->with('probe')->findOrFail($id)->calibrated()?->quantity($raw);
        // The barometer leaves 0.1 kPa open; the sensor moves by 0.03 kPa within a minute of the bench.
        self::assertEqualsWithDelta(98.6, $reading?->value, 0.15);
    }

    public function test_a_grip_bulb_reads_newtons_once_weights_hung_on_it(): void
    {
        $bench = $this->connectedBenchOf($this->teacher, 'Rowan');
        $probe = $this->probeOf($bench, 'grip');
        $id = $this->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => 'hung-weights'])->assertCreated()->json('id');
        foreach (['free', '2 kg', '5 kg'] as $position => $how) {
            $this->actAndSettle($bench, 'grip', 'grip', how: $how);
            $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position])->assertOk();
        }
        $kept = $this->postJson("/api/calibrations/{$id}/keep")->assertOk()->assertJsonPath('unit', 'N');
        $truth = $this->truthOf($bench);

        $slope = $truth['gripSlope'] / 1000.0 / $truth['newtonsPerKpa'];
        self::assertAgrees($slope, self::slopeIn($kept));
        self::assertSame('N', $this->getJson("/api/probes/{$probe->id}")->json('unit'));
        $this->actAndSettle($bench, 'grip', 'grip', how: 'free');
    }

    public function test_an_ecg_lead_gets_its_zero_and_its_gain_from_a_gauge_pulse(): void
    {
        $bench = $this->connectedBenchOf($this->teacher, 'Rowan');
        $probe = $this->probeOf($bench, 'ecg');
        $this->actAndSettle($bench, 'leads', 'ecg', where: 'joined');
        $id = $this->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => 'gauge-pulse'])->assertCreated()->json('id');
        foreach ([false, true] as $position => $on) {
            $this->actAndSettle($bench, 'gauge', 'ecg', on: $on);
            $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position])->assertOk();
        }
        $kept = $this->postJson("/api/calibrations/{$id}/keep")->assertOk();

        self::assertAgrees($this->truthOf($bench)['gain'], self::slopeIn($kept));
        $this->actAndSettle($bench, 'gauge', 'ecg', on: false);
    }

    public function test_a_belt_is_zeroed_slack_and_told_when_it_sits_too_loose(): void
    {
        $bench = $this->connectedBenchOf($this->teacher, 'Rowan');
        $probe = $this->probeOf($bench, 'breathing');
        $id = $this->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => 'slack-and-stretch'])->assertCreated()->json('id');
        $this->actAndSettle($bench, 'belt', 'breathing', how: 'off');
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertOk();
        foreach (['loose' => ['poor-fit'], 'on' => []] as $how => $faults) {
            $this->postJson("/api/benches/{$bench->id}/acts", ['act' => 'belt', 'how' => $how])->assertOk();
            $this->goOn($bench, 24.0);
            $read = $this->postJson("/api/calibrations/{$id}/readings", ['position' => 1])->assertOk();
            self::assertSame($faults, $read->json('faults.*.code'));
        }
        $this->postJson("/api/calibrations/{$id}/keep")->assertOk();
        $this->postJson("/api/benches/{$bench->id}/acts", ['act' => 'belt', 'how' => 'off'])->assertOk();
    }

    public function test_two_skin_thermometers_are_calibrated_side_by_side(): void
    {
        $bench = $this->connectedBenchOf($this->teacher, 'Rowan');
        [$left, $right] = [$this->probeOf($bench, 'skin-left'), $this->probeOf($bench, 'skin-right')];
        $opened = $this->postJson("/api/probes/{$left->id}/calibrations", [
            'recipe' => 'beside-thermometer', 'beside' => [$right->id],
            'standards' => [['source' => 'typed', 'label' => 'ice water', 'value' => 0.0, 'uncertainty' => 0.1], ['source' => 'typed', 'label' => 'warm water', 'value' => 41.3, 'uncertainty' => 0.1]],
        ])->assertCreated();
        $id = $opened->json('id');
        self::assertSame([$right->id], $opened->json('beside.*.probeId'));
        foreach (['ice', 'warm-water'] as $position => $into) {
            $this->actAndSettle($bench, 'dip', $left->channel, into: $into);
            app(RecorderClient::class)->act($bench, ['act' => 'dip', 'channel' => $right->channel, 'into' => $into]);
            // Right after an act nothing has been sent yet; then only one of the two is steady.
            $this->eventually(function () use ($id, $position, &$early): bool {
                $early = $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position])->assertConflict();

                return $early->json('code') === 'not-steady';
            });
            self::assertMatchesRegularExpression('/^(Left|Right) hand Rowan-[56]: not steady/', $early->json('detail'));
            $this->settle($bench, $right);
            $this->settle($bench, $left);
            $read = $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position])->assertOk();
            self::assertNotNull($read->json("beside.0.standards.{$position}.reading"), 'The answer shows both probes read.');
        }
        $kept = $this->postJson("/api/calibrations/{$id}/keep")->assertOk();

        // The benches' own lines: 1.003 and 0.997, and each its own.
        self::assertAgrees(1.003, self::slopeIn($kept));
        self::assertAgrees(0.997, self::slopeIn($kept, 'beside.0.line'));
        self::assertSame('kept', $kept->json('beside.0.state'));
        self::assertSame(['good', 'good'], [$this->getJson("/api/probes/{$left->id}")->json('trust'), $this->getJson("/api/probes/{$right->id}")->json('trust')]);
    }

    public function test_a_plunger_needs_its_bore_and_a_pulse_needs_nothing(): void
    {
        $hazel = $this->connectedBenchOf($this->teacher, 'Hazel');
        $plunger = $this->probeOf($hazel, 'plunger');
        $id = $this->postJson("/api/probes/{$plunger->id}/calibrations", ['recipe' => 'bore'])->assertCreated()->json('id');
        $this->actAndSettle($hazel, 'plunger', 'plunger', volume: 20.0);
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertOk();
        $this->postJson("/api/calibrations/{$id}/keep")->assertConflict()
            ->assertJsonPath('detail', 'Type the inner diameter of the syringe: without it travel is no volume.');
        $this->patchJson("/api/calibrations/{$id}", ['settings' => ['boreMm' => -3]])->assertUnprocessable()
            ->assertJsonPath('detail', 'The inner diameter of the syringe must be a number from 1 to 200 mm.');
        $untyped = $this->patchJson("/api/calibrations/{$id}", ['settings' => ['boreMm' => 29]])->assertOk();
        self::assertSame(['value-not-typed'], $untyped->json('faults.*.code'));
        $this->postJson("/api/calibrations/{$id}/keep")->assertConflict()
            ->assertJsonPath('detail', 'Type the value of "start volume", as it was read beside the probe. Until then there is no line.');
        $this->patchJson("/api/calibrations/{$id}", ['standards' => [['source' => 'typed', 'label' => 'start volume', 'value' => 20.0, 'uncertainty' => 0.1]]])
            ->assertOk()->assertJsonPath('faults', [])->assertJsonPath('standards.0.reading.value', 20);
        $this->postJson("/api/calibrations/{$id}/keep")->assertOk()->assertJsonPath('unit', 'mL');

        $rowan = $this->connectedBenchOf($this->teacher, 'Rowan');
        $pulse = $this->probeOf($rowan, 'pulse');
        self::assertSame([], $this->getJson("/api/probes/{$pulse->id}")->json('recipes'));
        $this->postJson("/api/probes/{$pulse->id}/calibrations/factory")->assertConflict();
    }

    /** @return array<string, float> */
    private function truthOf(Bench $bench): array
    {
        // Where a machine is taken the bench may answer too late; asking again changes nothing.
        $truth = null;
        $this->eventually(function () use ($bench, &$truth): bool {
            return is_array($truth = $this->getJson("/api/benches/{$bench->id}/truth")->json('truth'));
        });

        return array_column((array) $truth, 'value', 'key');
    }
}

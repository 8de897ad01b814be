<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Probe;
use App\Models\User;
use App\Recorder\RecorderClient;
use Tests\Support\KeptSamples;
use Tests\TestCase;

/** Probes that are pulled out, carried to another bench, zeroed; benches with limits of their own. */
final class PresenceTest extends TestCase
{
    use KeptSamples;

    private User $teacher;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->teacher = $this->teacher());
    }

    public function test_a_probe_that_is_unplugged_says_so_and_goes_on_when_it_is_back(): void
    {
        $bench = $this->connectedBenchOf($this->teacher);
        $electrode = $this->electrodeOf($bench);
        $id = $this->postJson("/api/probes/{$electrode->id}/calibrations", ['recipe' => 'buffers'])->assertCreated()->json('id');
        $this->actAndSettle($bench, 'dip', into: 'buffer-7.00');
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertOk();
        try {
            $this->plug($bench, 'ph', false);
            $this->eventually(fn (): bool => ! $electrode->refresh()->is_present);
            $this->postJson("/api/calibrations/{$id}/readings", ['position' => 1])->assertConflict()->assertJsonPath('code', 'probe-unplugged')
                ->assertJsonPath('detail', 'pH electrode is unplugged. Plug it in and try again; what was read is kept.');
            $this->getJson("/api/probes/{$electrode->id}")->assertJsonPath('isPresent', false);
            $experiment = $this->experimentOf($this->teacher, $bench);
            $this->postJson("/api/experiments/{$experiment->id}/runs")->assertConflict()->assertJsonPath('code', 'no-probe');
        } finally {
            $this->plug($bench, 'ph', true);
        }
        $this->eventually(fn (): bool => $electrode->refresh()->is_present);
        $this->actAndSettle($bench, 'dip', into: 'buffer-4.01');
        $read = $this->postJson("/api/calibrations/{$id}/readings", ['position' => 1])->assertOk();

        self::assertNotNull($read->json('standards.0.reading'), 'What was read before stays.');
        self::assertNotNull($read->json('line'));
    }

    public function test_a_probe_carried_to_another_bench_in_the_middle_of_a_run_leaves_the_run_whole(): void
    {
        $alder = $this->connectedBenchOf($this->teacher);
        $birch = $this->connectedBenchOf($this->teacher, 'Birch');
        $electrode = $this->electrodeOf($alder);
        $run = $this->startedRun($this->experimentOf($this->teacher, $alder));
        $take = fn (float $volume) => $this->take($run, $volume);
        $this->actAndSettle($alder, 'dip', into: 'buffer-7.00');
        $take(0.0)->assertCreated();
        $channel = $electrode->runChannels()->firstOrFail()->id;
        try {
            $this->postJson("/api/benches/{$alder->id}/acts", ['act' => 'move', 'channel' => 'ph', 'to' => 'Birch', 'on' => true])->assertOk();
            $this->eventually(fn (): bool => $electrode->refresh()->bench_id === $birch->id);
            $take(0.5)->assertConflict()->assertJsonPath('code', 'probe-elsewhere')->assertJsonPath(
                'detail', "pH electrode Alder-1 is at bench {$birch->name} now. Bring it back to bench {$alder->name} to go on with this run.",
            );
            $this->getJson("/api/runs/{$run}")->assertJsonPath('channels.0.probe.bench.name', $birch->name);
            $moved = array_column($this->getJson("/api/benches/{$birch->id}")->assertOk()->json('probes'), 'movedFrom', 'serial');
            self::assertSame(['Birch-1' => null, 'Alder-1' => $alder->name, 'Birch-2' => null, 'Birch-3' => null], $moved);
            usleep(self::WRITTEN_WITHIN_US);
            $count = (int) self::keptOf([$channel])->flatten(1)->sum('count');
            $this->goOn($birch, 5.0);
            usleep(self::WRITTEN_WITHIN_US);
            self::assertSame($count, (int) self::keptOf([$channel])->flatten(1)->sum('count'), 'Nothing of the other bench is mixed into the run.');
        } finally {
            $this->postJson("/api/benches/{$alder->id}/acts", ['act' => 'move', 'channel' => 'ph', 'to' => 'Birch', 'on' => false]);
        }
        $this->eventually(fn (): bool => $electrode->refresh()->bench_id === $alder->id);
        $this->actAndSettle($alder, 'dip', into: 'buffer-4.01');
        $take(0.5)->assertCreated()->assertJsonCount(2, 'rows.0.rows');
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
    }

    public function test_a_probe_gone_for_good_is_put_away_with_its_record_and_comes_back_when_it_is_plugged_in(): void
    {
        $bench = $this->connectedBenchOf($this->teacher);
        $thermometer = $this->probeOf($bench, 'temperature');
        $this->postJson("/api/probes/{$thermometer->id}/calibrations/factory")->assertCreated();
        $this->postJson("/api/probes/{$thermometer->id}/put-away")->assertConflict()->assertJsonPath('code', 'probe-plugged-in')
            ->assertJsonPath('detail', 'Temperature is plugged in. Pull it out, then put it away.');
        $run = $this->startedRun($this->experimentOf($this->teacher, $bench));
        try {
            $this->plug($bench, 'temperature', false);
            $this->eventually(fn (): bool => ! $thermometer->refresh()->is_present);
            $this->postJson("/api/probes/{$thermometer->id}/put-away")->assertConflict()->assertJsonPath('code', 'bench-busy');
            $this->postJson("/api/runs/{$run}/finish")->assertOk();
            $this->actingAs($this->teacher())->postJson("/api/probes/{$thermometer->id}/put-away")->assertForbidden();
            $this->actingAs($this->teacher)->postJson("/api/probes/{$thermometer->id}/put-away")->assertOk()->assertJsonPath('isPutAway', true);

            $listed = $this->getJson("/api/benches/{$bench->id}")->assertJsonPath('putAway.*.serial', ['Alder-2']);
            self::assertSame(['Alder-1'], $listed->json('probes.*.serial'));
            self::assertCount(1, $this->getJson("/api/probes/{$thermometer->id}/calibrations")->assertOk()->json('calibrations'), 'Its record stays.');
            $this->postJson("/api/probes/{$thermometer->id}/bring-back")->assertOk()->assertJsonPath('isPutAway', false);
            $this->postJson("/api/probes/{$thermometer->id}/put-away")->assertOk();
        } finally {
            $this->plug($bench, 'temperature', true);
        }
        $this->eventually(fn (): bool => $thermometer->refresh()->is_present);
        $this->getJson("/api/benches/{$bench->id}")->assertJsonPath('putAway', [])->assertJsonPath('probes.*.serial', ['Alder-1', 'Alder-2']);
    }

    public function test_a_zero_is_an_act_with_a_record_and_can_be_undone(): void
    {
        $bench = $this->connectedBenchOf($this->teacher, 'Rowan');
        $grip = $this->probeOf($bench, 'grip');
        $this->actAndSettle($bench, 'grip', 'grip', how: '2 kg');
        $taken = $this->postJson("/api/probes/{$grip->id}/zeros")->assertCreated();

        // 2 kg press the bulb by 2 · 9.80665 N / 3.9 N/kPa = 5.03 kPa; the maker's line is off by 3.5 % and 2.1 kPa.
        self::assertEqualsWithDelta(5.03 * 1.035 + 2.1, $taken->json('valueBefore'), 0.2);
        $this->getJson("/api/probes/{$grip->id}")->assertJsonPath('zero.id', $taken->json('id'));
        self::assertEqualsWithDelta(0.0, $this->shown($bench, $grip), 0.2);

        $this->postJson("/api/zeros/{$taken->json('id')}/undo")->assertOk();
        $this->getJson("/api/probes/{$grip->id}")->assertJsonPath('zero', null);
        self::assertEqualsWithDelta($taken->json('valueBefore'), $this->shown($bench, $grip), 0.2);
        self::assertCount(1, $this->getJson("/api/probes/{$grip->id}/zeros")->assertOk()->json(), 'What was undone is still on record.');
        $this->actAndSettle($bench, 'grip', 'grip', how: 'free');
        $this->postJson("/api/probes/{$this->probeOf($bench, 'skin-left')->id}/zeros")->assertConflict()->assertJsonPath('code', 'no-zero');
    }

    public function test_a_bench_may_have_limits_of_its_own(): void
    {
        $bench = $this->connectedBenchOf($this->teacher);
        $tight = ['driftPerMinute' => 2e-5, 'scatter' => 1e-5, 'tolerance' => 1e-5, 'windowS' => 5];
        $this->patchJson("/api/benches/{$bench->id}", ['kind' => 'ph-electrode', 'limits' => ['windowS' => 900] + $tight])->assertUnprocessable()
            ->assertJsonPath('detail', 'The window must be a number from 1 to 20 s.');
        $this->actAndSettle($bench, 'dip', into: 'buffer-7.00');
        $this->patchJson("/api/benches/{$bench->id}", ['kind' => 'ph-electrode', 'limits' => $tight])->assertOk()->assertJsonPath('probes.0.steady.isOwn', true);
        $this->postJson("/api/benches/{$bench->id}/acts", ['act' => 'dip', 'into' => 'buffer-4.01'])->assertOk();
        $this->goOn($bench, 30.0);
        self::assertFalse(app(RecorderClient::class)->snapshot($bench)->of($this->electrodeOf($bench)->id)->isSteady);

        $this->patchJson("/api/benches/{$bench->id}", ['kind' => 'ph-electrode', 'limits' => null])->assertOk()->assertJsonPath('probes.0.steady.isOwn', false);
        $this->settle($bench, $this->electrodeOf($bench));
    }

    public function test_mains_hum_keeps_an_ecg_lead_from_being_called_steady_and_says_what_to_look_for(): void
    {
        $bench = $this->connectedBenchOf($this->teacher, 'Rowan');
        $ecg = $this->probeOf($bench, 'ecg');
        $this->actAndSettle($bench, 'leads', 'ecg', where: 'joined');
        $id = $this->postJson("/api/probes/{$ecg->id}/calibrations", ['recipe' => 'gauge-pulse'])->assertCreated()->json('id');
        $this->postJson("/api/benches/{$bench->id}/acts", ['act' => 'hum', 'on' => true])->assertOk();
        $this->goOn($bench, 5.0);
        $told = '';
        $this->eventually(function () use ($id, &$told): bool {
            $told = (string) $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertConflict()->assertJsonPath('code', 'not-steady')->json('detail');

            return ! str_contains($told, 'have passed since the last change');
        });
        self::assertStringContainsString('it scatters by', $told);
        self::assertStringContainsString('mains hum', $told);
        $this->postJson("/api/benches/{$bench->id}/acts", ['act' => 'hum', 'on' => false])->assertOk();
    }

    public function test_the_shelf_keeps_standards_and_brings_back_what_was_removed(): void
    {
        $entry = ['kind' => 'grip-bulb', 'source' => 'weight', 'label' => 'brass weight 2 kg', 'value' => 2.0];
        $made = $this->postJson('/api/shelf', $entry)->assertCreated();
        self::assertEqualsWithDelta(19.6133, $made->json('value'), 1e-4, '2 kg times standard gravity.');
        $id = $made->json('id');
        $this->patchJson("/api/shelf/{$id}", ['value' => 5.0, 'lot' => 'A', 'expiresOn' => '2020-01-31'] + $entry)->assertOk()->assertJsonPath('isExpired', true);
        $this->deleteJson("/api/shelf/{$id}")->assertNoContent();
        self::assertSame([], $this->getJson('/api/shelf')->json());
        $this->postJson("/api/shelf/{$id}/restore")->assertOk();
        self::assertSame(['brass weight 2 kg'], $this->getJson('/api/shelf')->json('*.label'));

        $this->postJson('/api/shelf', ['label' => ''] + $entry)->assertUnprocessable()->assertJsonPath('detail', 'Type the name that stands on it.');
        $this->postJson('/api/shelf', ['value' => 'heavy'] + $entry)->assertUnprocessable()->assertJsonPath('detail', 'Its value must be a number from 0.001 to 200 kg.');
        $this->postJson('/api/shelf', ['expiresOn' => 'soon'] + $entry)->assertUnprocessable();
    }

    private function plug(Bench $bench, string $channel, bool $on): void
    {
        $this->postJson("/api/benches/{$bench->id}/acts", ['act' => 'plug', 'channel' => $channel, 'on' => $on])->assertOk();
    }

    private function shown(Bench $bench, Probe $probe): float
    {
        $mean = app(RecorderClient::class)->snapshot($bench)->of($probe->id)->mean;

        return Probe::query()->with('bench', 'calibration', 'lastZero')->findOrFail($probe->id)->reading()->quantity($mean)->value;
    }
}

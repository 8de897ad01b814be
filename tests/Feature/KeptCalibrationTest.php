<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Calibration;
use App\Models\Probe;
use App\Models\Run;
use App\Models\User;
use Illuminate\Support\Str;
use Tests\TestCase;
use Welkion\Core\Calibration\Nernst;
use Welkion\Core\Calibration\Recipe;

/** What follows once a calibration is kept: history, setting aside, borrowing, working out again. */
final class KeptCalibrationTest extends TestCase
{
    private User $teacher;

    private Bench $bench;

    private Probe $electrode;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->bench = $this->connectedBenchOf($this->teacher);
        $this->electrode = $this->electrodeOf($this->bench);
        $this->actingAs($this->teacher);
    }

    public function test_the_history_tells_verdicts_and_when_to_replace(): void
    {
        foreach ([96.0 => 60, 93.0 => 40, 90.0 => 20, 87.0 => 0] as $percent => $daysAgo) {
            $this->kept((float) $percent, $daysAgo);
        }
        $history = $this->getJson("/api/probes/{$this->electrode->id}/calibrations")->assertOk();

        self::assertSame(['healthy', 'aged', 'aged', 'aged'], $history->json('calibrations.*.verdict.code'));
        // 3 % in 20 days is 4.5 % a month; 2 % are left above 85 %: 13 days.
        self::assertSame('Falls about 4.5 % a month: below 85 % in about 2 weeks.', $history->json('trend.sentence'));
        self::assertTrue($history->json('trend.isReplacedSoon'));
        self::assertSame('fair', $this->getJson("/api/probes/{$this->electrode->id}")->json('trust'));
    }

    public function test_an_old_calibration_is_not_trusted(): void
    {
        $this->kept(98.0, 8);
        $this->getJson("/api/probes/{$this->electrode->id}")->assertJsonPath('trust', 'old')->assertJsonPath('trustSentence', 'pH electrode: calibration 8 days old.');
    }

    public function test_set_aside_with_a_reason_the_one_before_is_in_force_and_comes_back(): void
    {
        $first = $this->kept(98.0, 2);
        $second = $this->kept(91.0, 1);
        $this->putJson("/api/calibrations/{$second->id}/set-aside", ['reason' => 'no'])->assertUnprocessable()
            ->assertJsonPath('detail', 'Say in a few words why it is set aside.');
        $this->putJson("/api/calibrations/{$second->id}/set-aside", ['reason' => 'buffer was old'])->assertOk()->assertJsonPath('setAsideReason', 'buffer was old');
        $this->getJson("/api/probes/{$this->electrode->id}")->assertJsonPath('calibration.id', $first->id);

        $this->putJson("/api/calibrations/{$second->id}/set-aside", ['reason' => null])->assertOk();
        $this->getJson("/api/probes/{$this->electrode->id}")->assertJsonPath('calibration.id', $second->id);
    }

    public function test_is_never_discarded_while_a_run_uses_it(): void
    {
        $used = $this->kept(98.0, 1);
        $this->runWith($used);
        $this->deleteJson("/api/calibrations/{$used->id}")->assertConflict()->assertJsonPath('code', 'calibration-in-use')
            ->assertJsonPath('detail', 'A run was recorded with this calibration, so it stays. Set it aside with a reason instead.');

        $unused = $this->kept(97.0, 0);
        $this->deleteJson("/api/calibrations/{$unused->id}")->assertNoContent();
        self::assertSame([$used->id], $this->getJson("/api/probes/{$this->electrode->id}/calibrations")->json('calibrations.*.id'));
        self::assertSame(Calibration::DROPPED, $unused->refresh()->state, 'Its numbers stay in the database.');
    }

    public function test_a_probe_set_to_anothers_line_or_back_to_the_factorys_says_so(): void
    {
        $birch = $this->connectedBenchOf($this->teacher, 'Birch');
        $other = $this->kept(93.0, 0, $this->electrodeOf($birch));
        $this->postJson("/api/probes/{$this->electrode->id}/calibrations/copy", ['calibrationId' => $other->id])->assertCreated()->assertJsonPath('origin', 'copied');
        $this->getJson("/api/probes/{$this->electrode->id}")->assertJsonPath('trust', 'borrowed')
            ->assertJsonPath('trustSentence', 'pH electrode: reads by the calibration of another probe.');
        self::assertSame(['Birch-1'], $this->getJson("/api/probes/{$this->electrode->id}/calibrations")->json('calibrations.*.copiedFrom'));

        $this->postJson("/api/probes/{$this->electrode->id}/calibrations/factory")->assertCreated()->assertJsonPath('origin', 'factory');
        $this->getJson("/api/probes/{$this->electrode->id}")->assertJsonPath('trust', 'missing');
        $thermometer = $this->probeOf($birch, 'temperature');
        $this->postJson("/api/probes/{$thermometer->id}/calibrations/copy", ['calibrationId' => $other->id])->assertConflict()
            ->assertJsonPath('detail', 'A calibration of pH electrode does not fit Temperature.');
    }

    public function test_a_jump_is_not_held_against_a_line_the_probe_never_had(): void
    {
        $this->postJson("/api/probes/{$this->electrode->id}/calibrations/factory")->assertCreated();
        $opened = Calibration::query()->findOrFail($this->postJson("/api/probes/{$this->electrode->id}/calibrations", ['recipe' => 'buffers'])->assertCreated()->json('id'));
        // An electrode of 90 %: usable, and of its own age; against the ideal line it would look like a film of the last buffer.
        foreach ([7.0 => 5.0, 4.0 => 5.0 + 3 * 0.9 * Nernst::idealSlope(20.0)] as $ph => $raw) {
            $opened->readings()->create([
                'position' => $ph > 5 ? 0 : 1, 'value' => (float) $ph, 'celsius' => 20.0, 'raw' => $raw, 'scatter' => 0.1, 'sample_count' => 40,
                'was_steady' => true, 'drift_per_minute' => 0.0, 'samples' => [$raw], 'taken_at' => 1.0,
            ]);
        }

        $this->getJson("/api/calibrations/{$opened->id}")->assertOk()->assertJsonPath('faults', [])->assertJsonPath('verdict.code', 'aged');
    }

    public function test_a_run_is_worked_out_again_and_both_results_stand_side_by_side(): void
    {
        $recorded = $this->kept(91.0, 1);
        $later = $this->kept(98.0, 0);
        $run = $this->runWith($recorded);
        $this->getJson("/api/runs/{$run->id}")->assertOk()->assertJsonPath('trustSentences', ['pH electrode: ageing electrode.']);
        $before = $this->rowsOf($run->id)[0]['cells']['pH']['value'];

        $this->postJson("/api/experiments/{$run->experiment_id}/lines", ['method' => 'statistics', 'symbol' => 'm', 'title' => 'Mean of all', 'uses' => ['column' => 'pH'], 'isPerRun' => true])->assertCreated();
        $compared = $this->postJson("/api/runs/{$run->id}/comparison", ['calibrationId' => $later->id])->assertCreated();
        self::assertSame([$recorded->id, $later->id], $compared->json('columns.*.calibration.id'));
        self::assertSame([true, false], $compared->json('columns.*.isInForce'));
        self::assertSame($before, $this->rowsOf($run->id)[0]['cells']['pH']['value'], 'The recorded result stays in force.');

        $reworking = $compared->json('columns.1.reworkingId');
        $this->putJson("/api/runs/{$run->id}/comparison", ['reworkingId' => $reworking])->assertOk()->assertJsonPath('columns.1.isInForce', true);
        $again = $this->getJson("/api/runs/{$run->id}")->assertJsonPath('channels.0.isWorkedOutAgain', true)->assertJsonPath('trustSentences', []);
        // 240 mV less the offset of 5 mV, by 91 and by 98 % of the ideal slope at 21.4 °C.
        $ph = static fn (float $share): float => 7.0 - 235.0 / ($share * Nernst::idealSlope(21.4));
        self::assertEqualsWithDelta($ph(0.91), $before, 1e-6);
        self::assertEqualsWithDelta($ph(0.98), $again->json('rows.0.cells.pH.value'), 1e-6);
        $means = (array) collect((array) $compared->json('rows'))->firstWhere('title', 'Mean of all');
        self::assertEqualsWithDelta([$ph(0.91), 0.0, $ph(0.98), $ph(0.98) - $ph(0.91)], [
            $means['results'][0]['measured']['value'], $means['results'][0]['difference'], $means['results'][1]['measured']['value'], $means['results'][1]['difference'],
        ], 1e-6);
        $unsaid = (array) collect((array) $compared->json('rows'))->firstWhere('results.0.measured', null);
        self::assertSame([null, null], array_column((array) ($unsaid['results'] ?? []), 'difference'), 'One point has no jump.');

        $this->putJson("/api/runs/{$run->id}/comparison", ['reworkingId' => null])->assertOk()->assertJsonPath('columns.0.isInForce', true);
        self::assertSame($before, $this->rowsOf($run->id)[0]['cells']['pH']['value']);
    }

    public function test_a_run_says_that_its_calibration_was_set_aside_later(): void
    {
        $recorded = $this->kept(98.0, 1);
        $run = $this->runWith($recorded);
        self::assertSame([], $this->getJson("/api/runs/{$run->id}")->json('trustSentences'));
        $this->putJson("/api/calibrations/{$recorded->id}/set-aside", ['reason' => 'buffer was old'])->assertOk();

        $this->getJson("/api/runs/{$run->id}")->assertJsonPath('trustSentences', ['pH electrode: the calibration was set aside later (buffer was old).']);
        $this->getJson("/api/probes/{$this->electrode->id}/runs")->assertOk()->assertJsonPath('0.calibrationId', $recorded->id)
            ->assertJsonPath('0.trustSentence', 'pH electrode: the calibration was set aside later (buffer was old).');
    }

    public function test_a_calibration_of_another_probe_is_not_for_this_run(): void
    {
        $run = $this->runWith($this->kept(98.0, 1));
        $birch = $this->connectedBenchOf($this->teacher, 'Birch');
        $foreign = $this->kept(93.0, 0, $this->electrodeOf($birch));
        $this->postJson("/api/runs/{$run->id}/comparison", ['calibrationId' => $foreign->id])->assertConflict();
        $this->putJson("/api/runs/{$run->id}/comparison", ['reworkingId' => 999_999])->assertNotFound();
    }

    public function test_another_teacher_can_neither_see_nor_touch_any_of_it(): void
    {
        $kept = $this->kept(98.0, 1);
        $run = $this->runWith($kept);
        $bottle = $this->postJson('/api/shelf', ['kind' => 'ph-electrode', 'source' => 'buffer', 'code' => '7.00', 'label' => 'mine'])->assertCreated()->json('id');
        $this->actingAs($this->teacher());

        $this->getJson("/api/probes/{$this->electrode->id}")->assertForbidden();
        $this->getJson("/api/probes/{$this->electrode->id}/calibrations")->assertForbidden();
        $this->getJson("/api/probes/{$this->electrode->id}/runs")->assertForbidden();
        $this->postJson("/api/probes/{$this->electrode->id}/zeros")->assertForbidden();
        $this->postJson("/api/probes/{$this->electrode->id}/calibrations/factory")->assertForbidden();
        $this->putJson("/api/calibrations/{$kept->id}/set-aside", ['reason' => 'because'])->assertForbidden();
        $this->deleteJson("/api/calibrations/{$kept->id}")->assertForbidden();
        $this->postJson("/api/runs/{$run->id}/comparison", ['calibrationId' => $kept->id])->assertForbidden();
        $this->patchJson("/api/benches/{$this->bench->id}", ['kind' => 'thermometer', 'limits' => null])->assertForbidden();
        $this->deleteJson("/api/shelf/{$bottle}")->assertForbidden();
        self::assertSame([], $this->getJson('/api/shelf')->assertOk()->json());
    }

    private function kept(float $percent, int $daysAgo, ?Probe $probe = null): Calibration
    {
        $probe ??= $this->electrode;
        $celsius = 21.4;

        return Calibration::query()->create([
            'probe_id' => $probe->id, 'user_id' => $this->teacher->id, 'state' => Calibration::KEPT, 'recipe' => Recipe::Buffers,
            'unit' => 'pH', 'standards' => [], 'celsius' => $celsius, 'slope' => -$percent / 100.0 * Nernst::idealSlope($celsius),
            'slope_uncertainty' => 0.1, 'offset' => 5.0, 'offset_uncertainty' => 0.3, 'kept_at' => now()->subDays($daysAgo)->subMinute(),
        ])->refresh();
    }

    /** A finished run with one reading of 240 mV at 21.4 °C. */
    private function runWith(Calibration $calibration): Run
    {
        $run = $this->storedRunOf($this->experimentOf($this->teacher, $this->bench));
        $channel = $run->channels()->create(['probe_id' => $this->electrode->id, 'calibration_id' => $calibration->id, 'role' => 'electrode']);
        $warmth = $run->channels()->create(['probe_id' => $this->probeOf($this->bench, 'temperature')->id, 'role' => 'thermometer']);
        $reading = $run->readings()->create(['row' => 1, 'request_key' => (string) Str::uuid(), 'step' => 0.0, 'taken_at' => 1.0, 'was_steady' => true]);
        $reading->cells()->create(['run_channel_id' => $channel->id, 'mean' => 240.0, 'scatter' => 0.1, 'sample_count' => 40]);
        $reading->cells()->create(['run_channel_id' => $warmth->id, 'mean' => 21.4, 'scatter' => 0.0, 'sample_count' => 40]);

        return $run->refresh();
    }
}

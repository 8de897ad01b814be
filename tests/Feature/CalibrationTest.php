<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Calibration\CalibrationBook;
use App\Exceptions\Refusal;
use App\Models\Bench;
use App\Models\Calibration;
use App\Models\CalibrationReading;
use App\Models\User;
use Tests\TestCase;

final class CalibrationTest extends TestCase
{
    private const USUAL = ['recipe' => 'buffers'];

    private User $teacher;

    private Bench $bench;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->bench = $this->connectedBenchOf($this->teacher);
        $this->actingAs($this->teacher);
    }

    public function test_calibrates_at_three_standards_within_the_stated_uncertainty_of_the_truth(): void
    {
        $id = $this->opened();
        foreach (['buffer-7.00', 'buffer-4.01', 'buffer-10.01'] as $position => $buffer) {
            $this->actAndSettle($this->bench, 'dip', into: $buffer);
            $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position])->assertOk();
        }
        $kept = $this->postJson("/api/calibrations/{$id}/keep")->assertOk()->assertJsonPath('state', 'kept');
        $truth = $this->truthOf($this->bench);

        self::assertSame([], $kept->json('faults'));
        self::assertSame('healthy', $kept->json('verdict.code'));
        [$slope, $offset] = array_column($kept->json('keyFigures'), 'measured');
        self::assertAgrees($truth['slopePercent'], $slope);
        self::assertAgrees($truth['offsetMv'], $offset, coarsest: 1.0);
        [$low, $high] = $kept->json('line.ends');
        self::assertEquals([2.0, 12.0], [$low['value'], $high['value']], 'Drawn where buffers are.');
        foreach ($kept->json('standards') as $standard) {
            ['value' => $value, 'raw' => $raw, 'off' => $off] = $standard['reading'];
            $onLine = $low['raw'] + ($high['raw'] - $low['raw']) * ($value - 2.0) / 10.0;
            self::assertEqualsWithDelta($raw - $onLine, $off, 1e-6, 'Off the line that is drawn.');
            // A new electrode gives nothing at pH 7 and about 58 mV less with each pH at 20 °C.
            self::assertEqualsWithDelta(58.2 * (7.0 - $standard['valueHere']), $standard['rawExpected'], 3.0);
        }
        $reading = CalibrationReading::query()->where('calibration_id', $id)->firstOrFail();
        self::assertCount($reading->sample_count, $reading->samples, 'All raw values are kept.');
        // Ten seconds at 20 Hz; where the window begins just at a value, rounding of its time decides.
        self::assertContains($reading->sample_count, [200, 201]);
        $this->getJson("/api/benches/{$this->bench->id}")->assertJsonPath('probes.0.calibration.id', $id);
        self::assertSame([$id], $this->getJson("/api/probes/{$this->electrode()}/calibrations")->assertOk()->json('calibrations.*.id'));
    }

    public function test_refuses_a_reading_before_it_is_steady_and_notes_one_taken_anyway(): void
    {
        $id = $this->opened();
        $this->actAndSettle($this->bench, 'dip', into: 'buffer-7.00');
        $this->postJson("/api/benches/{$this->bench->id}/acts", ['act' => 'dip', 'into' => 'buffer-4.01'])->assertOk();
        $this->goOn($this->bench, 0.9);

        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertConflict()->assertJsonPath('code', 'not-steady');
        $taken = $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0, 'takeAnyway' => true])->assertOk();

        self::assertFalse($taken->json('standards.0.reading.wasSteady'));
        self::assertContains('not-steady', $taken->json('faults.*.code'));
        self::assertStringContainsString('The reading in 7.00 was taken while it still drifted.', implode(' ', $taken->json('faults.*.sentence')));
    }

    public function test_swapped_buffers_are_told_and_put_right(): void
    {
        $id = $this->opened();
        foreach (['buffer-4.01', 'buffer-7.00'] as $position => $buffer) {
            $this->actAndSettle($this->bench, 'dip', into: $buffer);
            $read = $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position]);
        }

        self::assertSame(['standards-swapped'], array_column($read->json('faults'), 'code'));
        $this->postJson("/api/calibrations/{$id}/keep")->assertConflict()->assertJsonPath('detail', $read->json('faults.0.sentence'));
        $this->postJson("/api/calibrations/{$id}/exchange", ['first' => 0, 'second' => 1])->assertOk()
            ->assertJsonPath('faults', [])->assertJsonPath('verdict.code', 'healthy')->assertJsonPath('standards.0.label', '4.01');
    }

    public function test_the_same_buffer_twice_is_told_and_a_retake_mends_it(): void
    {
        $id = $this->opened();
        $this->actAndSettle($this->bench, 'dip', into: 'buffer-7.00');
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertOk();
        $this->actAndSettle($this->bench, 'dip', into: 'buffer-7.00');
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 1])->assertJsonPath('faults.0.code', 'same-standard-twice');

        $this->deleteJson("/api/calibrations/{$id}/readings/1")->assertOk()->assertJsonPath('standards.1.reading', null)->assertJsonPath('faults', []);
        self::assertSame(2, CalibrationReading::query()->where('calibration_id', $id)->count(), 'What was taken back is still there.');
    }

    public function test_typed_standards_are_taken_and_nonsense_is_told(): void
    {
        $probe = $this->electrode();
        $typed = static fn (mixed ...$values): array => self::USUAL + ['standards' => array_map(static fn (mixed $v): array => ['source' => 'typed', 'value' => $v], array_values($values))];
        $this->postJson("/api/probes/{$probe}/calibrations", $typed(6.5, 9.2))->assertCreated()
            ->assertJsonPath('standards.0.label', '6.50')->assertJsonPath('standards.1.value', 9.2);

        foreach ([
            'The value of standard 2 must be a number from 0 to 14 pH.' => $typed(7.0, 47),
            'The value of standard 1 must be a number from 0 to 14 pH.' => $typed('milk', 7.0),
            'Standard 2 needs a value: type it.' => $typed(7.0, null),
            'Choose at least one standard.' => self::USUAL + ['standards' => []],
            'Standard 1 is no buffer we know; choose another, or type its pH.' => self::USUAL + ['standards' => [['source' => 'buffer', 'code' => 'milk']]],
            'This kind of probe is not calibrated in that way. Choose one of the ways its page offers.' => ['recipe' => 'hung-weights'],
            'The temperature of the standards must be a number from 0 to 50 °C.' => self::USUAL + ['settings' => ['celsius' => 80]],
        ] as $sentence => $body) {
            $this->postJson("/api/probes/{$probe}/calibrations", $body)->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
    }

    public function test_changing_standards_keeps_the_readings_of_those_that_stay(): void
    {
        $id = $this->opened();
        $this->actAndSettle($this->bench, 'dip', into: 'buffer-7.00');
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertOk();
        $buffers = static fn (string ...$codes): array => ['standards' => array_map(static fn (string $c): array => ['source' => 'buffer', 'code' => $c], array_values($codes))];

        $changed = $this->patchJson("/api/calibrations/{$id}", $buffers('7.00', 'borax'))->assertOk();
        self::assertNotNull($changed->json('standards.0.reading'));
        $warm = $this->patchJson("/api/calibrations/{$id}", ['settings' => ['celsius' => 25.0]])->assertOk();
        self::assertEqualsWithDelta(6.864, $this->patchJson("/api/calibrations/{$id}", $buffers('phosphate', 'borax'))->json('standards.0.valueHere'), 0.002, 'Bates, at 25 °C.');
        self::assertSame(25.0, (float) $warm->json('celsius'));
        self::assertNull($this->getJson("/api/calibrations/{$id}")->json('standards.0.reading'));
    }

    public function test_what_is_typed_while_the_bench_is_read_counts_for_that_reading(): void
    {
        $calibration = Calibration::query()->findOrFail($this->opened());
        $this->patchJson("/api/calibrations/{$calibration->id}", ['settings' => ['celsius' => 31.0]])->assertOk();
        self::assertNull($calibration->setting('celsius'), 'Asked for before that.');
        $taken = $this->app->make(CalibrationBook::class)->takeReading($calibration, 0, takeAnyway: true);

        self::assertSame(31.0, $taken->readings->firstOrFail()->celsius);
        self::assertSame(31.0, CalibrationReading::query()->where('calibration_id', $calibration->id)->firstOrFail()->celsius);
        $late = Calibration::query()->findOrFail($calibration->id);
        $this->deleteJson("/api/calibrations/{$calibration->id}")->assertSuccessful();
        try {
            $this->app->make(CalibrationBook::class)->takeReading($late, 1, takeAnyway: true);
            self::fail('It was left meanwhile.');
        } catch (Refusal $refusal) {
            self::assertSame(409, $refusal->status);
        }
        self::assertSame(1, CalibrationReading::query()->where('calibration_id', $calibration->id)->count());
    }

    public function test_a_bottle_from_the_shelf_brings_its_lot_and_says_when_it_has_expired(): void
    {
        $bottle = $this->postJson('/api/shelf', [
            'kind' => 'ph-electrode', 'source' => 'buffer', 'code' => '7.00', 'label' => 'buffer 7.00', 'lot' => 'LK-1', 'expiresOn' => now()->subDay()->format('Y-m-d'),
        ])->assertCreated();
        $opened = $this->postJson("/api/probes/{$this->electrode()}/calibrations", self::USUAL + [
            'standards' => [['shelfId' => $bottle->json('id')], ['source' => 'buffer', 'code' => '4.01']],
        ])->assertCreated();

        self::assertSame(['buffer 7.00', 'LK-1', true], [$opened->json('standards.0.label'), $opened->json('standards.0.lot'), $opened->json('standards.0.isExpired')]);
        self::assertSame(['expired-standard'], $opened->json('faults.*.code'));
        self::assertStringContainsString('The bottle of buffer 7.00 was good until '.now()->subDay()->isoFormat('D MMMM YYYY').'.', $opened->json('faults.0.sentence'));
    }

    public function test_the_bottle_in_hand_is_recognised_when_it_is_another_than_was_said(): void
    {
        $id = $this->opened();
        foreach (['buffer-7.00', 'buffer-10.01'] as $position => $buffer) {
            $this->actAndSettle($this->bench, 'dip', into: $buffer);
            $read = $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position])->assertOk();
        }

        self::assertSame('another-standard', $read->json('faults.0.code'));
        self::assertStringContainsString('in 4.01 is what 10.01 would give. Look at the bottle in hand', $read->json('faults.0.sentence'));
        $this->postJson("/api/calibrations/{$id}/keep")->assertConflict();
    }

    public function test_a_jump_grown_too_small_is_told_as_something_carried_over(): void
    {
        $first = $this->opened();
        foreach (['buffer-7.00', 'buffer-4.01'] as $position => $buffer) {
            $this->actAndSettle($this->bench, 'rinse');
            $this->actAndSettle($this->bench, 'dip', into: $buffer);
            $this->postJson("/api/calibrations/{$first}/readings", ['position' => $position])->assertOk();
        }
        $this->postJson("/api/calibrations/{$first}/keep")->assertOk();

        $second = $this->opened();
        $this->actAndSettle($this->bench, 'rinse');
        $this->actAndSettle($this->bench, 'dip', into: 'buffer-7.00');
        $this->postJson("/api/calibrations/{$second}/readings", ['position' => 0])->assertOk();
        // Straight on, without a rinse; 25 s later the glass has followed, but a tenth of the old solution still sticks to it.
        $this->postJson("/api/benches/{$this->bench->id}/acts", ['act' => 'dip', 'into' => 'buffer-4.01'])->assertOk()->assertJsonPath('world.isRinsed', false);
        $this->goOn($this->bench, 25.0);
        $read = $this->postJson("/api/calibrations/{$second}/readings", ['position' => 1, 'takeAnyway' => true])->assertOk();

        self::assertContains('carried-over', $read->json('faults.*.code'));
        self::assertMatchesRegularExpression('/The jump from 7\.00 to 4\.01 is \d+ % smaller than at the last calibration, as if some 7\.00 stuck to the probe\./', implode(' ', $read->json('faults.*.sentence')));
    }

    public function test_a_closed_calibration_stays_as_it_is(): void
    {
        $id = $this->opened();
        $this->postJson("/api/calibrations/{$id}/keep")->assertConflict()
            ->assertJsonPath('detail', 'A line needs readings in at least two different standards.');
        $this->deleteJson("/api/calibrations/{$id}")->assertNoContent();

        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertConflict()->assertJsonPath('code', 'calibration-closed');
        $this->postJson("/api/calibrations/{$id}/exchange", ['first' => 0, 'second' => 1])->assertConflict();
    }

    public function test_another_teacher_can_neither_see_nor_touch_it(): void
    {
        $id = $this->opened();
        $probe = $this->electrode();
        $this->actingAs($this->teacher());

        $this->getJson("/api/calibrations/{$id}")->assertForbidden()->assertJsonPath('detail', 'This belongs to another teacher.');
        $this->postJson("/api/probes/{$probe}/calibrations", self::USUAL)->assertForbidden();
        $this->postJson("/api/calibrations/{$id}/keep")->assertForbidden();
        $this->postJson("/api/benches/{$this->bench->id}/acts", ['act' => 'rinse'])->assertForbidden();
        $this->getJson("/api/benches/{$this->bench->id}/truth")->assertForbidden();
    }

    /** @return array<string, float> */
    private function truthOf(Bench $bench): array
    {
        return array_column($this->getJson("/api/benches/{$bench->id}/truth")->assertOk()->json('truth'), 'value', 'key');
    }

    private function electrode(): int
    {
        return $this->electrodeOf($this->bench)->id;
    }

    private function opened(): int
    {
        return $this->postJson("/api/probes/{$this->electrode()}/calibrations", self::USUAL)->assertCreated()->json('id');
    }
}

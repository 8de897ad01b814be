<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\CalibrationReading;
use App\Models\User;
use Tests\TestCase;

final class CalibrationTest extends TestCase
{
    private const USUAL = ['standards' => [['buffer' => '7.00'], ['buffer' => '4.01'], ['buffer' => '10.01']]];

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
        $truth = $this->getJson("/api/benches/{$this->bench->id}/truth")->assertOk()->json('truth');

        self::assertSame([], $kept->json('faults'));
        self::assertSame('healthy', $kept->json('verdict.code'));
        self::assertEqualsWithDelta($truth['slopePercent'], $kept->json('line.slopePercent'), 3 * $kept->json('line.slopePercentUncertainty'));
        self::assertEqualsWithDelta($truth['offsetMv'], $kept->json('line.offset'), 3 * $kept->json('line.offsetUncertainty'));
        self::assertCount(40, CalibrationReading::query()->where('calibration_id', $id)->firstOrFail()->samples, 'All raw values are kept.');
        $this->getJson("/api/benches/{$this->bench->id}")->assertJsonPath('probes.0.calibration.id', $id);
        self::assertSame([$id], array_column($this->getJson("/api/probes/{$this->electrode()}/calibrations")->assertOk()->json(), 'id'));
    }

    public function test_refuses_a_reading_before_it_is_steady_and_notes_one_taken_anyway(): void
    {
        $id = $this->opened();
        $this->actAndSettle($this->bench, 'dip', into: 'buffer-7.00');
        $this->postJson("/api/benches/{$this->bench->id}/acts", ['act' => 'speed', 'times' => 1])->assertOk();
        $this->postJson("/api/benches/{$this->bench->id}/acts", ['act' => 'dip', 'into' => 'buffer-4.01'])->assertOk();
        usleep(900_000);

        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertConflict()->assertJsonPath('code', 'not-steady');
        $taken = $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0, 'takeAnyway' => true])->assertOk();

        self::assertFalse($taken->json('standards.0.reading.wasSteady'));
        self::assertSame(['not-steady'], array_column($taken->json('faults'), 'code'));
        self::assertStringContainsString('The reading in 7.00 was taken while it still drifted.', $taken->json('faults.0.sentence'));
    }

    public function test_swapped_buffers_are_told_and_put_right(): void
    {
        $id = $this->opened();
        foreach (['buffer-4.01', 'buffer-7.00'] as $position => $buffer) {
            $this->actAndSettle($this->bench, 'dip', into: $buffer);
            $read = $this->postJson("/api/calibrations/{$id}/readings", ['position' => $position]);
        }

        self::assertSame(['buffers-swapped'], array_column($read->json('faults'), 'code'));
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
        $this->postJson("/api/probes/{$probe}/calibrations", ['standards' => [['ph' => 6.5], ['ph' => 9.2]]])->assertCreated()
            ->assertJsonPath('standards.0.label', '6.50')->assertJsonPath('standards.1.ph', 9.2);

        $this->postJson("/api/probes/{$probe}/calibrations", ['standards' => [['buffer' => '7.00']]])
            ->assertUnprocessable()->assertJsonPath('detail', 'A line needs at least two standards.');
        $this->postJson("/api/probes/{$probe}/calibrations", ['standards' => [['buffer' => '7.00'], ['ph' => 47]]])
            ->assertUnprocessable()->assertJsonPath('detail', 'The pH of standard 2 must lie between 0 and 14.');
        $this->postJson("/api/probes/{$probe}/calibrations", ['standards' => [['buffer' => 'milk'], ['ph' => 7]]])->assertUnprocessable();
    }

    public function test_changing_standards_keeps_the_readings_of_those_that_stay(): void
    {
        $id = $this->opened();
        $this->actAndSettle($this->bench, 'dip', into: 'buffer-7.00');
        $this->postJson("/api/calibrations/{$id}/readings", ['position' => 0])->assertOk();

        $changed = $this->patchJson("/api/calibrations/{$id}", ['standards' => [['buffer' => '7.00'], ['buffer' => 'borax']]])->assertOk();
        self::assertNotNull($changed->json('standards.0.reading'));
        $changed = $this->patchJson("/api/calibrations/{$id}", ['standards' => [['buffer' => 'phosphate'], ['buffer' => 'borax']]])->assertOk();
        self::assertNull($changed->json('standards.0.reading'));
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

    private function electrode(): int
    {
        return $this->electrodeOf($this->bench)->id;
    }

    private function opened(): int
    {
        return $this->postJson("/api/probes/{$this->electrode()}/calibrations", self::USUAL)->assertCreated()->json('id');
    }
}

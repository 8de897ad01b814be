<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use App\Models\Reading;
use App\Models\Run;
use Database\Seeders\Larkfield;
use Tests\TestCase;

/** What is said of a titration while it goes on: Monday's whey, whose jump is at 10.45 mL, in the middle. */
final class AdviceTest extends TestCase
{
    /** The jump shows itself from here on. */
    private const REACHED_ML = 9.75;

    private Run $run;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $larkfield = new Larkfield($teacher, 'advice');
        array_map($this->keepForTearDown(...), array_values($larkfield->benches(['Alder'])));
        $larkfield->whey();
        $this->run = Experiment::query()->where('user_id', $teacher->id)->firstOrFail()->runs()->firstOrFail();
        $this->run->setAsides()->delete();
        $plan = ['ranges' => [['from' => 0.0, 'to' => 20.0, 'step' => 0.5]]];
        $this->run->update(['state' => Run::OPEN, 'finished_at' => null, 'plan' => $plan]);
        $this->run->readings()->where('step', '>', self::REACHED_ML + 0.001)->delete();
    }

    public function test_finer_steps_are_proposed_from_the_last_reading_on_when_the_jump_is_near(): void
    {
        $refine = $this->advice()['refine'];

        self::assertEqualsWithDelta([self::REACHED_ML, 0.1], [$refine['from'], $refine['step']], 1e-9);
        self::assertGreaterThan(10.45, $refine['to']);
        $this->run->readings()->where('step', '>', 6.0)->delete();
        self::assertNull($this->advice(), 'Long before the jump nothing is said.');
    }

    public function test_a_reading_without_a_ph_and_one_that_was_set_aside_change_nothing_of_it(): void
    {
        $before = $this->advice();
        $at = fn (float $step): Reading => $this->run->readings()->where('step', $step)->firstOrFail();
        $electrode = $this->run->channels()->where('role', 'electrode')->firstOrFail()->id;
        $at(9.25)->cells()->where('run_channel_id', $electrode)->delete();

        self::assertSame($before, $this->advice());
        // So far off that the slope no longer grows.
        $at(9.0)->cells()->where('run_channel_id', $electrode)->increment('mean', 400.0);
        self::assertNotSame($before, $this->advice());
        $aside = ['readings' => [$at(9.0)->id], 'reason' => 'electrode in the air'];
        $this->putJson("/api/runs/{$this->run->id}/set-aside", $aside)->assertOk();
        self::assertSame($before, $this->advice());
    }

    /** @return array{warnings: list<mixed>, refine: array{from: float, to: float, step: float}|null}|null */
    private function advice(): ?array
    {
        return $this->getJson("/api/runs/{$this->run->id}")->assertOk()->json('advice');
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Reading;
use App\Models\User;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

final class RunTest extends TestCase
{
    private User $teacher;

    private Bench $bench;

    private Experiment $experiment;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->bench = $this->connectedBenchOf($this->teacher);
        $this->experiment = $this->experimentOf($this->teacher, $this->bench);
        $this->actingAs($this->teacher);
    }

    public function test_takes_readings_step_by_step_and_keeps_them_in_order(): void
    {
        $run = $this->started();
        $this->actAndSettle($this->bench, 'dip', into: 'beaker');
        $first = $this->take($run, 0.0)->assertCreated();
        $this->actAndSettle($this->bench, 'dispense', volume: 0.5);
        $second = $this->take($run, 0.5)->assertCreated();

        self::assertSame([0.0, 0.5], array_map(floatval(...), array_column($second->json('readings'), 'volume')));
        self::assertTrue($second->json('readings.1.wasSteady'));
        self::assertEquals(0.5, $first->json('remaining.0'));
        self::assertEquals(1.0, $second->json('remaining.0'));
        self::assertNotNull($second->json('readings.1.celsius'));
        $this->postJson("/api/runs/{$run}/finish")->assertOk()->assertJsonPath('state', 'finished');
        $this->take($run, 1.0)->assertConflict()->assertJsonPath('code', 'run-finished');
    }

    public function test_the_same_request_twice_stores_one_reading(): void
    {
        $run = $this->started();
        $key = (string) Str::uuid();

        $this->take($run, 0.0, key: $key)->assertCreated();
        $this->take($run, 0.0, key: $key)->assertCreated()->assertJsonCount(1, 'readings');
        self::assertSame(1, Reading::query()->where('run_id', $run)->count());
    }

    public function test_a_second_screen_cannot_take_the_same_step_again(): void
    {
        $run = $this->started();
        $this->take($run, 0.5)->assertCreated();

        $this->take($run, 0.5)->assertConflict()->assertJsonPath('code', 'volume-taken');
        $this->take($run, 0.2)->assertConflict()->assertJsonPath('code', 'volume-backwards');
    }

    public function test_a_retake_replaces_and_keeps_the_old_reading_in_history(): void
    {
        $run = $this->started();
        $old = $this->take($run, 0.0)->json('readings.0.id');
        $retaken = $this->take($run, 0.0, replaces: $old)->assertCreated()->assertJsonCount(1, 'readings');

        self::assertNotSame($old, $retaken->json('readings.0.id'));
        self::assertSame($retaken->json('readings.0.id'), Reading::query()->findOrFail($old)->replaced_by_id);
        $this->take($run, 1.0, replaces: 999_999_999)->assertUnprocessable()
            ->assertJsonPath('detail', 'The reading to retake is not part of this run any more.');
    }

    public function test_a_deleted_reading_comes_back(): void
    {
        $run = $this->started();
        $reading = $this->take($run, 0.0)->json('readings.0.id');

        $this->deleteJson("/api/readings/{$reading}")->assertOk()->assertJsonCount(0, 'readings');
        $this->postJson("/api/readings/{$reading}/restore")->assertOk()->assertJsonPath('readings.0.id', $reading);
        $this->deleteJson("/api/readings/{$reading}")->assertOk();
        $this->take($run, 0.0)->assertCreated();
        $this->postJson("/api/readings/{$reading}/restore")->assertConflict()->assertJsonPath('code', 'volume-taken');
    }

    public function test_a_reading_is_set_aside_with_a_reason_and_taken_back(): void
    {
        $run = $this->started();
        $reading = $this->take($run, 0.0)->json('readings.0.id');

        $this->patchJson("/api/readings/{$reading}", ['setAsideReason' => 'x'])->assertUnprocessable()
            ->assertJsonPath('detail', 'Say why in a few words, so that a reader can judge.');
        $this->patchJson("/api/readings/{$reading}", [])->assertUnprocessable();
        $this->patchJson("/api/readings/{$reading}", ['setAsideReason' => 'touched the glass'])->assertOk()
            ->assertJsonPath('readings.0.setAsideReason', 'touched the glass');
        $this->patchJson("/api/readings/{$reading}", ['setAsideReason' => null])->assertOk()->assertJsonPath('readings.0.setAsideReason', null);
    }

    public function test_a_plan_changes_while_the_run_goes_on_and_the_next_run_learns_from_it(): void
    {
        $run = $this->started();
        $this->take($run, 0.0);

        $this->patchJson("/api/runs/{$run}", ['refine' => ['from' => 1, 'to' => 2, 'step' => 0.25]])->assertOk()
            ->assertJsonPath('remaining', [0.5, 1, 1.25, 1.5, 1.75, 2, ...array_map(static fn (float $v): float|int => fmod($v, 1.0) === 0.0 ? (int) $v : $v, range(2.5, 20.0, 0.5))]);
        $this->patchJson("/api/runs/{$run}", ['plan' => [['from' => 3, 'to' => 1, 'step' => 1]]])->assertUnprocessable()
            ->assertJsonPath('detail', 'The last volume must lie between 3 and 100 mL, but 1 was given.');
        $this->patchJson("/api/runs/{$run}", ['plan' => [['from' => 'a', 'to' => 1, 'step' => 1]]])->assertUnprocessable()
            ->assertJsonPath('detail', 'The first volume must be a number from 0 to 100 mL.');
        self::assertSame(0.25, $this->experiment->refresh()->plan[1]['step']);
    }

    public function test_one_bench_records_one_run_at_a_time(): void
    {
        $this->started();
        $other = $this->experimentOf($this->teacher, $this->bench);

        $this->postJson("/api/experiments/{$other->id}/runs")->assertConflict()
            ->assertJsonPath('detail', 'A run of "Test of the brine" is still open on this bench. Finish it first.');
    }

    public function test_a_run_finished_by_mistake_goes_on(): void
    {
        $run = $this->started();
        $this->take($run, 0.0);
        $this->postJson("/api/runs/{$run}/finish")->assertOk()->assertJsonPath('remaining', []);

        $this->postJson("/api/runs/{$run}/reopen")->assertOk()->assertJsonPath('state', 'open')->assertJsonPath('finishedAt', null);
        $this->postJson("/api/runs/{$run}/reopen")->assertOk()->assertJsonPath('state', 'open');
        $this->take($run, 0.5)->assertCreated()->assertJsonCount(2, 'readings');
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        $this->started();
        $this->postJson("/api/runs/{$run}/reopen")->assertConflict()->assertJsonPath('code', 'bench-busy');
    }

    public function test_readings_leave_as_a_file_with_units(): void
    {
        $run = $this->started();
        $this->take($run, 0.0);
        $point = (string) $this->get("/api/runs/{$run}/readings.csv")->assertOk()->assertDownload('test-of-the-brine-run-1.csv')->getContent();
        $comma = (string) $this->get("/api/runs/{$run}/readings.csv?decimal=comma")->assertOk()->getContent();

        self::assertStringStartsWith("\u{FEFF}Volume of NaOH added (mL),pH (pH),Uncertainty of pH (pH),Electrode (mV),Temperature (°C),Steady", $point);
        self::assertMatchesRegularExpression('/^0,-?\d+(\.\d+)?,/', explode("\r\n", $point)[1]);
        self::assertMatchesRegularExpression('/^0;-?\d+(,\d+)?;/', explode("\r\n", $comma)[1]);
        $this->getJson("/api/runs/{$run}/readings.csv?decimal=dot")->assertUnprocessable();
    }

    public function test_another_teacher_can_neither_see_nor_touch_it(): void
    {
        $run = $this->started();
        $reading = $this->take($run, 0.0)->json('readings.0.id');
        $this->actingAs($this->teacher());

        foreach ([['GET', "/api/runs/{$run}"], ['POST', "/api/runs/{$run}/finish"], ['GET', "/api/runs/{$run}/readings.csv"],
            ['DELETE', "/api/readings/{$reading}"], ['GET', "/api/experiments/{$this->experiment->id}"],
            ['GET', "/api/experiments/{$this->experiment->id}/working"], ['POST', "/api/experiments/{$this->experiment->id}/runs"]] as [$method, $path]) {
            $this->json($method, $path)->assertForbidden();
        }
        $this->getJson('/api/runs/999999999')->assertNotFound()->assertJsonPath('detail', 'There is nothing at this address. It may have been deleted.');
        $this->getJson('/api/nonsense')->assertNotFound();
    }

    private function started(): int
    {
        return $this->postJson("/api/experiments/{$this->experiment->id}/runs")->assertCreated()->json('id');
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function take(int $run, float $volume, ?string $key = null, ?int $replaces = null): TestResponse
    {
        // At once after another reading, too: the recorder waits for the first value that comes.
        return $this->postJson("/api/runs/{$run}/readings", ['key' => $key ?? (string) Str::uuid(), 'volume' => $volume, 'replaces' => $replaces, 'takeAnyway' => true]);
    }
}

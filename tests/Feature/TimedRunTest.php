<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Run;
use App\Models\User;
use App\Recorder\RecorderClient;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\Recording;
use Tests\TestCase;

/** Runs that record by themselves: how they begin, end and go on, on really started benches. */
final class TimedRunTest extends TestCase
{
    use Recording;

    private User $teacher;

    private Bench $bench;

    private Experiment $experiment;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->bench = $this->connectedBenchOf($this->teacher, 'Hazel');
        $this->experiment = $this->experimentOf($this->teacher, $this->bench, 'sealed-bottle');
        $this->actingAs($this->teacher);
    }

    public function test_is_recorded_at_its_rate_and_ends_by_itself(): void
    {
        $run = $this->started(['rate' => 20, 'length' => 2, 'begin' => null, 'end' => null]);
        $this->ended($run);

        $rows = $this->getJson("/api/runs/{$run}")->assertOk();
        $times = $rows->json('rows.*.cells.t.value');
        self::assertCount(41, $times, 'Both ends of two seconds, twenty times a second.');
        foreach ($times as $i => $time) {
            self::assertEqualsWithDelta($i * 0.05, $time, 1e-9);
        }
        self::assertCount(41, array_filter($rows->json('rows.*.cells.p.value')));
        self::assertSame('length', Run::query()->findOrFail($run)->ended_by);
        $this->getJson("/api/experiments/{$this->experiment->id}/history")->assertOk()->assertJsonPath('0.words', 'Run 1 reached its length')->assertJsonPath('0.kind', 'noted');
        $this->getJson("/api/experiments/{$this->experiment->id}")->assertOk()->assertJsonPath('undo', 'Started Run 1 at '.$this->bench->name);
    }

    public function test_begins_when_the_pressure_rises_with_what_was_before_and_ends_when_it_is_steady(): void
    {
        $this->act('bottle');
        $this->act('bath', in: 'cold bath');
        $this->goOn($this->bench, 80.0);
        $run = $this->started(['rate' => 10, 'length' => 400, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 99, 'before' => 2], 'end' => ['when' => 'steady', 'column' => 'th']]);
        $this->goOn($this->bench, 5.0);
        self::assertTrue(Run::query()->with('channels')->findOrFail($run)->isWaiting(), 'The cold bottle is below the level.');
        $this->getJson("/api/runs/{$run}")->assertOk()->assertJsonCount(0, 'rows');
        $this->act('bath', in: 'warm bath');
        $this->ended($run);

        $rows = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows');
        self::assertEqualsWithDelta(-2.0, $rows[0]['cells']['t']['value'], 1e-9);
        foreach ($rows as $row) {
            $time = $row['cells']['t']['value'];
            $time < -0.05 && self::assertLessThan(99.4, $row['cells']['p']['value'], "at {$time} s");
            if (abs($time) < 1e-9) {
                self::assertEqualsWithDelta(99.0, $row['cells']['p']['value'], 0.5);
            }
        }
        $last = $rows[count($rows) - 1]['cells'];
        self::assertEqualsWithDelta(41.0 * 1.006 - 0.35, $last['th']['value'], 0.4, 'What the thermometer shows in the warm bath.');
        self::assertSame('event', Run::query()->findOrFail($run)->ended_by);
        self::assertGreaterThan(20.0, $last['t']['value']);
        $slope = $this->lineOf($this->experiment->id, 'b', $run)['result']['value'];
        // The thermometer lags behind by half a second, and neither sensor was calibrated.
        self::assertEqualsWithDelta($this->truth('kpaPerKelvin'), $slope, 0.05 * $slope);
    }

    public function test_goes_on_without_a_gap_within_a_minute(): void
    {
        $run = $this->started(['rate' => 10, 'length' => 1.5, 'begin' => null, 'end' => null]);
        $this->ended($run);
        $this->goOn($this->bench, 2.0);
        $this->postJson("/api/runs/{$run}/go-on", ['more' => 2.5])->assertOk()->assertJsonPath('changed.0.value.state', 'open')->assertJsonPath('changed.0.value.timed.plan.length', 4);
        $this->ended($run);

        $cells = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells');
        self::assertCount(41, $cells);
        self::assertCount(41, array_filter($cells, static fn (array $c): bool => $c['p'] !== null), 'Nothing is missing between.');
    }

    public function test_stopped_by_hand_it_ends_there_and_given_up_while_it_waits_it_leaves_no_number(): void
    {
        $waiting = $this->started(['rate' => 10, 'length' => 5, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 500, 'before' => 1], 'end' => null]);
        $this->postJson("/api/runs/{$waiting}/finish")->assertOk();
        $run = $this->started(['rate' => 10, 'length' => null, 'begin' => null, 'end' => null]);
        $this->goOn($this->bench, 1.5);
        $this->postJson("/api/runs/{$run}/finish")->assertOk()->assertJsonPath('changed.0.value.number', 1)->assertJsonPath('changed.0.value.timed.endedBy', 'hand');
        $ended = Run::query()->findOrFail($run)->ended_s;
        self::assertEqualsWithDelta(1.5, $ended, 0.7);
        $this->goOn($this->bench, 1.0);
        self::assertLessThanOrEqual($ended + 1e-9, max($this->getJson("/api/runs/{$run}")->json('rows.*.cells.t.value')));
        // A stop by a slip of the finger: it goes on, and ends where it is stopped again.
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk()->assertJsonPath('changed.0.value.state', 'open')->assertJsonPath('changed.0.value.timed.endedS', null);
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        self::assertGreaterThan($ended + 0.9, Run::query()->findOrFail($run)->ended_s);
    }

    #[Group('shakes')]
    public function test_a_recorder_killed_while_the_run_waits_finds_the_beginning_it_missed(): void
    {
        $run = $this->started(['rate' => 10, 'length' => 3, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 130, 'before' => 1], 'end' => null]);
        usleep(800_000);
        $this->act('strain', on: false);
        $this->act('valve', on: true);
        $this->act('plunger', volume: 40.0);
        $this->act('valve', on: false);
        usleep(600_000);
        $pid = $this->recorder();
        $this->act('plunger', volume: 25.0);
        posix_kill($pid, SIGKILL);
        $this->endedByItself($run);

        $cells = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells');
        self::assertCount(41, $cells);
        self::assertCount(41, array_filter($cells, static fn (array $c): bool => $c['p'] !== null));
        self::assertLessThan(130.0, $cells[9]['p']['value']);
        self::assertGreaterThan(130.0, $cells[10]['p']['value'], 'The first moment is where it was.');
    }

    /** @return iterable<string, array{int}> ms between what the run waits for and the death of the recorder */
    public static function moments(): iterable
    {
        yield 'before it is heard of' => [20];
        yield 'while it is written down' => [120];
        yield 'when it has begun' => [350];
    }

    #[Group('shakes')]
    #[DataProvider('moments')]
    public function test_a_recorder_killed_as_the_run_begins_loses_nothing_of_it(int $afterMs): void
    {
        $this->act('strain', on: false);
        $this->act('valve', on: true);
        $this->act('plunger', volume: 40.0);
        $this->act('valve', on: false);
        usleep(600_000);
        $run = $this->started(['rate' => 10, 'length' => 3, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 130, 'before' => 1], 'end' => null]);
        usleep(1_300_000);
        $pid = $this->recorder();
        $this->act('plunger', volume: 25.0);
        usleep($afterMs * 1000);
        posix_kill($pid, SIGKILL);
        $this->endedByItself($run);

        $cells = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells');
        self::assertCount(41, array_filter($cells, static fn (array $c): bool => $c['p'] !== null));
        self::assertLessThan(130.0, $cells[9]['p']['value']);
        self::assertGreaterThan(130.0, $cells[10]['p']['value']);
    }

    #[Group('shakes')]
    public function test_a_recorder_killed_as_a_run_goes_on_leaves_no_gap(): void
    {
        $run = $this->started(['rate' => 10, 'length' => 1.5, 'begin' => null, 'end' => null]);
        $this->ended($run);
        $pid = $this->recorder();
        $this->postJson("/api/runs/{$run}/go-on", ['more' => 2.5])->assertOk();
        posix_kill($pid, SIGKILL);
        $this->eventually(fn (): bool => ($now = $this->maybeProcessOf('welkion:record')) !== null && $now !== $pid);
        $this->endedByItself($run);

        $cells = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells');
        self::assertCount(41, array_filter($cells, static fn (array $c): bool => $c['p'] !== null), 'What came while nobody listened was asked for.');
    }

    public function test_a_marker_begins_a_run_is_named_and_stands_in_the_file(): void
    {
        $run = $this->started(['rate' => 10, 'length' => 2, 'begin' => ['when' => 'marker', 'before' => 0.5], 'end' => null]);
        $this->postJson("/api/runs/{$run}/markers")->assertConflict()->assertJsonPath('code', 'has-not-begun');
        $this->goOn($this->bench, 0.9);
        $this->postJson("/api/runs/{$run}/begin")->assertNoContent();
        $this->postJson("/api/runs/{$run}/begin")->assertConflict();
        $this->eventually(fn (): bool => ! Run::query()->with('channels')->findOrFail($run)->isWaiting());
        $marker = $this->postJson("/api/runs/{$run}/markers", ['at' => 0.72])->assertCreated()->assertJsonPath('rows.0.markers.0.at', 0.72)->assertJsonPath('undo', 'A marker in Run 1 dropped')->json('made');
        $this->ended($run);
        $this->patchJson("/api/runs/{$run}/markers/{$marker}", ['name' => 'stirred'])->assertOk()->assertJsonPath('rows.0.markers.0.name', 'stirred')->assertJsonPath('undo', 'Marker “stirred” in Run 1 named');
        $this->postJson("/api/runs/{$run}/markers", ['row' => 1, 'name' => 'stirred'])->assertUnprocessable()->assertJsonPath('code', 'has-moments');
        $this->patchJson("/api/runs/{$run}/markers/{$marker}", ['at' => 0.75])->assertOk()->assertJsonPath('undo', 'Marker “stirred” in Run 1 moved');
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk();

        $lines = explode("\n", trim((string) $this->get("/api/runs/{$run}/rows.csv")->assertOk()->getContent()));
        self::assertCount(27, $lines);
        self::assertSame([-0.5, 2.0], [(float) explode(',', $lines[1])[0], (float) explode(',', $lines[26])[0]]);
        $marked = array_values(array_filter($lines, static fn (string $l): bool => str_contains($l, 'stirred')));
        self::assertCount(1, $marked);
        self::assertSame(0.7, (float) explode(',', $marked[0])[0], 'In the row before it.');
        $this->deleteJson("/api/runs/{$run}/markers/{$marker}")->assertOk()->assertJsonCount(0, 'rows.0.markers');
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk()->assertJsonPath('rows.0.markers.0.name', 'stirred');
    }

    public function test_a_bumped_probe_is_told_and_a_series_counts_on(): void
    {
        $this->act('bottle', on: true);
        $run = $this->started(['rate' => 10, 'length' => 4, 'begin' => null, 'end' => null]);
        $this->patchJson("/api/runs/{$run}", ['condition' => 'cold', 'trial' => 2])->assertOk()->assertJsonPath('changed.0.value.name', 'cold trial 2')->assertJsonPath('changed.0.value.ownName', '');
        $this->goOn($this->bench, 1.5);
        $this->act('bump', channel: 'pressure');
        $this->ended($run);
        $advice = $this->getJson("/api/runs/{$run}")->assertOk()->json('advice.warnings.0');
        self::assertSame('spike', $advice['code'] ?? null);
        self::assertMatchesRegularExpression('/^Spikes? in p\\.$/', $advice['title']);
        self::assertMatchesRegularExpression('/^At [123](\\.\\d)?\\b/', $advice['text']);

        $rows = $this->getJson("/api/runs/{$run}")->json('rows');
        $far = array_values(array_filter($rows, static fn (array $r): bool => abs($r['cells']['p']['value'] - $rows[0]['cells']['p']['value']) > 0.5));
        self::assertNotSame([], $far);
        $this->putJson("/api/runs/{$run}/set-aside", ['readings' => array_column($far, 'id'), 'reason' => 'bumped'])->assertOk();
        $this->getJson("/api/runs/{$run}")->assertJsonPath('advice', null)->assertJsonPath('rows.'.($far[0]['id'] - 1).'.setAside', 'bumped');
        $this->putJson("/api/runs/{$run}/set-aside", ['readings' => [42], 'reason' => 'bumped'])->assertUnprocessable();

        $next = $this->started(['rate' => 10, 'length' => 1, 'begin' => null, 'end' => null]);
        self::assertSame(['cold trial 3', 2], [Run::query()->findOrFail($next)->title(), Run::query()->findOrFail($next)->number]);
        $this->ended($next);
    }

    public function test_a_plan_follows_the_symbol_it_waits_for_and_stays_as_it_is_once_the_run_has_begun(): void
    {
        $run = $this->started(['rate' => 10, 'length' => 5, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 500, 'before' => 1], 'end' => ['when' => 'steady', 'column' => 'th']]);
        $column = $this->experiment->columns()->where('symbol', 'p')->firstOrFail();
        $this->patchJson("/api/experiments/{$this->experiment->id}/columns/{$column->id}", ['symbol' => 'P_gas'])->assertOk();
        $plan = $this->getJson("/api/experiments/{$this->experiment->id}")->assertOk()->assertJsonPath('plan.timed.begin.column', 'P_gas')->assertJsonPath('plan.timed.end.column', 'th')
            ->assertJsonPath('runs.0.timed.plan.begin.column', 'P_gas')->json('plan.timed');

        $plan['begin'] = null;
        $this->patchJson("/api/runs/{$run}", ['plan' => $plan])->assertOk();
        $this->eventually(fn (): bool => ! Run::query()->with('channels')->findOrFail($run)->isWaiting());
        $this->patchJson("/api/runs/{$run}", ['plan' => ['rate' => 1, 'length' => 5]])->assertConflict()->assertJsonPath('code', 'run-began');
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
    }

    public function test_a_blank_notebook_is_recorded_against_a_time_of_its_own(): void
    {
        $blank = $this->experimentOf($this->teacher, $this->bench, 'blank');
        $this->getJson("/api/experiments/{$blank->id}")->assertOk()->assertJsonPath('plan.timed.rate', 2)->assertJsonPath('plan.timed.length', 600);
        $this->postJson("/api/experiments/{$blank->id}/columns", ['symbol' => 't', 'name' => 'Gas temperature', 'unit' => '°C', 'kind' => 'measured', 'probeKind' => 'thermometer'])->assertCreated();
        $this->patchJson("/api/experiments/{$blank->id}", ['runKind' => 'timed'])->assertOk()->assertJsonPath('undo', 'Runs are timed from now on');
        $this->getJson("/api/experiments/{$blank->id}")->assertJsonPath('plan.runKind', 'timed')->assertJsonPath('plan.timed.rate', 2)->assertJsonPath('plan.timed.length', 600)
            ->assertJsonPath('columns.0.symbol', 'time')->assertJsonPath('columns.0.kind', 'time')
            ->assertJsonPath('figures.0.x', 'time')->assertJsonPath('figures.0.panels.*.y', [['t']]);
        $this->postJson("/api/experiments/{$blank->id}/columns", ['symbol' => 'p', 'name' => 'Pressure', 'unit' => 'kPa', 'kind' => 'measured', 'probeKind' => 'pressure-sensor'])->assertCreated();
        $this->getJson("/api/experiments/{$blank->id}")->assertJsonCount(1, 'figures')->assertJsonPath('figures.0.panels.*.y', [['t'], ['p']]);
        $this->postJson("/api/experiments/{$blank->id}/undo")->assertOk();
        $this->postJson("/api/experiments/{$blank->id}/undo")->assertOk();
        $this->getJson("/api/experiments/{$blank->id}")->assertJsonPath('plan.runKind', 'stepwise')->assertJsonCount(1, 'columns')->assertJsonCount(0, 'figures');
        $this->postJson("/api/experiments/{$blank->id}/columns", ['symbol' => 'V', 'name' => 'Volume', 'unit' => 'mL', 'kind' => 'step'])->assertCreated();
        $this->getJson("/api/experiments/{$blank->id}")->assertJsonCount(1, 'figures')->assertJsonPath('figures.0.x', 'V')->assertJsonPath('figures.0.panels.*.y', [['t']]);
        $this->postJson("/api/experiments/{$blank->id}/columns", ['symbol' => 'p', 'name' => 'Pressure', 'unit' => 'kPa', 'kind' => 'measured', 'probeKind' => 'pressure-sensor'])->assertCreated();
        $this->getJson("/api/experiments/{$blank->id}")->assertJsonCount(1, 'figures')->assertJsonPath('figures.0.panels.*.y', [['t']]);
        $this->patchJson("/api/experiments/{$blank->id}", ['runKind' => 'endless'])->assertUnprocessable();
    }

    public function test_says_what_cannot_be_planned(): void
    {
        $plan = fn (array $plan) => $this->patchJson("/api/experiments/{$this->experiment->id}", ['plan' => $plan]);
        $plan(['rate' => 0])->assertUnprocessable()->assertJsonPath('detail', 'The rate must lie between 0.001 and 100000 Hz, but 0 was given.');
        $plan(['rate' => 10, 'length' => 1e9])->assertUnprocessable();
        $plan(['rate' => 10, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 99, 'before' => 61]])->assertUnprocessable();
        $plan(['rate' => 10, 'begin' => ['when' => 'full moon', 'column' => 'p']])->assertUnprocessable();
        $plan(['rate' => 10, 'end' => ['when' => 'above', 'column' => 'p', 'level' => 'high']])->assertUnprocessable();
        $plan(['rate' => 10, 'begin' => ['when' => 'above', 'column' => 'q', 'level' => 1]])->assertOk();
        $this->postJson("/api/experiments/{$this->experiment->id}/runs")->assertUnprocessable()->assertJsonPath('code', 'cannot-wait');
        self::assertSame(0, DB::table('runs')->where('experiment_id', $this->experiment->id)->count());
    }

    public function test_a_run_that_takes_readings_has_no_moments_and_no_time_to_go_on_for(): void
    {
        $run = $this->storedRunOf($this->experimentOf($this->teacher, $this->silentBenchOf($this->teacher)))->id;

        $this->postJson("/api/runs/{$run}/markers", ['at' => 1])->assertConflict()->assertJsonPath('code', 'not-timed');
        $this->postJson("/api/runs/{$run}/go-on", ['more' => 60])->assertConflict()->assertJsonPath('code', 'not-timed');
        // A marker of it stands at a reading, if that is there.
        $this->postJson("/api/runs/{$run}/markers", ['row' => 99, 'name' => 'bubble'])->assertUnprocessable()->assertJsonPath('code', 'no-such-row');
    }

    #[Group('shakes')]
    public function test_stopped_while_the_recorder_is_away_it_ends_with_what_is_stored(): void
    {
        $began = microtime(true);
        $run = $this->started(['rate' => 10, 'length' => 600, 'begin' => null, 'end' => null]);
        $this->goOn($this->bench, 2.2);
        usleep(self::WRITTEN_WITHIN_US);
        $recorder = $this->recorder();
        posix_kill($recorder, SIGSTOP);
        try {
            $this->postJson("/api/runs/{$run}/finish")->assertOk()->assertJsonPath('changed.0.value.state', 'finished');
        } finally {
            posix_kill($recorder, SIGCONT);
        }
        $ended = Run::query()->findOrFail($run)->ended_s;
        self::assertGreaterThan(1.2, $ended);
        // The bench went on by itself, too, while the recorder was asked.
        self::assertLessThan(2.2 + microtime(true) - $began, $ended, 'Not the ten minutes that were planned.');
    }

    /** @param  array<string, mixed>  $plan */
    private function started(array $plan): int
    {
        $this->patchJson("/api/experiments/{$this->experiment->id}", ['plan' => $plan])->assertOk();

        return $this->startedRun($this->experiment);
    }

    private function ended(int $run): void
    {
        $this->goOnUntil($this->bench, static fn (): bool => Run::query()->findOrFail($run)->state === Run::FINISHED);
    }

    /** By the clock on the wall: while the recorder is away nobody can hurry the bench. */
    private function endedByItself(int $run): void
    {
        $this->eventually(static fn (): bool => Run::query()->findOrFail($run)->state === Run::FINISHED, 25.0, fn (): string => (string) json_encode([
            'run' => Run::query()->with('channels')->findOrFail($run)->toArray(), 'shown' => $this->getJson("/api/runs/{$run}")->json('rows.*.cells'),
            'truth' => app(RecorderClient::class)->truth($this->bench),
        ]));
    }

    private function act(string $act, mixed ...$details): void
    {
        app(RecorderClient::class)->act($this->bench, ['act' => $act] + $details);
    }

    private function truth(string $key): float
    {
        foreach (app(RecorderClient::class)->truth($this->bench) as $truth) {
            if (is_array($truth) && ($truth['key'] ?? '') === $key) {
                return (float) $truth['value'];
            }
        }
        self::fail("The bench knows no {$key}.");
    }
}

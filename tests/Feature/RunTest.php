<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Reading;
use App\Models\Run;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Support\Recording;
use Tests\TestCase;

final class RunTest extends TestCase
{
    use Recording;

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
        $run = $this->startedRun($this->experiment);
        $this->actAndSettle($this->bench, 'dip', into: 'beaker');
        $first = $this->take($run, 0.0)->assertCreated();
        $this->actAndSettle($this->bench, 'dispense', volume: 0.5);
        $second = $this->take($run, 0.5)->assertCreated();

        self::assertSame([0.0, 0.5], array_map(floatval(...), $second->json('rows.0.rows.*.step')));
        self::assertTrue($second->json('rows.0.rows.1.wasSteady'));
        self::assertEquals(0.5, $first->json('rows.0.remaining.0'));
        self::assertEquals(1.0, $second->json('rows.0.remaining.0'));
        self::assertNotNull($second->json('rows.0.rows.1.cells.T.value'));
        $this->postJson("/api/runs/{$run}/finish")->assertOk()->assertJsonPath('changed.0.value.state', 'finished');
        $this->take($run, 1.0)->assertConflict()->assertJsonPath('code', 'run-finished');
        // What happened there may be noted when there is time.
        $this->postJson("/api/runs/{$run}/markers", ['row' => 2, 'name' => 'a bubble'])->assertCreated()->assertJsonPath('rows.0.markers.0.row', 2);
        self::assertMatchesRegularExpression('/,Steady,Stored at \\(UTC\\),Marker\\r\\n.*,\\r\\n.*,a bubble\\s*$/', (string) $this->get("/api/runs/{$run}/rows.csv")->assertOk()->getContent());
    }

    public function test_the_same_request_twice_stores_one_reading(): void
    {
        $run = $this->startedRun($this->experiment);
        $key = (string) Str::uuid();

        $this->take($run, 0.0, key: $key)->assertCreated();
        $this->take($run, 0.0, key: $key)->assertCreated()->assertJsonCount(1, 'rows.0.rows');
        self::assertSame(1, Reading::query()->where('run_id', $run)->count());
        self::assertSame(2, $this->experiment->refresh()->revision, 'Started, and one reading.');
    }

    public function test_a_second_screen_cannot_take_the_same_step_again(): void
    {
        $run = $this->startedRun($this->experiment);
        $this->take($run, 0.5)->assertCreated();

        $this->take($run, 0.5)->assertConflict()->assertJsonPath('code', 'step-taken')
            ->assertJsonPath('detail', 'There is a reading at 0.50 mL already, perhaps from another screen. Use retake to replace it.');
        $this->take($run, 0.2)->assertConflict()->assertJsonPath('code', 'step-backwards')
            ->assertJsonPath('detail', 'This run stands at 0.50 mL already, so 0.20 mL cannot be reached. Retake a reading to correct it.');
    }

    public function test_a_retake_replaces_keeps_the_old_reading_and_is_undone_as_one(): void
    {
        $run = $this->startedRun($this->experiment);
        $old = $this->take($run, 0.0)->json('rows.0.rows.0.id');
        $retaken = $this->take($run, 0.0, replaces: $old)->assertCreated()->assertJsonCount(1, 'rows.0.rows');

        self::assertNotSame($old, $retaken->json('rows.0.rows.0.id'));
        self::assertSame($retaken->json('rows.0.rows.0.id'), Reading::query()->findOrFail($old)->replaced_by_id);
        $this->take($run, 1.0, replaces: 999_999_999)->assertUnprocessable()
            ->assertJsonPath('detail', 'The reading to retake is not part of this run any more.');
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk()->assertJsonPath('rows.0.rows.*.id', [$old]);
    }

    public function test_a_deleted_reading_comes_back_with_undo_and_a_taken_one_goes(): void
    {
        $run = $this->startedRun($this->experiment);
        $reading = $this->take($run, 0.0)->json('rows.0.rows.0.id');
        $this->deleteJson("/api/runs/{$run}/readings/{$reading}")->assertOk()->assertJsonCount(0, 'rows.0.rows')
            ->assertJsonPath('undo', 'Deleted a reading at 0.00 mL of Run 1');
        $again = $this->take($run, 0.0)->assertCreated()->json('rows.0.rows.0.id');

        $undo = fn (): TestResponse => $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk();
        $undo()->assertJsonCount(0, 'rows.0.rows');
        $undo()->assertJsonPath('rows.0.rows.*.id', [$reading]);
        $undo()->assertJsonCount(0, 'rows.0.rows');
        self::assertNotNull(Reading::query()->findOrFail($again)->deleted_at, 'What was recorded stays in the database.');
        $this->postJson("/api/experiments/{$this->experiment->id}/redo")->assertOk()->assertJsonPath('rows.0.rows.*.id', [$reading]);
    }

    public function test_readings_are_set_aside_with_a_reason_and_used_again(): void
    {
        $run = $this->startedRun($this->experiment);
        foreach ([0.0, 0.5, 1.0] as $step) {
            $readings = $this->take($run, $step)->json('rows.0.rows.*.id');
        }
        $set = fn (array $ids, mixed $reason): TestResponse => $this->putJson("/api/runs/{$run}/set-aside", ['readings' => $ids, 'reason' => $reason]);

        $set([$readings[0]], 'x')->assertUnprocessable()->assertJsonPath('detail', 'Say why in a few words, so that a reader can judge.');
        $set([], 'touched the glass')->assertUnprocessable();
        $set([999_999_999], 'touched the glass')->assertUnprocessable()->assertJsonPath('detail', 'One of these readings is not part of this run any more.');
        $this->putJson("/api/runs/{$run}/set-aside", ['readings' => [$readings[0]]])->assertUnprocessable();
        $set([$readings[2], $readings[0]], 'touched the glass')->assertOk()->assertJsonPath('rows.0.rows.*.setAside', ['touched the glass', null, 'touched the glass'])
            ->assertJsonPath('undo', 'Set 2 readings of Run 1 aside: touched the glass');
        $set([$readings[1], $readings[2]], 'a bubble')->assertOk()->assertJsonPath('rows.0.rows.*.setAside', ['touched the glass', 'a bubble', 'a bubble']);
        $set([$readings[1]], null)->assertOk()->assertJsonPath('rows.0.rows.*.setAside', ['touched the glass', null, 'a bubble']);
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk()->assertJsonPath('rows.0.rows.*.setAside', ['touched the glass', 'a bubble', 'a bubble']);
    }

    public function test_what_setting_aside_would_make_is_answered_and_not_made(): void
    {
        $run = $this->startedRun($this->experiment);
        $readings = $this->take($run, 0.0)->json('rows.0.rows.*.id');
        $ask = fn (array $headers, string $reason = 'a bubble'): TestResponse => $this->withHeaders($headers)->putJson("/api/runs/{$run}/set-aside", ['readings' => $readings, 'reason' => $reason]);
        $heard = $this->listen($this->teacher, "experiment-{$this->experiment->id}");

        $foreseen = $ask(['Foresee' => 'yes', 'Screen' => 'thinking'])->assertOk()->assertJsonPath('rows.0.rows.*.setAside', ['a bubble']);
        $ask(['Foresee' => 'yes'], 'x')->assertUnprocessable();
        $this->flushHeaders();
        $this->getJson("/api/runs/{$run}")->assertOk()->assertJsonPath('rows.*.setAside', [null]);
        $this->getJson("/api/experiments/{$this->experiment->id}")->assertJsonPath('revision', $foreseen->json('revision') - 1);

        // Made, it is as foreseen; and only then others are told.
        $made = $ask(['Screen' => 'pressed'])->assertOk();
        self::assertSame(['made' => null] + $foreseen->json(), ['made' => null] + $made->json());
        do {
            $told = json_decode($this->nextMessage($heard), true);
        } while ($told['revision'] < $made->json('revision'));
        self::assertSame('pressed', $told['screen']);
    }

    public function test_a_plan_changes_while_the_run_goes_on_and_the_next_run_learns_from_it(): void
    {
        $run = $this->startedRun($this->experiment);
        $this->take($run, 0.0);

        $this->patchJson("/api/runs/{$run}", ['refine' => ['from' => 1, 'to' => 2, 'step' => 0.25]])->assertOk()
            ->assertJsonPath('rows.0.remaining', [0.5, 1, 1.25, 1.5, 1.75, 2, ...array_map(static fn (float $v): float|int => fmod($v, 1.0) === 0.0 ? (int) $v : $v, range(2.5, 20.0, 0.5))]);
        $plan = fn (mixed $ranges): TestResponse => $this->patchJson("/api/runs/{$run}", ['plan' => ['ranges' => $ranges]]);
        $plan([['from' => 3, 'to' => 101, 'step' => 1]])->assertUnprocessable()->assertJsonPath('detail', 'The last value must lie between 0 and 100 mL, but 101 was given.');
        $plan([['from' => 'a', 'to' => 1, 'step' => 1]])->assertUnprocessable();
        $plan([])->assertUnprocessable();
        $this->patchJson("/api/runs/{$run}", ['refine' => ['from' => 1]])->assertUnprocessable()->assertJsonPath('detail', 'A finer part of the plan needs a first value, a last value and a step.');
        self::assertSame(0.25, $this->experiment->refresh()->plan['run']['plan']['ranges'][1]['step']);
        $this->patchJson("/api/runs/{$run}", ['plan' => ['ranges' => [['from' => 3, 'to' => 1, 'step' => 1]]]])->assertOk()->assertJsonPath('rows.0.remaining', []);
    }

    public function test_one_bench_records_one_run_at_a_time(): void
    {
        $this->startedRun($this->experiment);
        $other = $this->experimentOf($this->teacher, $this->bench);

        $this->postJson("/api/experiments/{$other->id}/runs")->assertConflict()
            ->assertJsonPath('detail', 'A run of "Test of the brine" is still open on this bench. Finish it first.');
        $none = $this->experimentOf($this->teacher, null);
        $this->postJson("/api/experiments/{$none->id}/runs")->assertConflict()->assertJsonPath('detail', 'Choose a bench to record at.');
        $birch = $this->connectedBenchOf($this->teacher, 'Birch');
        $this->postJson("/api/experiments/{$none->id}/runs", ['benchId' => $birch->id])->assertCreated()->assertJsonPath('changed.0.value.bench.name', $birch->name);
    }

    public function test_a_run_finished_by_mistake_goes_on(): void
    {
        $run = $this->startedRun($this->experiment);
        $this->take($run, 0.0);
        $this->postJson("/api/runs/{$run}/finish")->assertOk()->assertJsonPath('rows.0.remaining', []);

        $this->postJson("/api/runs/{$run}/reopen")->assertOk()->assertJsonPath('changed.0.value.state', 'open')->assertJsonPath('changed.0.value.finishedAt', null);
        $this->postJson("/api/runs/{$run}/reopen")->assertOk();
        $this->take($run, 0.5)->assertCreated()->assertJsonCount(2, 'rows.0.rows');
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        $this->startedRun($this->experiment);
        $this->postJson("/api/runs/{$run}/reopen")->assertConflict()->assertJsonPath('code', 'bench-busy');
    }

    public function test_the_recorder_follows_a_run_that_undo_opens_or_ends(): void
    {
        $run = $this->startedRun($this->experiment);
        $samples = static fn (): int => (int) self::keptOfRun($run)->flatten(1)->sum('count');
        $this->eventually(static fn (): bool => $samples() > 0);
        $undo = fn (): TestResponse => $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk();
        $rests = function () use ($samples): bool {
            usleep(self::WRITTEN_WITHIN_US);
            $count = $samples();
            $this->goOn($this->bench, 5.0);
            usleep(self::WRITTEN_WITHIN_US);

            return $samples() === $count;
        };
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        self::assertTrue($rests(), 'A finished run takes nothing more.');
        $kept = $samples();
        $undo()->assertJsonPath('changed.0.value.state', 'open');
        $this->eventually(static fn (): bool => $samples() > $kept);
        $undo()->assertJsonPath('changed.0.value', null);
        self::assertTrue($rests(), 'A run that was never begun takes nothing more.');
    }

    public function test_a_run_is_named_grouped_thrown_away_and_brought_back(): void
    {
        $run = $this->startedRun($this->experiment);
        $this->patchJson("/api/runs/{$run}", ['name' => ' Monday ', 'condition' => 'cold', 'trial' => 2])->assertOk()
            ->assertJsonPath('changed.0.value.name', 'Monday')->assertJsonPath('changed.0.value.condition', 'cold')->assertJsonPath('changed.0.value.trial', 2);
        $this->patchJson("/api/runs/{$run}", ['trial' => -1])->assertUnprocessable();
        $this->deleteJson("/api/runs/{$run}")->assertOk()->assertJsonPath('changed.0.value', null);
        self::assertSame([], $this->getJson("/api/experiments/{$this->experiment->id}")->json('runs'));
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk()->assertJsonPath('changed.0.value.name', 'Monday');
    }

    public function test_runs_are_put_in_an_order_of_ones_own_which_is_undone_and_leaves_the_next_one_last(): void
    {
        $runs = array_map(fn (int $i): int => $this->storedRunOf($this->experiment, 'finished', $i)->id, [1, 2, 3]);
        $path = "/api/experiments/{$this->experiment->id}";
        $order = function () use ($path, &$runs): array {
            return array_map(static fn (int $id): int|false => array_search($id, $runs, true), $this->getJson($path)->assertOk()->json('runs.*.id'));
        };
        $put = fn (int $run, ?int $before) => $this->patchJson("/api/runs/{$runs[$run]}", ['before' => $before === null ? null : $runs[$before]]);
        self::assertSame([0, 1, 2], $order());

        $put(2, 0)->assertOk()->assertJsonPath('undo', 'Put Run 3 before Run 1');
        self::assertSame([2, 0, 1], $order());
        $put(1, 0)->assertOk();
        self::assertSame([2, 1, 0], $order());
        for ($i = 0; $i < 5; $i++) {
            $put(2, null)->assertOk()->assertJsonPath('undo', 'Put Run 3 last');
            $put(0, null)->assertOk();
        }
        self::assertSame([1, 2, 0], $order());
        $runs[] = $this->storedRunOf($this->experiment, 'finished', 4)->id;
        self::assertSame([1, 2, 0, 3], $order(), 'However often one was put last, the next run stands behind it.');
        $this->postJson("{$path}/undo")->assertOk();
        self::assertSame([1, 0, 2, 3], $order());

        $elsewhere = $this->storedRunOf($this->experimentOf($this->teacher, $this->bench, 'blank'), 'finished');
        $this->patchJson("/api/runs/{$runs[0]}", ['before' => $elsewhere->id])->assertUnprocessable()->assertJsonPath('detail', 'The run it is to stand before is not there any more.');
    }

    public function test_an_open_run_that_nobody_looks_at_for_an_hour_is_told_on_its_bench(): void
    {
        $run = $this->startedRun($this->experiment);
        $told = fn (): mixed => $this->getJson("/api/benches/{$this->bench->id}")->assertOk()->json('recording.unwatchedSince');
        $lookedAgo = static fn (int $minutes): int => Run::query()->whereKey($run)->update(['looked_at' => now()->subMinutes($minutes)]);
        self::assertNull($told());
        $lookedAgo(59);
        self::assertNull($told());
        $lookedAgo(61);
        self::assertStringStartsWith(now()->subMinutes(61)->format('Y-m-d\\TH:'), (string) $told());
        $this->getJson("/api/runs/{$run}")->assertOk();
        self::assertNull($told(), 'Somebody has looked at it.');
        $lookedAgo(120);
        $this->take($run, 0.0)->assertCreated();
        self::assertNull($told(), 'A reading is taken by somebody.');
        $lookedAgo(120);
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        self::assertNull($this->getJson("/api/benches/{$this->bench->id}")->json('recording'));
    }

    public function test_rows_leave_as_a_file_with_units(): void
    {
        $run = $this->startedRun($this->experiment);
        $this->take($run, 0.0);
        $point = (string) $this->get("/api/runs/{$run}/rows.csv")->assertOk()->assertDownload('test-of-the-brine-run-1.csv')->getContent();
        $comma = (string) $this->get("/api/runs/{$run}/rows.csv?decimal=comma")->assertOk()->getContent();

        self::assertStringStartsWith("\u{FEFF}Volume of NaOH added (mL),pH (pH),Uncertainty of pH (pH),Electrode (mV),Temperature (°C),", $point);
        self::assertStringContainsString(',Set aside because,Steady,Stored at (UTC)', $point);
        self::assertMatchesRegularExpression('/^0,-?\d+(\.\d+)?,/', explode("\r\n", $point)[1]);
        self::assertMatchesRegularExpression('/^0;-?\d+(,\d+)?;/', explode("\r\n", $comma)[1]);
        $this->getJson("/api/runs/{$run}/rows.csv?decimal=dot")->assertUnprocessable();
    }

    public function test_all_runs_leave_in_one_file_or_in_one_each(): void
    {
        $path = "/api/experiments/{$this->experiment->id}";
        $this->getJson("{$path}/rows.csv")->assertConflict()->assertJsonPath('detail', 'No run of this experiment has readings yet. Record one first.');
        $this->getJson("{$path}/rows.zip")->assertConflict();
        foreach ([[0.0, 1.0], [0.5], []] as $steps) {
            $run = $this->startedRun($this->experiment);
            foreach ($steps as $step) {
                $this->take($run, $step)->assertCreated();
            }
            $this->postJson("/api/runs/{$run}/finish")->assertOk();
            $steps === [0.5] && $this->patchJson("/api/runs/{$run}", ['name' => 'Half, "strong"', 'condition' => 'half strength', 'trial' => 2])->assertOk();
        }
        $point = explode("\r\n", trim((string) $this->get("{$path}/rows.csv")->assertOk()->assertDownload('test-of-the-brine-all-runs.csv')->getContent()));
        $comma = explode("\r\n", trim((string) $this->get("{$path}/rows.csv?decimal=comma")->assertOk()->getContent()));

        self::assertStringStartsWith("\u{FEFF}Run,Name of the run,Condition,Trial,Volume of NaOH added (mL),pH (pH),", $point[0]);
        self::assertCount(4, $point);
        self::assertStringStartsWith('1,Run 1,,,0,', $point[1]);
        self::assertStringStartsWith('1,Run 1,,,1,', $point[2]);
        self::assertStringStartsWith('2,"Half, ""strong""",half strength,2,0.5,', $point[3]);
        self::assertStringStartsWith('2;"Half, ""strong""";half strength;2;0,5;', $comma[3]);

        $answer = $this->get("{$path}/rows.zip")->assertOk()->assertDownload('test-of-the-brine-runs.zip');
        $file = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($file, $answer->streamedContent());
        $zip = new \ZipArchive;
        self::assertTrue($zip->open($file));
        self::assertSame(['test-of-the-brine-run-1.csv', 'test-of-the-brine-run-2.csv'], [$zip->getNameIndex(0), $zip->getNameIndex(1)]);
        self::assertSame(2, $zip->numFiles);
        $first = Run::query()->where('experiment_id', $this->experiment->id)->where('number', 1)->firstOrFail()->id;
        self::assertSame($this->get("/api/runs/{$first}/rows.csv")->getContent(), $zip->getFromIndex(0));
        unlink($file);
        $this->getJson("{$path}/rows.csv?decimal=dot")->assertUnprocessable();
        $this->actingAs($this->teacher())->getJson("{$path}/rows.csv")->assertForbidden();
        $this->getJson("{$path}/rows.zip")->assertForbidden();
    }

    public function test_a_reading_taken_again_later_stands_where_its_step_is(): void
    {
        $run = $this->startedRun($this->experiment);
        $ids = array_map(fn (float $step): int => array_column($this->take($run, $step)->assertCreated()->json('rows.0.rows'), 'id', 'step')[(string) $step] ?? 0, [0.0, 1.0, 2.0]);
        $this->take($run, 1.0, replaces: $ids[1])->assertCreated();
        self::assertEquals([0, 1, 2], array_column($this->rowsOf($run), 'step'));
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        self::assertEquals([0, 1, 2], array_column($this->rowsOf($run), 'step'));
    }

    public function test_runs_are_numbered_one_after_the_other_and_a_number_is_never_given_twice(): void
    {
        $numbers = [];
        foreach ([1, 2, 3] as $place) {
            $run = $this->startedRun($this->experiment);
            $place === 2 && $this->take($run, 0.0)->assertCreated();
            $this->postJson("/api/runs/{$run}/finish")->assertOk();
            $place === 2 && $this->deleteJson("/api/runs/{$run}")->assertOk();
            $numbers[] = Run::query()->findOrFail($run)->number;
        }
        self::assertSame([1, 2, 3], $numbers);
    }

    public function test_a_run_started_by_mistake_leaves_no_number_behind_and_comes_back_with_another(): void
    {
        $mistake = $this->startedRun($this->experiment);
        $this->deleteJson("/api/runs/{$mistake}")->assertOk();
        $run = $this->startedRun($this->experiment);
        self::assertSame(1, Run::query()->findOrFail($run)->number);
        $this->postJson("/api/runs/{$run}/finish")->assertOk();

        $undo = fn (): TestResponse => $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk();
        [$undo(), $undo()];
        $undo()->assertJsonPath('changed.0.value.number', 1);
        self::assertNotNull(Run::query()->findOrFail($run)->thrown_away_at, 'The second is gone again, so the first has its number.');
        $this->postJson("/api/runs/{$mistake}/finish")->assertOk();
        Run::query()->whereKey($run)->update(['thrown_away_at' => null]);
        $this->deleteJson("/api/runs/{$mistake}")->assertOk();
        $undo()->assertJsonPath('changed.0.value.number', 2);
    }

    public function test_what_was_worked_out_is_kept_until_something_changes_it(): void
    {
        $run = $this->startedRun($this->experiment);
        foreach ([0.0, 1.0, 2.0] as $step) {
            $this->take($run, $step)->assertCreated();
        }
        $kept = fn (): array => DB::table('worked_values')->where('experiment_id', $this->experiment->id)->orderBy('key')->pluck('key')->all();
        $this->getJson("/api/experiments/{$this->experiment->id}/worked")->assertOk();
        $first = $kept();
        self::assertNotSame([], $first);
        $this->getJson("/api/experiments/{$this->experiment->id}/worked")->assertOk();
        self::assertSame($first, $kept());
        $this->take($run, 3.0)->assertCreated();
        self::assertGreaterThan(count($first), count($kept()));
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
    }

    public function test_a_copy_has_the_readings_of_each_run_and_what_replaced_them(): void
    {
        foreach ([1, 2] as $number) {
            $run = $this->startedRun($this->experiment);
            $this->take($run, 0.0, replaces: $this->take($run, 0.0)->json('rows.0.rows.0.id'))->assertCreated();
            $number === 1 && $this->take($run, 1.0)->assertCreated();
            $this->postJson("/api/runs/{$run}/finish")->assertOk();
        }
        $copy = $this->postJson("/api/experiments/{$this->experiment->id}/copy", ['withRuns' => true])->assertCreated()->json('id');
        $told = function (int $experiment): array {
            $runs = Run::query()->where('experiment_id', $experiment)->orderBy('number')->pluck('id');

            return $runs->map(fn (int $id): array => array_map(static fn (array $row): array => array_diff_key($row, ['id' => 0]), $this->getJson("/api/runs/{$id}")->assertOk()->json('rows')))->all();
        };
        self::assertSame([2, 1], array_map(count(...), $told($copy)));
        self::assertSame($told($this->experiment->id), $told($copy));
        $readings = Reading::query()->whereIn('run_id', Run::query()->where('experiment_id', $copy)->select('id'))->orderBy('id')->get();
        self::assertSame([3, 2], $readings->countBy('run_id')->values()->all());
        self::assertSame([$readings[1]->id, null, null, $readings[4]->id, null], $readings->pluck('replaced_by_id')->all());
        self::assertSame([2, 2, 2, 2, 2], $readings->map(static fn (Reading $r): int => $r->cells()->count())->all());
    }

    public function test_another_teacher_can_neither_see_nor_touch_it(): void
    {
        $run = $this->startedRun($this->experiment);
        $reading = $this->take($run, 0.0)->json('rows.0.rows.0.id');
        $this->actingAs($this->teacher());

        foreach ([['GET', "/api/runs/{$run}"], ['POST', "/api/runs/{$run}/finish"], ['GET', "/api/runs/{$run}/rows.csv"],
            ['DELETE', "/api/runs/{$run}/readings/{$reading}"], ['GET', "/api/experiments/{$this->experiment->id}"],
            ['GET', "/api/experiments/{$this->experiment->id}/worked"], ['POST', "/api/experiments/{$this->experiment->id}/runs"]] as [$method, $path]) {
            $this->json($method, $path)->assertForbidden();
        }
        $this->getJson('/api/runs/999999999')->assertNotFound()->assertJsonPath('detail', 'There is nothing at this address. It may have been deleted.');
        $this->getJson('/api/nonsense')->assertNotFound();
    }
}

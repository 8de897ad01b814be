<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Run;
use App\Models\User;
use App\Recorder\RecorderClient;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\Recording;
use Tests\TestCase;

/** Runs that two benches feed: a bulb squeezed at one beside the gas in a syringe at the other. */
final class TwoBenchesTest extends TestCase
{
    use Recording;

    private User $teacher;

    private Bench $hazel;

    private Bench $rowan;

    private Experiment $experiment;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->hazel = $this->connectedBenchOf($this->teacher, 'Hazel', isWarm: false);
        $this->rowan = $this->connectedBenchOf($this->teacher, 'Rowan', isWarm: false);
        $this->experiment = $this->experimentOf($this->teacher, $this->hazel, 'sealed-bottle');
        $this->actingAs($this->teacher);
        $this->putBeside();
        $this->postJson("/api/experiments/{$this->experiment->id}/columns", ['symbol' => 'g', 'name' => 'Grip', 'unit' => 'kPa', 'kind' => 'measured', 'probeKind' => 'grip-bulb', 'isBeside' => true])->assertCreated();
    }

    public function test_what_happens_at_both_at_one_moment_stands_at_one_moment(): void
    {
        // One of the clocks runs ahead.
        $this->eventually(fn (): bool => $this->apart() !== null, 15.0);
        $before = $this->apart()[0] ?? 0.0;
        $this->speed(10);
        sleep(1);
        $this->speed(1);
        $this->act($this->hazel, 'valve', on: true);
        $this->act($this->hazel, 'plunger', volume: 40.0);
        $this->act($this->hazel, 'valve', on: false);
        $this->eventually(fn (): bool => $this->apart() !== null, 15.0);
        self::assertEqualsWithDelta($before - 10.0, $this->apart()[0] ?? 0.0, 3.0, 'The clock of Rowan is left behind.');

        $began = microtime(true);
        $run = $this->started(['rate' => 20, 'length' => 5, 'begin' => null, 'end' => null]);
        usleep(2_000_000);
        $this->act($this->hazel, 'plunger', volume: 25.0);
        $moved = microtime(true) - $began;
        $this->act($this->rowan, 'grip', how: 'squeezed');
        $this->ended($run);

        $cells = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells');
        self::assertCount(101, $cells);
        self::assertCount(101, array_filter($cells, static fn (array $c): bool => $c['p'] !== null));
        self::assertGreaterThanOrEqual(100, count(array_filter($cells, static fn (array $c): bool => $c['g'] !== null)));
        [$gas, $grip] = [self::crossing($cells, 'p', 130.0), self::crossing($cells, 'g', 10.0)];
        // A run is begun somewhat before or after its start is answered.
        self::assertGreaterThan(1.4, $gas);
        self::assertLessThan($moved + 0.3, $gas);
        // The hands move at one after the other, and each sensor lags by some hundredths of a second.
        self::assertEqualsWithDelta($gas, $grip, 0.25);
        $error = Run::query()->findOrFail($run)->clockError();
        self::assertGreaterThan(0.0, $error);
        self::assertLessThan(0.05, $error);
        $this->getJson("/api/experiments/{$this->experiment->id}")->assertOk()->assertJsonPath('runs.0.timed.clockError', $error)
            ->assertJsonPath('figures.0.panels.*.y', [['p'], ['th'], ['g']])->assertJsonPath('runs.0.bench.name', $this->hazel->name)->assertJsonPath('runs.0.beside.name', $this->rowan->name)->assertJsonPath('undo', "Started Run 1 at {$this->hazel->name} and {$this->rowan->name}");
        $this->get("/api/runs/{$run}/rows.csv")->assertOk()->assertSee('Grip (kPa)', false);
    }

    public function test_one_that_waits_holds_what_was_before_at_both_goes_on_and_ends_at_both(): void
    {
        $this->eventually(fn (): bool => $this->apart() !== null, 15.0);
        $run = $this->started(['rate' => 10, 'length' => 2, 'begin' => ['when' => 'marker', 'before' => 1], 'end' => null]);
        sleep(2);
        $this->postJson("/api/runs/{$run}/begin")->assertNoContent();
        $this->ended($run);
        sleep(1);
        $this->postJson("/api/runs/{$run}/go-on", ['more' => 1.5])->assertOk();
        $this->ended($run);

        $cells = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells');
        self::assertEqualsWithDelta(-1.0, $cells[0]['t']['value'], 1e-9);
        self::assertEqualsWithDelta(3.5, $cells[45]['t']['value'], 1e-9);
        foreach (['p', 'g'] as $symbol) {
            self::assertGreaterThanOrEqual(45, count(array_filter($cells, static fn (array $c): bool => $c[$symbol] !== null)), "{$symbol} is there from before its beginning to the end.");
        }
    }

    #[Group('shakes')]
    public function test_a_recorder_killed_in_the_middle_loses_nothing_of_either(): void
    {
        $this->eventually(fn (): bool => $this->apart() !== null, 15.0);
        $run = $this->started(['rate' => 10, 'length' => 7, 'begin' => null, 'end' => null]);
        usleep(2_500_000);
        $this->killRecorder();
        $this->ended($run, 25.0);

        $cells = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells');
        self::assertCount(71, $cells);
        foreach (['p', 'g'] as $symbol) {
            self::assertGreaterThanOrEqual(70, count(array_filter($cells, static fn (array $c): bool => $c[$symbol] !== null)), $symbol);
        }
    }

    public function test_readings_are_taken_of_both(): void
    {
        $readings = $this->experimentOf($this->teacher, $this->hazel, 'gas-in-a-syringe');
        $this->patchJson("/api/experiments/{$readings->id}", ['besideId' => $this->rowan->id])->assertOk();
        $this->postJson("/api/experiments/{$readings->id}/columns", ['symbol' => 'h', 'name' => 'Left hand', 'unit' => '°C', 'kind' => 'measured', 'probeKind' => 'thermometer', 'isBeside' => true])->assertCreated();
        $run = $this->startedRun($readings);
        $this->take($run, 30.0)->assertCreated();
        $cells = $this->rowsOf($run)[0]['cells'];
        self::assertNotNull($cells['P'] ?? null);
        self::assertEqualsWithDelta(25.0, $cells['h']['value'] ?? NAN, 20.0);
        $channels = Run::query()->with('channels.probe')->findOrFail($run)->channels;
        self::assertSame('Left hand', $channels->where('role', 'thermometer-2')->first()?->probe->title);
        self::assertCount(6, $channels->where('is_beside', true), 'All channels of a bench are recorded.');
        $this->getJson("/api/runs/{$run}/points?columns=P,h&width=50", ['Accept' => 'application/octet-stream'])->assertOk();
    }

    public function test_a_bench_that_feeds_a_run_is_free_for_no_other(): void
    {
        $this->eventually(fn (): bool => $this->apart() !== null, 15.0);
        $run = $this->started(['rate' => 10, 'length' => null, 'begin' => null, 'end' => null]);
        $other = $this->experimentOf($this->teacher, $this->rowan, 'blank');
        $this->postJson("/api/experiments/{$other->id}/columns", ['symbol' => 'g', 'name' => 'Grip', 'unit' => 'kPa', 'kind' => 'measured', 'probeKind' => 'grip-bulb'])->assertCreated();
        $this->postJson("/api/experiments/{$other->id}/runs")->assertConflict()->assertJsonPath('code', 'bench-busy');
        $this->postJson("/api/benches/{$this->rowan->id}/put-away")->assertConflict()->assertJsonPath('code', 'bench-busy');
        $this->getJson('/api/benches')->assertOk()->assertJsonPath('1.recording.runId', $run);
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        $this->postJson("/api/experiments/{$other->id}/runs")->assertCreated();
        // The other way round, too: it cannot be opened again while the second bench feeds another.
        $this->postJson("/api/runs/{$run}/reopen")->assertConflict()->assertJsonPath('code', 'bench-busy');
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertConflict()->assertJsonPath('code', 'bench-busy');
    }

    public function test_says_what_cannot_be(): void
    {
        $this->patchJson("/api/experiments/{$this->experiment->id}", ['besideId' => $this->hazel->id])->assertConflict()->assertJsonPath('code', 'beside-itself');
        $this->patchJson("/api/experiments/{$this->experiment->id}", ['besideId' => $this->benchOf($this->teacher())->id])->assertForbidden();
        $this->patchJson("/api/experiments/{$this->experiment->id}", ['besideId' => 987654])->assertUnprocessable();

        $this->patchJson("/api/experiments/{$this->experiment->id}", ['plan' => ['rate' => 10, 'length' => 5, 'begin' => ['when' => 'above', 'column' => 'g', 'level' => 10, 'before' => 0]]])->assertOk();
        $this->eventually(fn (): bool => $this->apart() !== null, 15.0);
        $this->postJson("/api/experiments/{$this->experiment->id}/runs")->assertConflict()->assertJsonPath('code', 'cannot-wait')
            ->assertJsonPath('detail', "A run cannot wait for \"Grip\", because it is measured at bench {$this->rowan->name}. Let it begin and end by something of bench {$this->hazel->name}, or make {$this->rowan->name} the first bench.");

        $this->speed(10);
        $this->postJson("/api/experiments/{$this->experiment->id}/runs")->assertConflict()->assertJsonPath('code', 'clocks-apart');
        $this->speed(1);
        // The second bench becomes the first, and nothing is beside it any more.
        $this->patchJson("/api/experiments/{$this->experiment->id}", ['benchId' => $this->rowan->id])->assertOk()->assertJsonPath('changed.0.value.beside', null);
        $this->postJson("/api/experiments/{$this->experiment->id}/runs")->assertConflict()->assertJsonPath('code', 'no-probe');
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk()->assertJsonPath('changed.0.value.beside.name', $this->rowan->name)->assertJsonPath('changed.0.value.bench.name', $this->hazel->name);
        $this->patchJson("/api/experiments/{$this->experiment->id}", ['besideId' => null])->assertOk()->assertJsonPath('undo', 'Records at one bench');
    }

    /** @param  list<array<string, mixed>>  $cells */
    private static function crossing(array $cells, string $symbol, float $level): float
    {
        foreach ($cells as $row) {
            if (($row[$symbol]['value'] ?? -INF) > $level) {
                return $row['t']['value'];
            }
        }
        self::fail("{$symbol} never rises above {$level}.");
    }

    private function putBeside(): void
    {
        $this->patchJson("/api/experiments/{$this->experiment->id}", ['besideId' => $this->rowan->id])->assertOk()
            ->assertJsonPath('changed.0.value.beside.id', $this->rowan->id)->assertJsonPath('undo', "Put the bench {$this->rowan->name} beside");
    }

    /** @return array{float, float}|null */
    private function apart(): ?array
    {
        return app(RecorderClient::class)->apart($this->hazel, $this->rowan);
    }

    /** @param  array<string, mixed>  $plan */
    private function started(array $plan): int
    {
        $this->patchJson("/api/experiments/{$this->experiment->id}", ['plan' => $plan])->assertOk();
        // As it is told: where the clocks cannot be set beside each other for a moment, it is started again.
        $this->eventually(function () use (&$answer): bool {
            return ($answer = $this->postJson("/api/experiments/{$this->experiment->id}/runs"))->json('code') !== 'clocks-apart';
        }, 20.0);

        return $answer->assertCreated()->json('made');
    }

    private function ended(int $run, float $withinS = 15.0): void
    {
        $this->eventually(static fn (): bool => Run::query()->findOrFail($run)->state === Run::FINISHED, $withinS);
    }

    private function act(Bench $bench, string $act, mixed ...$details): void
    {
        app(RecorderClient::class)->act($bench, ['act' => $act] + $details);
    }

    private function speed(int $times): void
    {
        $this->act($this->hazel, 'speed', times: $times);
    }
}

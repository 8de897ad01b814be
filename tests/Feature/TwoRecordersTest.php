<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exceptions\RecorderUnavailable;
use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Run;
use App\Models\User;
use App\Recorder\Doors;
use App\Recorder\RecorderClient;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;
use Tests\Support\Recording;
use Tests\TestCase;

/** A second recorder takes some benches from the first, as one on another machine would. */
#[Group('shakes')]
final class TwoRecordersTest extends TestCase
{
    use Recording;

    private User $teacher;

    private Bench $hazel;

    private Bench $rowan;

    private string $name;

    private ?Process $second = null;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->teacher = $this->teacher());
        $this->hazel = $this->connectedBenchOf($this->teacher, 'Hazel', isWarm: false);
        $this->rowan = $this->connectedBenchOf($this->teacher, 'Rowan', isWarm: false);
        $this->name = 'cellar-'.Str::lower(Str::random(6));
    }

    protected function tearDown(): void
    {
        $this->second?->stop(5.0);
        parent::tearDown();
    }

    public function test_each_records_its_own_and_neither_falls_with_the_other(): void
    {
        $this->startSecond();
        [$far, $near] = [$this->experiment($this->hazel, 'pressure-sensor', 'kPa'), $this->experiment($this->rowan, 'grip-bulb', 'kPa')];
        $runs = [$this->started($far, 7.0), $this->started($near, 7.0)];
        usleep(2_000_000);
        $this->second?->signal(SIGKILL);
        $this->eventually(fn (): bool => $this->second?->isRunning() === false);
        // The process that asks MariaDB for it holds its door a moment longer.
        $this->eventually(fn (): bool => @stream_socket_client('unix://'.(new Doors(config()->string('welkion.sockets')))->of($this->name)) === false);
        $this->expectProblem(fn () => app(RecorderClient::class)->snapshot($this->hazel->refresh()));
        // The other one goes on.
        self::assertNotNull(app(RecorderClient::class)->moment($this->rowan));
        self::assertSame(1, Artisan::call('welkion:health --benches'));
        self::assertStringContainsString("Bench {$this->hazel->name} is not connected. The recorder \"{$this->name}\", which has this bench, is not running", Artisan::output());
        usleep(1_000_000);
        $this->startSecond();
        foreach ($runs as $run) {
            $this->eventually(static fn (): bool => Run::query()->findOrFail($run)->state === Run::FINISHED, 25.0);
            $cells = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells');
            self::assertCount(71, $cells);
            self::assertCount(71, array_filter($cells, static fn (array $c): bool => $c['y'] !== null), 'Nothing is missing.');
        }
    }

    public function test_a_bench_is_taken_when_no_run_is_open_and_given_back(): void
    {
        $experiment = $this->experiment($this->hazel, 'pressure-sensor', 'kPa');
        $run = $this->started($experiment, 60.0);
        $this->second = $this->second();
        $this->second->start();
        sleep(6);
        self::assertNull($this->hazel->refresh()->recorder, 'Two would write down the same.');
        self::assertNotNull(app(RecorderClient::class)->moment($this->hazel));
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        $this->eventually(fn (): bool => $this->hazel->refresh()->recorder === $this->name, 12.0);
        $this->eventually(fn (): bool => app(RecorderClient::class)->moment($this->hazel) !== null, 12.0);

        $this->second->stop(5.0);
        self::assertSame(0, Artisan::call("welkion:record --name={$this->name}"));
        self::assertStringContainsString('are recorded by the one of this copy again', Artisan::output());
        self::assertNull($this->hazel->refresh()->recorder);
        $this->eventually(fn (): bool => app(RecorderClient::class)->moment($this->hazel) !== null, 12.0);
    }

    public function test_two_benches_of_two_recorders_do_not_feed_one_run(): void
    {
        $this->startSecond();
        $experiment = $this->experiment($this->rowan, 'grip-bulb', 'kPa');
        $this->patchJson("/api/experiments/{$experiment->id}", ['besideId' => $this->hazel->id])->assertOk();
        $this->postJson("/api/experiments/{$experiment->id}/runs")->assertConflict()->assertJsonPath('code', 'two-recorders');
    }

    public function test_a_name_that_is_no_name_is_told(): void
    {
        self::assertSame(1, Artisan::call('welkion:record --name=../up --benches=Hazel'));
        self::assertStringContainsString('needs a name of at most 31 small letters', Artisan::output());
        self::assertSame(1, Artisan::call('welkion:record --benches=Hazel'));
        $without = new Process(['bin/record', 'cellar'], base_path(), ['WELKION_INSTANCE' => 'no-such-copy']);
        $without->run();
        self::assertStringContainsString('there is no copy "no-such-copy" here', $without->getErrorOutput().$without->getOutput());
    }

    private function startSecond(): void
    {
        $this->second = $this->second();
        $this->second->start();
        $this->eventually(fn (): bool => $this->hazel->refresh()->recorder === $this->name, 12.0);
        $this->eventually(fn (): bool => app(RecorderClient::class)->moment($this->hazel) !== null, 12.0);
    }

    private function second(): Process
    {
        return new Process(['bin/record', $this->name], base_path(), ['WELKION_INSTANCE' => basename((string) getenv('WELKION_VAR')), 'WELKION_RECORDER_BENCHES' => "{$this->hazel->name}, no other"], timeout: null);
    }

    /** @param  \Closure(): mixed  $ask */
    private function expectProblem(\Closure $ask): void
    {
        try {
            $ask();
            self::fail('Somebody answered.');
        } catch (RecorderUnavailable $away) {
            self::assertStringContainsString($this->name, $away->getMessage());
        }
    }

    private function experiment(Bench $bench, string $kind, string $unit): Experiment
    {
        $experiment = $this->experimentOf($this->teacher, $bench, 'blank');
        $this->postJson("/api/experiments/{$experiment->id}/columns", ['symbol' => 'y', 'name' => 'Signal', 'unit' => $unit, 'kind' => 'measured', 'probeKind' => $kind])->assertCreated();
        $this->patchJson("/api/experiments/{$experiment->id}", ['runKind' => 'timed'])->assertOk();

        return $experiment;
    }

    private function started(Experiment $experiment, float $length): int
    {
        $this->patchJson("/api/experiments/{$experiment->id}", ['plan' => ['rate' => 10, 'length' => $length, 'begin' => null, 'end' => null]])->assertOk();

        return $this->startedRun($experiment);
    }
}

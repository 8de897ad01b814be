<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Run;
use App\Models\User;
use App\Notebook\ExperimentStart;
use App\Notebook\ProtocolLibrary;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** Experiments and their runs, as the screens ask for them. */
trait Notebooks
{
    protected function experimentOf(User $teacher, ?Bench $bench, string $protocol = 'titration', string $title = 'Test of the brine'): Experiment
    {
        $found = (new ProtocolLibrary)->find($protocol);
        self::assertNotNull($found);

        return (new ExperimentStart)->begin($teacher, (string) Str::uuid(), $title, $found->protocol, $bench)->refresh();
    }

    /** A run that is in the database and nowhere else. */
    protected function storedRunOf(Experiment $experiment, string $state = Run::FINISHED, int $number = 1): Run
    {
        return Run::query()->create([
            'experiment_id' => $experiment->id, 'bench_id' => $experiment->bench_id, 'kind' => Run::STEPWISE, 'number' => $number, 'state' => $state, 'plan' => ['steps' => []], 'started_at' => now(),
        ])->refresh();
    }

    protected function startedRun(Experiment $experiment): int
    {
        return $this->postJson("/api/experiments/{$experiment->id}/runs")->assertCreated()->json('made');
    }

    /**
     * A reading once its probes are steady, as a person takes it; what else is refused is answered at once.
     *
     * @return TestResponse<Response>
     */
    protected function take(int $run, float|string|null $step, ?string $key = null, ?int $replaces = null): TestResponse
    {
        $key ??= (string) Str::uuid();
        $ask = fn (): TestResponse => $this->json('POST', "/api/runs/{$run}/readings", ['step' => $step, 'replaces' => $replaces], ['Request-Key' => $key]);
        $answer = $ask();
        if ($answer->json('code') === 'not-steady') {
            $bench = Run::query()->findOrFail($run)->bench ?? self::fail('A run without a bench has nothing that could settle.');
            $this->goOnUntil($bench, static function () use ($ask, &$answer): bool {
                $answer = $ask();

                return $answer->json('code') !== 'not-steady';
            });
        }

        return $answer;
    }

    /** @return array<string, mixed> what a line comes to */
    protected function lineOf(int $experiment, string $symbol, ?int $run = null): array
    {
        $found = array_values(array_filter($this->getJson("/api/experiments/{$experiment}/worked")->assertOk()->json('worked'),
            static fn (array $l): bool => $l['symbol'] === $symbol && ($run === null || $l['runId'] === $run)));
        self::assertNotSame([], $found, "There is no line {$symbol}.");

        return $found[0];
    }

    /** @return list<array<string, mixed>> the rows of a run */
    protected function rowsOf(int $run): array
    {
        return $this->getJson("/api/runs/{$run}")->assertOk()->json('rows');
    }
}

<?php

declare(strict_types=1);

namespace Tests;

use App\Exceptions\BenchRefused;
use App\Models\Bench;
use App\Models\Probe;
use App\Models\User;
use App\Recorder\Link\ToldChannel;
use App\Recorder\ProbeRegister;
use App\Recorder\RecorderClient;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase as FrameworkTestCase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\Notebooks;
use Tests\Support\OpenApi;
use Welkion\Core\Calibration\ProbeKind;

/**
 * A test against the really started copy that bin/test prepares: MariaDB, recorder and simulated bench included.
 *
 * Nothing is rolled back, because the recorder must see what a test does; each test makes people and benches of its own.
 */
abstract class TestCase extends FrameworkTestCase
{
    use Notebooks;

    /** In which most probes come to rest, in s of a bench. */
    private const STRETCH_S = 30.0;

    private const LONGEST_STRETCH_S = 480.0;

    private const MOST_STRETCHES = 10;

    /** Nothing is read less often, in s. */
    private const BETWEEN_READINGS_S = 0.3;

    private const ARRIVES_WITHIN_S = 1.0;

    /** The recorder hands on what has come every 0.4 s. */
    protected const WRITTEN_WITHIN_US = 550_000;

    /** @var list<int> benches this test has made */
    private array $benchIds = [];

    private string $lastAnswer = '';

    /** Where the simulated benches of this test stand; what is done there no other test meets. */
    private ?string $room = null;

    /** Takes the benches of the test away, so that the recorder need not listen to those of all tests before. */
    protected function tearDown(): void
    {
        if ($this->status()->isFailure() || $this->status()->isError()) {
            // A status alone tells too little of why.
            fwrite(STDERR, "\n{$this->nameWithDataSet()}: the last answer was {$this->lastAnswer}\n".self::endOfLog('recorder').self::endOfLog('supervisord'));
        }
        if ($this->benchIds !== []) {
            Schema::withoutForeignKeyConstraints(fn () => Bench::query()->whereIn('id', $this->benchIds)->delete());
        }
        parent::tearDown();
    }

    private static function endOfLog(string $process): string
    {
        $lines = @file(getenv('WELKION_VAR')."/log/{$process}.log") ?: ["nothing\n"];

        return "The end of the log of {$process}:\n".implode('', array_slice($lines, -8));
    }

    public function createApplication(): Application
    {
        if (! str_contains((string) getenv('WELKION_VAR'), 'test')) {
            throw new \RuntimeException('Feature tests run through "bin/test feature", which starts a copy for them.');
        }
        /** @var Application $app */
        $app = require __DIR__.'/../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    /** Every answer of the HTTP API is held against docs/openapi.yaml. */
    protected function createTestResponse($response, $request): TestResponse
    {
        $route = $request?->route();
        $this->lastAnswer = "{$request?->method()} {$request?->path()}: {$response->getStatusCode()} ".Str::limit((string) $response->getContent(), 400);
        if ($route !== null && $response instanceof Response && str_starts_with($route->uri(), 'api/') && ! str_contains($route->uri(), '{any}')) {
            self::assertNull(OpenApi::document()->complaint(
                $request->method(), '/'.$route->uri(), $response->getStatusCode(),
                (string) $response->headers->get('Content-Type'), (string) $response->getContent(),
            ));
        }

        return parent::createTestResponse($response, $request);
    }

    protected function teacher(): User
    {
        return User::query()->create([
            'name' => 'Test teacher', 'email' => Str::lower(Str::random(12)).'@larkfield.example', 'password' => 'a long password',
        ])->refresh();
    }

    /** @param  string  $like  which of the simulated benches stands behind it, in the room of this test */
    protected function benchOf(User $teacher, string $like = 'Alder'): Bench
    {
        $this->room ??= Str::lower(Str::random(10));
        $bench = $teacher->benches()->create([
            'name' => $like.' '.Str::random(6), 'link_name' => "{$like}@{$this->room}", 'host' => '127.0.0.1',
            'port' => config()->integer('welkion.benches.port'), 'is_simulated' => true,
        ])->refresh();

        return $this->keepForTearDown($bench);
    }

    /** A bench on a port where nothing listens: no recorder changes anything about it. */
    protected function silentBenchOf(User $teacher): Bench
    {
        return $this->keepForTearDown($teacher->benches()->create(['name' => 'Silent '.Str::random(6), 'host' => '127.0.0.1', 'port' => 9, 'is_simulated' => false])->refresh());
    }

    protected function keepForTearDown(Bench $bench): Bench
    {
        $this->benchIds[] = $bench->id;

        return $bench;
    }

    /**
     * A bench with its probes known and its recorder listening.
     *
     * @param  bool  $isWarm  whether it is as if it had stood there for a while; its clock has jumped then
     */
    protected function connectedBenchOf(User $teacher, string $like = 'Alder', bool $isWarm = true): Bench
    {
        $bench = $this->benchOf($teacher, $like);
        $this->eventually(function () use ($bench): bool {
            app(RecorderClient::class)->reload($bench);
            $probes = $bench->probes()->count();

            return $probes > 0 && count(app(RecorderClient::class)->ask('snapshot', $bench)['probes'] ?? []) === $probes;
        });
        $isWarm && $this->goOn($bench, 2 * self::STRETCH_S);

        return $bench;
    }

    /**
     * What the recorder does when a device tells of its channels.
     *
     * @param  list<array<string, mixed>>  $told
     * @return list<int> benches from which a probe was carried here
     */
    protected function plugIn(Bench $bench, array $told): array
    {
        return ProbeRegister::note($bench, ToldChannel::allIn($told));
    }

    protected function probeOf(Bench $bench, string $channel): Probe
    {
        return $bench->probes()->where('channel', $channel)->firstOrFail();
    }

    protected function electrodeOf(Bench $bench): Probe
    {
        return $bench->probes()->where('kind', ProbeKind::PhElectrode)->firstOrFail();
    }

    /**
     * Holds a result against the truth by the uncertainty it states itself. The noise of a bench is never twice the same, so
     * the limit is where chance alone gives a false alarm once in a million times: five standard uncertainties.
     *
     * @param  array{value: float|int, uncertainty: float|int}  $result
     * @param  float  $finest  what is below this says nothing, relative to the truth
     * @param  float  $coarsest  a result vaguer than this, relative to the truth, would agree with anything
     */
    protected static function assertAgrees(float $truth, array $result, float $finest = 0.0, float $coarsest = 0.02): void
    {
        self::assertLessThan($coarsest * abs($truth), $result['uncertainty'], 'The stated uncertainty is too large to say anything.');
        self::assertEqualsWithDelta($truth, $result['value'], max(5.0 * $result['uncertainty'], $finest * abs($truth)));
    }

    /** @return array{value: float, uncertainty: float} the slope of the line in an answer */
    protected static function slopeIn(TestResponse $answer, string $line = 'line'): array
    {
        return ['value' => $answer->json("{$line}.slope"), 'uncertainty' => $answer->json("{$line}.slopeUncertainty")];
    }

    /**
     * Waits for what the other processes do in their own time.
     *
     * @param  (\Closure(): string)|null  $state  what is told if it does not happen
     */
    protected function eventually(\Closure $isTrue, float $withinS = 10.0, ?\Closure $state = null): void
    {
        $deadline = microtime(true) + $withinS;
        while (! $isTrue()) {
            if (microtime(true) > $deadline) {
                self::fail(trim("What was waited for did not happen within {$withinS} s. ".($state === null ? '' : $state())));
            }
            usleep(20_000);
        }
    }

    /** How often the database is asked; now and then what is old is cleared away, which does not count. */
    protected static function questionsOf(\Closure $ask): int
    {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $ask();

        return count(array_filter(DB::getQueryLog(), static fn (array $q): bool => ! str_starts_with($q['query'], 'delete ')));
    }

    /** Does something at the simulated bench and waits until a probe is steady. */
    protected function actAndSettle(Bench $bench, string $act, ?string $channel = null, mixed ...$details): void
    {
        self::hands($bench, ['act' => $act, ...($channel === null ? [] : ['channel' => $channel]), ...$details]);
        $this->settle($bench, $channel === null ? $this->electrodeOf($bench) : $this->probeOf($bench, $channel));
    }

    /** Lets time pass at the bench until a probe is steady. */
    protected function settle(Bench $bench, Probe $probe): void
    {
        $this->goOnUntil($bench, static fn (): bool => app(RecorderClient::class)->snapshot($bench)->maybe($probe->id)?->isSteady === true);
    }

    /** Lets so many seconds pass at a simulated bench at once. */
    protected function goOn(Bench $bench, float $seconds): void
    {
        $recorder = app(RecorderClient::class);
        $from = $recorder->moment($bench);
        self::hands($bench, ['act' => 'go-on', 'seconds' => $seconds]);
        // The last reading may have been due a moment after.
        $this->eventually(static fn (): bool => $recorder->moment($bench) > (float) $from + $seconds - self::BETWEEN_READINGS_S, 20.0);
    }

    /**
     * Where a machine is taken a bench may answer later than it is waited for; it has done it all the same.
     *
     * @param  array<string, mixed>  $act
     */
    private static function hands(Bench $bench, array $act): void
    {
        try {
            app(RecorderClient::class)->act($bench, $act);
        } catch (BenchRefused $refused) {
            str_contains($refused->getMessage(), 'did not answer') || throw $refused;
        }
    }

    /** Lets time pass at a simulated bench, a stretch at a time, until something is so. */
    protected function goOnUntil(Bench $bench, \Closure $isTrue): void
    {
        $isSo = $isTrue();
        // What has not come to rest yet comes slowly.
        for ($stretch = self::STRETCH_S, $left = self::MOST_STRETCHES; $left > 0 && ! $isSo; $left--, $stretch = min(2.0 * $stretch, self::LONGEST_STRETCH_S)) {
            $this->goOn($bench, $stretch);
            // What it has sent meanwhile has to arrive.
            for ($deadline = microtime(true) + self::ARRIVES_WITHIN_S; ! ($isSo = $isTrue()) && microtime(true) < $deadline;) {
                usleep(5_000);
            }
        }
        self::assertTrue($isSo, 'However long one waits at the bench, it does not come to that.');
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exceptions\BenchRefused;
use App\Exceptions\RecorderUnavailable;
use App\Models\Reading;
use App\Models\Run;
use App\Notebook\Journal;
use App\Recorder\Doors;
use App\Recorder\Keeping\Block;
use App\Recorder\Keeping\Desk;
use App\Recorder\Link\Sample;
use App\Recorder\RecorderClient;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\Recording;
use Tests\TestCase;

#[Group('shakes')]
final class RecorderTest extends TestCase
{
    use Recording;

    private const STEPS = 15;

    public function test_a_recorder_killed_in_the_middle_of_a_run_loses_nothing_and_doubles_nothing(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $run = $this->actingAs($teacher)->startedRun($this->experimentOf($teacher, $bench));
        $keys = [];
        for ($step = 0; $step < self::STEPS; $step++) {
            $keys[$step] = (string) Str::uuid();
            if (in_array($step, [3, 7, 11], true)) {
                $this->killRecorder();
            }
            // A screen repeats a reading that got no answer, with the same key.
            $this->eventually(function () use ($run, $step, $keys): bool {
                try {
                    return $this->take($run, $step / 2, $keys[$step])->status() === 201;
                } catch (RecorderUnavailable|BenchRefused) {
                    return false;
                }
            });
        }
        $this->postJson("/api/runs/{$run}/finish")->assertOk();

        $readings = Reading::query()->where('run_id', $run)->orderBy('step')->get();
        self::assertSame($keys, $readings->pluck('request_key')->all());
        self::assertSame(self::STEPS, $readings->pluck('step')->unique()->count());
        $channels = self::keptOfRun($run);
        self::assertCount(2, $channels);
        foreach ($channels as $blocks) {
            self::assertNoGapNoDouble($blocks);
        }
    }

    public function test_a_probe_plugged_in_while_the_database_is_away_does_not_stop_the_recorder(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $run = $this->actingAs($teacher)->startedRun($this->experimentOf($teacher, $bench));
        $channels = DB::table('run_channels')->where('run_id', $run)->pluck('id');
        $blocks = fn () => self::keptOf($channels);
        $this->eventually(fn (): bool => count($blocks()) === 2);
        $recorder = $this->recorder();
        $count = (int) $blocks()->flatten(1)->sum('count');

        posix_kill((int) file_get_contents(getenv('WELKION_VAR').'/run/mariadb.pid'), SIGKILL);
        foreach ([false, true] as $on) {
            app(RecorderClient::class)->act($bench, ['act' => 'plug', 'channel' => 'temperature', 'on' => $on]);
            usleep(200_000);
        }
        $this->eventually(function () use ($blocks, $count): bool {
            try {
                return (int) $blocks()->flatten(1)->sum('count') > $count + 40;
            } catch (QueryException) {
                return false;
            }
        }, 30.0);

        self::assertSame($recorder, $this->recorder(), 'It is the same process as before.');
        self::assertNoGapNoDouble($blocks()->first());
        $this->eventually(fn (): bool => $bench->probes()->where('is_present', true)->count() === 2);
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
    }

    public function test_a_block_delivered_twice_is_kept_once_and_the_longer_of_two_wins(): void
    {
        $channel = $this->runChannel();
        $rows = static fn (int $from, int $to): array => array_map(static fn (Block $b): array => $b->toRow(), Block::cut($channel, self::samples($from, $to)));
        $desk = app(Desk::class);
        $desk->keep($rows(1, 50));
        $desk->keep($rows(1, 50));
        // The answer to the first was lost with its process; the next one has all of it and more.
        $desk->keep($rows(51, 60));
        $desk->keep($rows(51, 80));
        $desk->keep($rows(51, 70));

        $blocks = self::keptOf([$channel])->firstOrFail();
        self::assertNoGapNoDouble($blocks);
        self::assertSame([50, 30], $blocks->pluck('count')->all());
        self::assertSame(array_map(static fn (Sample $s): float => $s->value, self::samples(51, 80)), array_values((array) unpack('e*', (string) $blocks[1]->payload)));
    }

    public function test_a_block_that_is_refused_spoils_no_other(): void
    {
        $channel = $this->runChannel();
        $rows = array_map(static fn (Block $b): array => $b->toRow(), [
            ...Block::cut($channel, self::samples(1, 10)), ...Block::cut(999_999_999, self::samples(1, 5)), ...Block::cut($channel, self::samples(20, 30)),
        ]);
        $refused = app(Desk::class)->keep($rows);

        self::assertCount(1, $refused);
        self::assertSame([999_999_999, 1, 5], [$refused[0]['runChannelId'], $refused[0]['firstSeq'], $refused[0]['count']]);
        self::assertStringContainsString('foreign key', $refused[0]['reason']);
        self::assertSame(21, (int) self::keptOf([$channel])->flatten(1)->sum('count'));
    }

    public function test_a_database_that_is_away_is_no_refusal(): void
    {
        config(['database.connections.away' => ['port' => 1, 'unix_socket' => ''] + config('database.connections.mariadb')]);

        $this->expectException(QueryException::class);
        (new Desk(DB::connection('away'), app(Journal::class)))->keep([Block::cut(1, self::samples(1, 2))[0]->toRow()]);
    }

    public function test_the_recorder_answers_no_one_without_its_token(): void
    {
        self::assertSame(['problem' => 'Not allowed.'], $this->question(['ask' => 'health', 'token' => 'guessed']));
        self::assertSame(['problem' => 'Not allowed.'], $this->question(['ask' => 'health']));
    }

    public function test_a_thousand_who_connect_and_say_nothing_keep_nobody_out(): void
    {
        $idle = [];
        for ($i = 0; $i < 1100; $i++) {
            $socket = @stream_socket_client('unix://'.$this->controlSocket(), timeout: 0.05);
            $socket === false || $idle[] = $socket;
        }
        self::assertGreaterThan(100, count($idle), 'All places are taken.');
        $recorder = $this->recorder();
        // Who says nothing is sent away within 5 s, 200 at a time.
        $this->eventually(function (): bool {
            try {
                return count(app(RecorderClient::class)->ask('health')['benches']) > 0;
            } catch (RecorderUnavailable) {
                return false;
            }
        }, 40.0);

        self::assertSame($recorder, $this->recorder(), 'It is the same process as before.');
    }

    public function test_an_act_is_done_once_and_answered_whatever_number_comes_with_it(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $world = $this->actingAs($teacher)->postJson("/api/benches/{$bench->id}/acts", ['act' => 'new-sample'])->assertOk()->json('world');
        $answer = $this->postJson("/api/benches/{$bench->id}/acts", ['act' => 'dispense', 'volume' => 1.5, 'id' => 12345, 'do' => 'stop'])->assertOk();

        $reached = static fn (array $world): float => (float) array_column(array_filter(array_column($world['controls'], 'number')), 'reached')[0];
        self::assertEqualsWithDelta($reached($world) + 1.5, $reached($answer->json('world')), 1e-9);
    }

    public function test_a_web_request_says_so_when_the_recorder_is_away(): void
    {
        $teacher = $this->teacher();
        $bench = $this->benchOf($teacher);
        $this->app->instance(RecorderClient::class, new RecorderClient(new Doors('/dev/null/none'), ''));

        $this->actingAs($teacher)->postJson("/api/benches/{$bench->id}/acts", ['act' => 'rinse'])->assertServiceUnavailable()
            ->assertJsonPath('detail', 'The recorder is starting again; nothing is lost. Try again in a moment.');
    }

    /** @return list<Sample> */
    private static function samples(int $from, int $to): array
    {
        return array_map(static fn (int $seq): Sample => new Sample($seq, 1000.0 + $seq / 4, sin($seq) * 177.3), range($from, $to));
    }

    private function runChannel(): int
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $run = $this->storedRunOf($this->experimentOf($teacher, $bench), Run::OPEN);

        return $run->channels()->create(['probe_id' => $this->electrodeOf($bench)->id])->id;
    }

    /**
     * @param  array<string, mixed>  $question
     * @return array<array-key, mixed>
     */
    private function question(array $question): array
    {
        $socket = stream_socket_client('unix://'.$this->controlSocket());
        self::assertIsResource($socket);
        fwrite($socket, json_encode($question)."\n");

        return (array) json_decode((string) stream_get_contents($socket), true);
    }

    private function controlSocket(): string
    {
        return config()->string('welkion.sockets').'/recorder.sock';
    }
}

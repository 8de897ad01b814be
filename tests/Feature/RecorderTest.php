<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Reading;
use App\Models\SampleBlock;
use App\Recorder\Block;
use App\Recorder\BlockStore;
use App\Recorder\RecorderClient;
use App\Recorder\Sample;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\QueryException;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Log\NullLogger;
use Tests\TestCase;

final class RecorderTest extends TestCase
{
    public function test_a_recorder_killed_in_the_middle_of_a_run_loses_nothing_and_doubles_nothing(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $run = $this->actingAs($teacher)->postJson("/api/experiments/{$this->experimentOf($teacher, $bench)->id}/runs")->json('id');
        app(RecorderClient::class)->act($bench, ['act' => 'speed', 'times' => 60]);
        $keys = [];
        for ($step = 0; $step < 30; $step++) {
            $keys[$step] = (string) Str::uuid();
            if (in_array($step, [7, 16, 24], true)) {
                $this->killRecorder();
            }
            // A screen repeats a reading that got no answer, with the same key.
            $this->eventually(fn (): bool => $this->postJson("/api/runs/{$run}/readings", [
                'key' => $keys[$step], 'volume' => $step / 2, 'takeAnyway' => true,
            ])->status() === 201);
        }
        $this->postJson("/api/runs/{$run}/finish")->assertOk();

        $readings = Reading::query()->where('run_id', $run)->orderBy('volume')->get();
        self::assertSame($keys, $readings->pluck('request_key')->all());
        self::assertSame(30, $readings->pluck('volume')->unique()->count());
        $channels = SampleBlock::query()->whereIn('run_channel_id', DB::table('run_channels')->where('run_id', $run)->pluck('id'))
            ->orderBy('first_seq')->get()->groupBy('run_channel_id');
        self::assertCount(2, $channels);
        foreach ($channels as $blocks) {
            self::assertNoGapNoDouble($blocks);
        }
    }

    public function test_a_probe_plugged_in_while_the_database_is_away_does_not_stop_the_recorder(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $run = $this->actingAs($teacher)->postJson("/api/experiments/{$this->experimentOf($teacher, $bench)->id}/runs")->json('id');
        $channels = DB::table('run_channels')->where('run_id', $run)->pluck('id');
        $blocks = fn () => SampleBlock::query()->whereIn('run_channel_id', $channels)->orderBy('first_seq')->get()->groupBy('run_channel_id');
        $this->eventually(fn (): bool => count($blocks()) === 2);
        $recorder = $this->recorder();
        $count = (int) $blocks()->flatten()->sum('count');

        posix_kill((int) file_get_contents(getenv('WELKION_VAR').'/run/mariadb.pid'), SIGKILL);
        foreach ([false, true] as $on) {
            app(RecorderClient::class)->act($bench, ['act' => 'plug', 'channel' => 'temperature', 'on' => $on]);
            usleep(200_000);
        }
        $this->eventually(function () use ($blocks, $count): bool {
            try {
                return (int) $blocks()->flatten()->sum('count') > $count + 40;
            } catch (QueryException) {
                return false;
            }
        }, 30.0);

        self::assertSame($recorder, $this->recorder(), 'It is the same process as before.');
        self::assertNoGapNoDouble($blocks()->first());
        $this->eventually(fn (): bool => $bench->probes()->where('is_present', true)->count() === 2);
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
    }

    public function test_samples_wait_on_disk_while_the_database_is_away_and_follow_in_order(): void
    {
        $channel = $this->runChannel();
        $spool = (string) tempnam(sys_get_temp_dir(), 'spool');
        unlink($spool);
        config(['database.connections.away' => ['port' => 1] + config('database.connections.mariadb')]);
        $away = new BlockStore(DB::connection('away'), new NullLogger, $spool);
        $back = new BlockStore(app(ConnectionInterface::class), new NullLogger, $spool);

        self::assertFalse($away->append(Block::cut($channel, self::samples(101, 300))));
        self::assertFalse($away->append(Block::cut($channel, self::samples(301, 320))));
        self::assertTrue($back->append(Block::cut($channel, self::samples(321, 330))));

        self::assertFileDoesNotExist($spool);
        self::assertSame(330, $back->lastSeq($channel));
        $blocks = SampleBlock::query()->where('run_channel_id', $channel)->orderBy('first_seq')->get();
        self::assertNoGapNoDouble($blocks);
        self::assertSame(230, (int) $blocks->sum('count'));
    }

    public function test_delivering_twice_does_no_harm(): void
    {
        $channel = $this->runChannel();
        $store = new BlockStore(app(ConnectionInterface::class), new NullLogger, sys_get_temp_dir().'/welkion-no-spool');
        $blocks = Block::cut($channel, self::samples(1, 50));

        $store->append($blocks);
        $store->append($blocks);

        self::assertSame(50, (int) SampleBlock::query()->where('run_channel_id', $channel)->sum('count'));
        self::assertSame(50, $store->lastSeq($channel));
    }

    public function test_blocks_keep_every_bit_and_are_cut_where_numbers_are_missing(): void
    {
        $samples = [...self::samples(1, 300), ...self::samples(305, 306)];
        [$first, $second] = array_map(static fn (Block $block): array => $block->toRow(), Block::cut(9, $samples));

        self::assertSame([1, 300, 305, 2], [$first['first_seq'], $first['count'], $second['first_seq'], $second['count']]);
        self::assertSame(array_map(static fn (Sample $s): float => $s->value, self::samples(1, 300)), array_values((array) unpack('e*', (string) $first['payload'])));
        self::assertSame(0.25, $first['dt']);
        $summary = array_values((array) unpack('e*', (string) $first['summary']));
        $values = array_map(static fn (Sample $s): float => $s->value, self::samples(1, 256));
        self::assertSame([min($values), max($values), $values[0], $values[255]], array_slice($summary, 0, 4));
        self::assertCount(8, $summary);
        $uneven = Block::cut(9, [new Sample(1, 0.0, 1.0), new Sample(2, 0.1, 2.0), new Sample(3, 0.9, 3.0)])[0]->toRow();
        self::assertSame([0.0, 0.1, 0.9], array_values((array) unpack('e*', (string) $uneven['times'])));
    }

    public function test_the_recorder_answers_no_one_without_its_token(): void
    {
        $socket = stream_socket_client('tcp://127.0.0.1:'.config()->integer('welkion.recorder.port'));
        self::assertIsResource($socket);
        fwrite($socket, json_encode(['ask' => 'health', 'token' => 'guessed'])."\n");

        self::assertSame(['problem' => 'Not allowed.'], json_decode((string) stream_get_contents($socket), true));
    }

    public function test_a_web_request_says_so_when_the_recorder_is_away(): void
    {
        $teacher = $this->teacher();
        $bench = $this->benchOf($teacher);
        $this->app->instance(RecorderClient::class, new RecorderClient(1, ''));

        $this->actingAs($teacher)->postJson("/api/benches/{$bench->id}/acts", ['act' => 'rinse'])->assertServiceUnavailable()
            ->assertJsonPath('detail', 'The recorder is starting again; nothing is lost. Try again in a moment.');
    }

    /** @param  Collection<int, SampleBlock>  $blocks by first_seq */
    private static function assertNoGapNoDouble(Collection $blocks): void
    {
        $next = null;
        foreach ($blocks as $block) {
            self::assertSame($next ?? $block->first_seq, $block->first_seq, 'A sample is missing or doubled.');
            $next = $block->first_seq + $block->count;
        }
        self::assertNotNull($next);
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
        $run = $this->experimentOf($teacher, $bench)->runs()->create(['number' => 1, 'state' => 'finished', 'plan' => [], 'started_at' => now()]);

        return $run->channels()->create(['probe_id' => $this->electrodeOf($bench)->id])->id;
    }

    private function killRecorder(): void
    {
        posix_kill($this->recorder(), SIGKILL);
    }

    private function recorder(): int
    {
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
            $command = (string) @file_get_contents($file);
            $environment = (string) @file_get_contents(dirname($file).'/environ');
            if (str_contains($command, "artisan\0welkion:record") && str_contains($environment, 'WELKION_VAR='.getenv('WELKION_VAR')."\0")) {
                return (int) basename(dirname($file));
            }
        }
        self::fail('No recorder is running.');
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Recorder\RecorderClient;
use Psr\Http\Message\StreamInterface;
use Tests\Support\OpenApi;
use Tests\Support\Recording;
use Tests\TestCase;

/** Live values as a browser gets them: through the web server, with a session, as server-sent events. */
final class LiveTest extends TestCase
{
    use Recording;

    public function test_live_values_come_as_described_and_show_ph_by_the_calibration_in_force(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $stream = $this->listen($teacher, "bench-{$bench->id}");
        for ($i = 0; $i < 5; $i++) {
            self::assertNull(OpenApi::document()->complaintAbout('LiveBench', $this->nextMessage($stream)));
        }
        $last = $this->messageMadeNow($stream);
        self::assertSame($bench->id, $last['benchId']);
        self::assertTrue($last['isConnected']);
        self::assertNotNull($last['probes'][0]['raw']);
        self::assertNull($last['probes'][0]['value'], 'A new bench has no calibration, so no pH is claimed.');
    }

    public function test_several_benches_come_over_one_connection_and_none_of_a_stranger(): void
    {
        $teacher = $this->teacher();
        $benches = [$this->connectedBenchOf($teacher), $this->connectedBenchOf($teacher, 'Rowan')];
        $stream = $this->listen($teacher, "bench-{$benches[0]->id},bench-{$benches[1]->id}");
        $heard = [];
        $hasWorld = [];
        for ($i = 0; $i < 200 && (count($heard) < 2 || count($hasWorld) < 2); $i++) {
            $message = json_decode($this->nextMessage($stream), true);
            if ($message['probes'] !== []) {
                $heard[$message['benchId']] = count($message['probes']);
            }
            if (isset($message['world'])) {
                $hasWorld[$message['benchId']] = $message['world']['summary'] !== [];
            }
        }

        self::assertEquals([$benches[0]->id => 2, $benches[1]->id => 6], $heard);
        self::assertEquals([$benches[0]->id => true, $benches[1]->id => true], $hasWorld, 'What an onlooker sees comes each second.');
        $stranger = $this->benchOf($this->teacher());
        $ask = fn (string $channels): int => $this->actingAs($teacher)->get('/api/live/authorize', ['X-Live-Channel' => $channels])->status();
        self::assertSame(204, $ask("bench-{$benches[0]->id},bench-{$benches[1]->id}"));
        self::assertSame(403, $ask("bench-{$benches[0]->id},bench-{$stranger->id}"));
        self::assertSame(403, $ask("bench-{$benches[0]->id},"));
        self::assertSame(403, $ask(implode(',', array_fill(0, 13, "bench-{$benches[0]->id}"))));
    }

    public function test_the_revision_changes_with_a_calibration_so_that_screens_ask_again(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher, 'Rowan');
        $stream = $this->listen($teacher, "bench-{$bench->id}");
        $before = $this->messageMadeNow($stream)['revision'];
        self::assertSame($before, $this->messageMadeNow($stream)['revision'], 'While nothing happens it stays.');
        $this->actingAs($teacher)->postJson("/api/probes/{$this->probeOf($bench, 'grip')->id}/zeros")->assertCreated();

        self::assertNotSame($before, $this->messageMadeNow($stream)['revision']);
    }

    public function test_seconds_of_waiting_are_those_on_the_wall_however_fast_the_bench_runs(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $stream = $this->listen($teacher, "bench-{$bench->id}");
        $began = microtime(true);
        $recorder = app(RecorderClient::class);
        $recorder->act($bench, ['act' => 'speed', 'times' => 60]);
        $recorder->act($bench, ['act' => 'dip', 'into' => 'buffer-7.00']);
        $electrode = $this->electrodeOf($bench);
        $this->eventually(static fn (): bool => $recorder->snapshot($bench)->of($electrode->id)->isSteady, 20.0);
        $ph = $this->messageMadeNow($stream)['probes'][0];
        $tookS = microtime(true) - $began;

        self::assertSame('steady', $ph['state']);
        self::assertGreaterThan(0.0, $ph['steadyForS']);
        self::assertLessThan($tookS, $ph['steadyForS'], 'At x60 the bench has been steady for many seconds of its own.');
    }

    public function test_what_is_at_rest_stays_at_rest_while_time_passes_at_the_bench_and_moves_when_hands_do(): void
    {
        $bench = $this->connectedBenchOf($this->teacher());
        $isSteady = fn (): bool => app(RecorderClient::class)->snapshot($bench)->of($this->electrodeOf($bench)->id)->isSteady;
        $this->actAndSettle($bench, 'dip', into: 'buffer-7.00');
        $this->goOn($bench, 60.0);
        self::assertTrue($isSteady());
        app(RecorderClient::class)->act($bench, ['act' => 'stir', 'on' => false]);

        self::assertFalse($isSteady(), 'Whatever hands do, it is judged afresh.');
    }

    public function test_every_screen_of_an_experiment_hears_of_a_change(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $experiment = $this->experimentOf($teacher, $bench);
        $stream = $this->listen($teacher, "experiment-{$experiment->id}");
        $this->actingAs($teacher)->patchJson("/api/experiments/{$experiment->id}", ['conclusion' => 'Salty.'])->assertOk();

        self::assertSame(['experimentId' => $experiment->id, 'revision' => 1, 'screen' => ''], json_decode($this->nextMessage($stream), true));
    }

    /**
     * A newcomer is given what was said before, too; this passes over it.
     *
     * @return array<string, mixed>
     */
    private function messageMadeNow(StreamInterface $stream): array
    {
        $nowMs = microtime(true) * 1000.0;
        do {
            $message = json_decode($this->nextMessage($stream), true);
        } while (($message['madeAtMs'] ?? 0.0) < $nowMs);

        return $message;
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Recorder\RecorderClient;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;
use Tests\Support\HostileMessages;
use Tests\Support\Recording;
use Tests\TestCase;

/** Devices that break the rules, beside one bench that is recorded; the recorder is the real one, under its supervisor. */
#[Group('shakes')]
final class HostileDeviceTest extends TestCase
{
    use Recording;

    private const MEMORY_GROWS_AT_MOST = 24 << 20;

    public function test_each_is_set_aside_with_a_sentence_and_the_others_go_on(): void
    {
        $teacher = $this->teacher();
        $good = $this->connectedBenchOf($teacher);
        $run = $this->actingAs($teacher)->startedRun($this->experimentOf($teacher, $good));
        $ways = HostileMessages::all();
        self::assertGreaterThanOrEqual(44, count($ways));
        $recorder = $this->recorder();
        $before = app(RecorderClient::class)->ask('health')['memory'];
        $device = $this->hostileDevice();
        $benches = [];
        foreach (array_keys($ways) as $i => $way) {
            $benches[$way] = $this->bench($teacher, ['name' => "Hostile {$i}", 'link_name' => "hostile-{$i} ".bin2hex(random_bytes(4)), 'port' => $device[1]]);
        }
        // Where all of them are served at once some may not come to greet in time at first; each is found out in the end.
        $left = $ways;
        $this->eventually(function () use ($benches, &$left): bool {
            $aside = $this->asideNow();
            $left = array_filter($left, static fn (array $of, string $way): bool => ! str_contains((string) ($aside[$benches[$way]->id] ?? ''), $of[1]), ARRAY_FILTER_USE_BOTH);

            return $left === [];
        }, 120.0, fn (): string => 'Not set aside for what they did: '.implode(', ', array_keys($left)).'. '.json_encode($this->asideNow()));
        self::assertSame($recorder, $this->recorder(), 'It is the same process as before.');
        self::assertNull($this->asideNow()[$good->id]);
        $this->getJson("/api/benches/{$good->id}")->assertOk();
        $device[0]->stop(0);
        $blocks = self::keptOfRun($run);
        self::assertCount(2, $blocks);
        $blocks->each(fn ($channel) => self::assertNoGapNoDouble($channel));
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        $this->eventually(static fn (): bool => app(RecorderClient::class)->ask('health')['memory'] < $before + self::MEMORY_GROWS_AT_MOST, 20.0);
        // Nothing of what they did has spoiled a page.
        foreach ($benches as $bench) {
            $this->getJson("/api/benches/{$bench->id}")->assertOk();
        }
        $this->getJson('/api/benches')->assertOk();
    }

    public function test_a_screen_of_the_bench_hears_why_and_hears_when_it_is_over(): void
    {
        $teacher = $this->teacher();
        $device = $this->hostileDevice();
        $i = array_search('a value beyond all measure', array_keys(HostileMessages::all()), true);
        $bench = $this->bench($teacher, ['name' => 'Wrong', 'link_name' => "hostile-{$i} here", 'port' => $device[1]]);
        $stream = $this->listen($teacher, "bench-{$bench->id}");
        $notes = [];
        $this->eventually(function () use ($stream, &$notes): bool {
            $notes = json_decode($this->nextMessage($stream), true)['notes'];

            return $notes !== [];
        }, 20.0);

        self::assertSame('device-aside', $notes[0]['code']);
        self::assertSame('The device of this bench was set aside. It sent a "v" that is no number from -1e12 to 1e12. It is tried again by itself.', $notes[0]['sentence']);
        self::assertSame('amber', $notes[0]['tone']);
        $probe = $bench->probes()->firstOrFail();
        $calibration = $this->actingAs($teacher)->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => 'ice-and-boiling'])->assertCreated()->json('id');
        $this->postJson("/api/calibrations/{$calibration}/readings", ['position' => 0])->assertConflict()->assertJsonPath('detail', $notes[0]['sentence']);
    }

    public function test_a_clock_that_steps_back_an_hour_blocks_no_reading(): void
    {
        $teacher = $this->teacher();
        $device = new Process([PHP_BINARY, base_path('tests/Support/stepping-device.php'), (string) $port = $this->freePort()]);
        $device->start();
        $bench = $this->bench($teacher, ['name' => 'Stepping', 'link_name' => null, 'port' => $port]);
        $this->eventually(fn (): bool => (app(RecorderClient::class)->ask('snapshot', $bench)['probes'] ?? []) !== [], 20.0);
        $probe = $bench->probes()->firstOrFail();
        $time = static fn (): float => (float) (app(RecorderClient::class)->ask('snapshot', $bench)['probes'][$probe->id]['time'] ?? 0.0);
        $before = $time();
        touch($flag = sys_get_temp_dir()."/welkion-step-{$port}");
        try {
            $this->eventually(static fn (): bool => $time() > 0.0 && $time() < $before - 3000.0);
            $this->eventually(static fn (): bool => app(RecorderClient::class)->snapshot($bench)->maybe($probe->id)?->count > 5);
            $stream = $this->listen($teacher, "bench-{$bench->id}");
            $notes = [];
            $this->eventually(function () use ($stream, &$notes): bool {
                $notes = json_decode($this->nextMessage($stream), true)['notes'];

                return $notes !== [];
            });
            self::assertSame('clock-stepped', $notes[0]['code']);
            self::assertStringContainsString('went back by 1.0 h. Values go on as a new segment', $notes[0]['sentence']);
        } finally {
            unlink($flag);
            $device->stop(0);
        }
    }

    /** @return array<int, string|null> why the device of each bench is set aside, by bench */
    private function asideNow(): array
    {
        return array_column((array) app(RecorderClient::class)->ask('health')['benches'], 'aside', 'id');
    }

    /** @return array{Process, int} and its port */
    private function hostileDevice(): array
    {
        $port = $this->freePort();
        $device = new Process([PHP_BINARY, '-d', 'memory_limit=1G', base_path('tests/Support/hostile-device.php'), (string) $port]);
        $device->start();

        return [$device, $port];
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\User;
use App\Recorder\RecorderClient;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;
use Tests\Support\Recording;
use Tests\TestCase;

/** A device that goes out of reach in the middle of a run: its line passes nothing on, and nobody closes it. */
#[Group('shakes')]
final class StalledLinkTest extends TestCase
{
    use Recording;

    private const STALLS_S = 8.0;

    private User $teacher;

    private Bench $bench;

    private Process $line;

    private string $flag;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->actingAs($this->teacher);
        $port = $this->freePort();
        $this->flag = sys_get_temp_dir()."/welkion-stall-{$port}";
        $this->line = new Process([PHP_BINARY, base_path('tests/Support/stalling-line.php'), (string) $port, (string) config()->integer('welkion.benches.port'), $this->flag]);
        $this->line->start();
        // By a name, as devices in a network have one.
        $this->bench = $this->bench($this->teacher, ['name' => 'Far', 'host' => 'localhost', 'link_name' => 'Hazel@'.Str::lower(Str::random(10)), 'port' => $port]);
        $this->eventually(fn (): bool => ($this->snapshot()['probes'] ?? []) !== [], 20.0);
    }

    protected function tearDown(): void
    {
        @unlink($this->flag);
        $this->line->stop(0);
        parent::tearDown();
    }

    public function test_it_is_told_no_old_value_is_taken_and_the_run_goes_on_without_a_gap(): void
    {
        $experiment = $this->experimentOf($this->teacher, $this->bench, 'sealed-bottle');
        $plan = ['rate' => 10, 'length' => null, 'begin' => null, 'end' => null];
        $this->patchJson("/api/experiments/{$experiment->id}", ['plan' => $plan])->assertOk();
        $run = $this->startedRun($experiment);
        $stream = $this->listen($this->teacher, "bench-{$this->bench->id}");
        $this->eventually(fn (): bool => count($this->times($run)) > 10, 20.0);
        $recorder = $this->recorder();
        touch($this->flag);
        $stalledAt = microtime(true);

        $message = [];
        $this->eventually(function () use ($stream, &$message): bool {
            $message = json_decode($this->nextMessage($stream), true);

            return $message['notes'] !== [];
        }, 20.0);
        self::assertSame('device-silent', $message['notes'][0]['code']);
        self::assertMatchesRegularExpression('/^Nothing has come from the device of this bench for (3|6|9|12) s\. /', $message['notes'][0]['sentence']);
        self::assertFalse($message['isConnected']);
        self::assertSame(['silent'], array_values(array_unique(array_column($message['probes'], 'state'))), 'What was last seen is not shown as what is.');
        self::assertSame([null], array_values(array_unique(array_column($message['probes'], 'value'))));
        self::assertStringStartsWith('Nothing has come from the device of this bench for', (string) ($this->snapshot()['problem'] ?? ''));

        usleep((int) (1e6 * max(0.0, $stalledAt + self::STALLS_S - microtime(true))));
        unlink($this->flag);
        $this->eventually(fn (): bool => json_decode($this->nextMessage($stream), true)['notes'] === [], 20.0);
        $this->eventually(fn (): bool => count($this->times($run)) > 10 * self::STALLS_S + 30, 20.0);
        $this->postJson("/api/runs/{$run}/finish")->assertOk();
        $rows = $this->getJson("/api/runs/{$run}")->assertOk()->json('rows');
        foreach ($rows as $i => $row) {
            self::assertEqualsWithDelta($i * 0.1, $row['cells']['t']['value'], 1e-9);
            $i === count($rows) - 1 || self::assertIsFloat($row['cells']['p']['value'], "at {$row['cells']['t']['value']} s");
        }
        self::assertSame($recorder, $this->recorder(), 'It is the same process as before.');
        self::keptOfRun($run)->each(fn ($channel) => self::assertNoGapNoDouble($channel));
    }

    /** @return list<float> */
    private function times(int $run): array
    {
        return $this->getJson("/api/runs/{$run}")->assertOk()->json('rows.*.cells.t.value');
    }

    /** @return array<array-key, mixed> */
    private function snapshot(): array
    {
        return app(RecorderClient::class)->ask('snapshot', $this->bench);
    }
}

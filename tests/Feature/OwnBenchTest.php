<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\User;
use App\Recorder\RecorderClient;
use Tests\Support\Recording;
use Tests\TestCase;

/** Benches a teacher connects by address and port. */
final class OwnBenchTest extends TestCase
{
    use Recording;

    private User $teacher;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->actingAs($this->teacher);
    }

    public function test_a_bench_is_tried_added_named_put_away_and_brought_back(): void
    {
        $place = ['host' => '127.0.0.1', 'port' => config()->integer('welkion.benches.port'), 'linkName' => 'Birch'];
        $this->postJson('/api/benches/try', $place)->assertOk()->assertJsonPath('bench', 'Birch')->assertJsonPath('problem', null)->assertJsonPath('channels.0.title', 'pH electrode');
        $id = $this->postJson('/api/benches', ['name' => ' Cedar '] + $place)->assertCreated()->assertJsonPath('name', 'Cedar')->assertJsonPath('isSimulated', false)
            ->assertJsonPath('address', "127.0.0.1:{$place['port']}")->json('id');
        $bench = $this->keepForTearDown(Bench::query()->findOrFail($id));
        $this->eventually(fn (): bool => count($this->getJson("/api/benches/{$id}")->json('probes')) === 3);
        $this->putJson("/api/benches/{$id}/name", ['name' => 'Elm'])->assertOk()->assertJsonPath('name', 'Elm');

        $this->postJson("/api/benches/{$id}/put-away")->assertOk()->assertJsonPath('isPutAway', true);
        self::assertSame([], $this->getJson('/api/benches')->assertOk()->json());
        self::assertSame([$id], $this->getJson('/api/benches?putAway=1')->assertOk()->json('*.id'));
        $this->eventually(static fn (): bool => ! in_array($id, array_column(app(RecorderClient::class)->ask('health')['benches'] ?? [], 'id'), true));
        $this->postJson('/api/benches', ['name' => 'Elm '] + $place)->assertUnprocessable()->assertJsonPath('detail', 'You have a bench of this name already, in use or put away. Choose another name.');
        $this->putJson("/api/benches/{$id}/name", ['name' => 'Elm'])->assertOk();
        $blank = $this->experimentOf($this->teacher, $bench, 'blank');
        $this->postJson("/api/experiments/{$blank->id}/runs")->assertConflict()->assertJsonPath('code', 'bench-away');
        $this->postJson("/api/benches/{$id}/bring-back")->assertOk()->assertJsonPath('isPutAway', false);
        $this->eventually(static fn (): bool => in_array($id, array_column(app(RecorderClient::class)->ask('health')['benches'] ?? [], 'id'), true));
        self::assertSame('Elm', $bench->refresh()->name);
    }

    public function test_a_bench_that_records_is_not_put_away(): void
    {
        $bench = $this->connectedBenchOf($this->teacher);
        $this->startedRun($this->experimentOf($this->teacher, $bench));

        $this->postJson("/api/benches/{$bench->id}/put-away")->assertConflict()->assertJsonPath('code', 'bench-busy');
    }

    public function test_says_what_is_wrong_with_an_address(): void
    {
        $try = fn (string $host, int $port): string => (string) $this->postJson('/api/benches/try', ['host' => $host, 'port' => $port])->assertOk()->assertJsonPath('channels', [])->json('problem');
        $free = $this->freePort();
        self::assertSame("Something is at 127.0.0.1, but nothing listens on port {$free}. Is the program of the device running, and is this its port?", $try('127.0.0.1', $free));
        self::assertStringContainsString('Nobody knows the address no-such-device.larkfield.invalid.', $try('no-such-device.larkfield.invalid', 9100));
        $answers = static function (string $line): array {
            $code = '$s = stream_socket_server("tcp://127.0.0.1:0"); echo stream_socket_get_name($s, false), "\\n"; while ($c = @stream_socket_accept($s, 20)) { fgets($c); fwrite($c, '.var_export($line, true).'); usleep(200000); fclose($c); }';
            $process = proc_open([PHP_BINARY, '-r', $code], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);

            return [$process, (int) parse_url('tcp://'.trim((string) fgets($pipes[1])), PHP_URL_PORT)];
        };
        foreach ([
            ["HTTP/1.1 400 Bad Request\n", 'does not speak the probe link; it said “HTTP/1.1 400 Bad Request”'],
            ['', 'does not answer "hello" within 3 s'],
            ['{"told":"hello","channels":[{"name":"x"}]}'."\n", 'what it tells of its channels cannot be used'],
        ] as [$line, $sentence]) {
            [$process, $port] = $answers($line);
            self::assertStringContainsString($sentence, $try('127.0.0.1', $port));
            is_resource($process) && proc_terminate($process, SIGKILL);
        }
        foreach ([['host' => 'http://x', 'port' => 9100], ['host' => '', 'port' => 9100], ['host' => 'cedar.local', 'port' => 9100], ['host' => '127.0.0.1', 'port' => 80], ['host' => '127.0.0.1', 'port' => '9100']] as $wrong) {
            $this->postJson('/api/benches/try', $wrong)->assertUnprocessable();
        }
        $this->postJson('/api/benches', ['host' => '127.0.0.1', 'port' => 9100])->assertUnprocessable()->assertJsonPath('detail', 'Give the bench a name of at most 60 letters, for example that of a tree.');
    }

    public function test_nobody_looks_through_a_network_by_trying(): void
    {
        $free = $this->freePort();
        for ($i = 0; $i < 12; $i++) {
            $this->postJson('/api/benches/try', ['host' => '127.0.0.1', 'port' => $free])->assertOk();
        }
        $this->postJson('/api/benches/try', ['host' => '127.0.0.1', 'port' => $free])->assertTooManyRequests();
    }
}

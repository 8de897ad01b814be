<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Models\Bench;
use App\Models\User;
use Psr\Http\Message\StreamInterface;

/** The recorder's process, what it writes and what screens hear of it. */
trait Recording
{
    use Browsing;
    use KeptSamples;

    protected function killRecorder(): void
    {
        posix_kill($this->recorder(), SIGKILL);
    }

    protected function recorder(): int
    {
        return $this->processOf('welkion:record');
    }

    /** The process of this copy that runs an artisan command. */
    protected function processOf(string $command): int
    {
        return $this->maybeProcessOf($command) ?? self::fail("No \"{$command}\" is running.");
    }

    protected function maybeProcessOf(string $command): ?int
    {
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
            $line = (string) @file_get_contents($file);
            $environment = (string) @file_get_contents(dirname($file).'/environ');
            if (str_contains($line, "artisan\0{$command}") && ! str_contains($line, 'setpriv') && str_contains($environment, 'WELKION_VAR='.getenv('WELKION_VAR')."\0")) {
                return (int) basename(dirname($file));
            }
        }

        return null;
    }

    protected function listen(User $teacher, string $channel): StreamInterface
    {
        $client = $this->signedIn($teacher);
        $response = $client->get("/live/{$channel}", ['stream' => true, 'headers' => ['Accept' => 'text/event-stream']]);
        self::assertSame(200, $response->getStatusCode());

        return $response->getBody();
    }

    protected function nextMessage(StreamInterface $stream): string
    {
        $line = '';
        $deadline = microtime(true) + 15.0;
        while (microtime(true) < $deadline) {
            $letter = $stream->read(1);
            if ($letter !== "\n") {
                $line .= $letter;

                continue;
            }
            if (str_starts_with($line, 'data: ')) {
                return substr($line, 6);
            }
            $line = '';
        }
        self::fail('No live message came within 15 s.');
    }

    /** @param  array<string, mixed>  $columns */
    protected function bench(User $teacher, array $columns): Bench
    {
        return $this->keepForTearDown($teacher->benches()->create($columns + ['host' => '127.0.0.1', 'is_simulated' => false])->refresh());
    }

    protected function freePort(): int
    {
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($server);
        $port = (int) parse_url('tcp://'.stream_socket_get_name($server, false), PHP_URL_PORT);
        fclose($server);

        return $port;
    }
}

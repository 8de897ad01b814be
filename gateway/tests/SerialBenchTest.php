<?php

declare(strict_types=1);

namespace Welkion\Gateway\Tests;

use PHPUnit\Framework\TestCase;

/** The whole of it, with a pseudo terminal in place of the serial port. */
final class SerialBenchTest extends TestCase
{
    /** @var list<resource> */
    private array $processes = [];

    private string $file = '';

    protected function tearDown(): void
    {
        foreach ($this->processes as $process) {
            proc_terminate($process, SIGKILL);
            proc_close($process);
        }
        $this->file === '' || unlink($this->file);
    }

    public function test_lines_of_numbers_from_a_terminal_come_as_readings(): void
    {
        [$keyboard, $terminal] = $this->terminal();
        $port = $this->freePort();
        $this->file = (string) tempnam(sys_get_temp_dir(), 'serial');
        file_put_contents($this->file, (string) json_encode(['bench' => 'Cedar', 'port' => $port, 'channels' => [
            ['name' => 't', 'kind' => 'thermometer', 'unit' => '°C', 'resolution' => 0.01], ['name' => 'ph', 'kind' => 'ph-electrode', 'unit' => 'mV', 'resolution' => 1],
        ]]));
        [, , $said] = $this->run3([dirname(__DIR__, 2).'/bin/serial-bench', $terminal, $this->file]);
        self::assertStringContainsString("Bench Cedar listens on port {$port}.", (string) fgets($said));

        $socket = stream_socket_client("tcp://127.0.0.1:{$port}", timeout: 5.0);
        self::assertIsResource($socket);
        stream_set_timeout($socket, 5);
        fwrite($socket, '{"do":"hello"}'."\n".'{"do":"stream","channel":"t","rate":10}'."\n".'{"do":"stream","channel":"ph","rate":10}'."\n");
        self::assertStringContainsString('"bench":"Cedar"', (string) fgets($socket));
        fgets($socket);
        fgets($socket);
        // A piece at a time, as a slow line brings them.
        fwrite($keyboard, '22.4');
        usleep(100_000);
        fwrite($keyboard, "1,-177\r\n");

        $packs = [json_decode((string) fgets($socket), true), json_decode((string) fgets($socket), true)];
        self::assertSame([22.41, -177], [$packs[0][0]['v'] ?? null, $packs[1][0]['v'] ?? null]);
        self::assertSame(['Cedar-1:', 'Cedar-2:'], [$packs[0][0]['bn'] ?? null, $packs[1][0]['bn'] ?? null]);
        self::assertEqualsWithDelta(microtime(true), $packs[0][0]['bt'] ?? 0, 5.0);
    }

    public function test_says_what_is_wrong_with_the_port_or_the_file(): void
    {
        foreach ([[[], 'Usage: bin/serial-bench DEVICE'], [['/dev/none', '/none.json'], 'There is no file /none.json.']] as [$arguments, $sentence]) {
            [, , $said] = $this->run3([dirname(__DIR__, 2).'/bin/serial-bench', ...$arguments]);
            self::assertStringContainsString($sentence, (string) stream_get_contents($said));
        }
    }

    /** @return array{resource, string} what is typed into it, and its name */
    private function terminal(): array
    {
        // "script" gives its command a terminal of its own; what it hears is what the terminal brings.
        [$keyboard, $shown] = $this->run3(['script', '-qfc', 'stty raw -echo; tty; sleep 60', '/dev/null']);
        $name = trim((string) fgets($shown));
        self::assertStringStartsWith('/dev/', $name);

        return [$keyboard, $name];
    }

    /**
     * @param  list<string>  $command
     * @return array{resource, resource, resource} its standard input, output and error
     */
    private function run3(array $command): array
    {
        $process = proc_open($command, [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        $this->processes[] = $process;
        stream_set_timeout($pipes[1], 5);
        stream_set_timeout($pipes[2], 5);

        return [$pipes[0], $pipes[1], $pipes[2]];
    }

    private function freePort(): int
    {
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($server);
        $port = (int) parse_url('tcp://'.stream_socket_get_name($server, false), PHP_URL_PORT);
        fclose($server);

        return $port;
    }
}

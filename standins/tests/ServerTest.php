<?php

declare(strict_types=1);

namespace Welkion\Standins\Tests;

use PHPUnit\Framework\TestCase;
use React\EventLoop\StreamSelectLoop;
use React\Socket\ConnectionInterface;
use React\Socket\TcpConnector;
use React\Socket\TcpServer;
use Welkion\Standins\Link\Building;
use Welkion\Standins\Link\Clock;
use Welkion\Standins\Link\Device;
use Welkion\Standins\Link\Server;
use Welkion\Standins\World\ChannelDescription;
use Welkion\Standins\World\World;

final class ServerTest extends TestCase
{
    public function test_no_reading_is_made_later_for_a_time_before_an_act_however_slow_the_machine(): void
    {
        $heard = $this->heard(self::slowWorld());
        $values = static fn (array $messages): array => array_map(floatval(...), array_merge(...array_map(
            static fn (array $m): array => array_is_list($m) ? array_column($m, 'v') : [], $messages,
        )));
        $answered = array_search(true, array_map(static fn (array $m): bool => ($m['told'] ?? null) === 'act', $heard), true);
        self::assertIsInt($answered);
        [$before, $after] = [$values(array_slice($heard, 0, $answered)), $values(array_slice($heard, $answered))];

        self::assertGreaterThan(20, count($before));
        self::assertSame([0.0], array_values(array_unique($before)), 'Before it was begun nothing moves.');
        self::assertGreaterThan(20, count($after));
        for ($i = 1; $i < count($after); $i++) {
            self::assertEqualsWithDelta(1 / 20, $after[$i] - $after[$i - 1], 1e-6, 'Each reading is of its own moment.');
        }
    }

    /** A world that shows how long ago it was begun, on a machine that needs a while for everything. */
    private static function slowWorld(): World
    {
        return new class implements World
        {
            private ?float $since = null;

            public function name(): string
            {
                return 'Slow';
            }

            public function channels(): array
            {
                return [new ChannelDescription('x', 'thermometer', 'x', 'Slow-1', 's', 0.0, [0.0, 1e9], 20.0)];
            }

            public function pass(float $seconds): void
            {
                usleep(200);
                $this->since = $this->since === null ? null : $this->since + $seconds;
            }

            public function reading(string $channel): float
            {
                return $this->since ?? 0.0;
            }

            public function act(string $act, array $details): void
            {
                $this->since = 0.0;
            }

            public function visible(): array
            {
                return [];
            }

            public function truth(): array
            {
                return [];
            }
        };
    }

    /**
     * Starts a bench at x60, lets it stream, begins it once two dozen readings came, and hears two dozen more.
     *
     * @return list<array<array-key, mixed>> what was heard
     */
    private function heard(World $world): array
    {
        $loop = new StreamSelectLoop;
        $free = new TcpServer('127.0.0.1:0', $loop);
        $address = substr((string) $free->getAddress(), strlen('tcp://'));
        $free->close();
        $now = microtime(true);
        new Server(new Building(['Slow' => new Device($world, new Clock($now, 60), $now)]), $address, $loop);
        $text = '';
        (new TcpConnector($loop))->connect($address)->then(static function (ConnectionInterface $connection) use ($loop, &$text): void {
            $begun = false;
            $connection->on('data', static function (string $data) use ($connection, $loop, &$text, &$begun): void {
                $text .= $data;
                [$before, $after] = [...explode('"told":"act"', $text, 2), ''];
                if (! $begun && substr_count($before, '"v":') >= 24) {
                    $begun = true;
                    $connection->write(json_encode(['do' => 'act', 'id' => 1, 'act' => 'begin'])."\n");
                }
                if (substr_count($after, '"v":') >= 24) {
                    $loop->stop();
                }
            });
            $connection->write(json_encode(['do' => 'stream', 'channel' => 'x', 'rate' => 20])."\n");
        });
        // Only a bench that never answers gets this far: a machine under load may take its time.
        $loop->addTimer(20.0, static fn () => $loop->stop());
        $loop->run();
        $lines = explode("\n", $text);
        array_pop($lines);

        return array_map(static fn (string $line): array => (array) json_decode($line, true), $lines);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\BenchLink;
use App\Recorder\Pack;
use PHPUnit\Framework\TestCase;
use Random\Randomizer;
use React\EventLoop\LoopInterface;
use React\EventLoop\StreamSelectLoop;
use React\Socket\ConnectionInterface;
use React\Socket\TcpServer;
use Welkion\Standins\Link\Clock;
use Welkion\Standins\Link\Device;
use Welkion\Standins\Link\Server;
use Welkion\Standins\World\Alder;

/** The recorder's end of the probe link against the stand-in's real server, over TCP. */
final class BenchLinkTest extends TestCase
{
    private LoopInterface $loop;

    private int $port;

    /** @var list<array<array-key, mixed>> */
    private array $hellos = [];

    /** @var list<Pack> */
    private array $packs = [];

    private int $lost = 0;

    protected function setUp(): void
    {
        $this->loop = new StreamSelectLoop;
        $free = new TcpServer('127.0.0.1:0', $this->loop);
        $this->port = (int) parse_url((string) $free->getAddress(), PHP_URL_PORT);
        $free->close();
    }

    public function test_greets_streams_and_resumes(): void
    {
        $this->serveAlder();
        $link = $this->link();
        $this->until(fn (): bool => $this->hellos !== []);
        $link->say(['do' => 'stream', 'channel' => 'ph', 'rate' => 10]);
        $this->until(fn (): bool => count($this->packs) >= 3);
        $seen = array_merge(...array_map(static fn (Pack $pack): array => array_column($pack->samples, 'seq'), $this->packs));
        $this->packs = [];
        $link->say(['do' => 'resume', 'channel' => 'ph', 'after' => $seen[0]]);
        $this->until(fn (): bool => in_array($seen[1], array_map(static fn (Pack $pack): int => $pack->samples[0]->seq, $this->packs), true));

        self::assertSame('Alder', $this->hellos[0]['bench']);
        self::assertSame(range($seen[0], $seen[0] + count($seen) - 1), $seen);
    }

    public function test_an_act_is_answered_and_a_refusal_brings_its_sentence(): void
    {
        $this->serveAlder();
        $link = $this->link();
        $this->until(fn (): bool => $this->hellos !== []);
        $answers = [];
        $link->ask(['do' => 'act', 'act' => 'rinse'], static function (array $answer) use (&$answers): void {
            $answers['rinse'] = $answer;
        });
        $link->ask(['do' => 'act', 'act' => 'dispense', 'volume' => 99.0], static function (array $answer) use (&$answers): void {
            $answers['dispense'] = $answer;
        });
        $this->until(static function () use (&$answers): bool {
            return count($answers) === 2;
        });

        self::assertSame('rinse', $answers['rinse']['world']['place']);
        self::assertSame('The burette holds only 50.00 mL more. Take a new sample to refill it.', $answers['dispense']['problem']);
    }

    public function test_connects_again_by_itself_and_answers_what_was_left_open(): void
    {
        $connections = [];
        $server = new TcpServer("127.0.0.1:{$this->port}", $this->loop);
        $server->on('connection', static function (ConnectionInterface $connection) use (&$connections): void {
            $connections[] = $connection;
        });
        $link = $this->link();
        $this->until(static function () use (&$connections): bool {
            return count($connections) === 1;
        });
        $this->until(static fn (): bool => $link->isConnected());
        $answer = null;
        $link->ask(['do' => 'act', 'act' => 'rinse'], static function (array $got) use (&$answer): void {
            $answer = $got;
        });
        $connections[0]->close();
        $this->until(static function () use (&$connections): bool {
            return count($connections) === 2;
        });

        self::assertSame(['problem' => 'The bench was lost before it answered.'], $answer);
        self::assertSame(1, $this->lost);
        $server->close();
    }

    public function test_a_bench_that_is_not_there_is_told_at_once(): void
    {
        $answer = null;
        $this->link()->ask(['do' => 'tell'], static function (array $got) use (&$answer): void {
            $answer = $got;
        });

        self::assertSame(['problem' => 'The bench is not connected. Check that it is switched on.'], $answer);
    }

    public function test_noise_on_the_line_is_passed_over(): void
    {
        $server = new TcpServer("127.0.0.1:{$this->port}", $this->loop);
        $server->on('connection', static function (ConnectionInterface $connection): void {
            $connection->write("rubbish\n[1,2]\n{}\n\"text\"\n[{\"n\":\"ph\",\"v\":1.5,\"seq\":7}]\n{\"told\":\"hel");
            $connection->write("lo\",\"bench\":\"Split\"}\n");
        });
        $this->link();
        $this->until(fn (): bool => $this->hellos !== []);

        self::assertSame('Split', $this->hellos[0]['bench']);
        self::assertCount(1, $this->packs);
        $server->close();
    }

    private function serveAlder(): void
    {
        $now = microtime(true);
        new Server(['Alder' => new Device(new Alder(new Randomizer), new Clock($now, 10), $now)], "127.0.0.1:{$this->port}", $this->loop);
    }

    private function link(): BenchLink
    {
        $link = new BenchLink(
            $this->loop,
            "127.0.0.1:{$this->port}",
            'Alder',
            function (array $hello): void {
                $this->hellos[] = $hello;
            },
            function (Pack $pack): void {
                $this->packs[] = $pack;
            },
            static fn () => null,
            function (): void {
                $this->lost++;
            },
        );
        $link->open();

        return $link;
    }

    private function until(\Closure $isTrue): void
    {
        $deadline = microtime(true) + 10.0;
        while (! $isTrue()) {
            self::assertLessThan($deadline, microtime(true), 'What was waited for did not happen within 10 s.');
            $this->loop->addTimer(0.01, $this->loop->stop(...));
            $this->loop->run();
        }
    }
}

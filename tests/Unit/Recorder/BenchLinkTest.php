<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Link\BenchLink;
use App\Recorder\Link\LinkEars;
use App\Recorder\Link\Pack;
use App\Recorder\Link\ToldChannel;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Randomizer;
use React\EventLoop\LoopInterface;
use React\EventLoop\StreamSelectLoop;
use React\Socket\ConnectionInterface;
use React\Socket\TcpServer;
use Welkion\Standins\Link\Building;
use Welkion\Standins\Link\Clock;
use Welkion\Standins\Link\Device;
use Welkion\Standins\Link\Server;
use Welkion\Standins\World\Alder;

/** The recorder's end of the probe link against the stand-in's real server, over TCP. */
final class BenchLinkTest extends TestCase implements LinkEars
{
    private LoopInterface $loop;

    private int $port;

    /** @var list<list<ToldChannel>> */
    private array $hellos = [];

    /** @var list<string> */
    private array $aside = [];

    /** @var list<string> */
    private array $failures = [];

    private ?float $unlucky = null;

    /** @var list<Pack> */
    private array $packs = [];

    private int $lostCount = 0;

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

        self::assertSame(['ph', 'temperature'], array_column($this->hellos[0], 'name'));
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
        $this->serve(static function (ConnectionInterface $connection) use (&$connections): void {
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
        $lostAt = microtime(true);
        $this->until(static function () use (&$connections): bool {
            return count($connections) === 2;
        });
        self::assertLessThan(1.5, microtime(true) - $lostAt, 'At once: a pulled cable is no fault.');

        self::assertSame(['problem' => 'The bench was lost before it answered.'], $answer);
        self::assertSame(1, $this->lostCount);
    }

    public function test_a_link_that_was_closed_stays_closed(): void
    {
        $count = 0;
        $this->serve(static function () use (&$count): void {
            $count++;
        });
        $link = $this->link();
        $this->until(static fn (): bool => $link->isConnected());
        $link->close();
        $this->loop->addTimer(0.7, $this->loop->stop(...));
        $this->loop->run();

        self::assertFalse($link->isConnected());
        self::assertSame(1, $count);
    }

    public function test_a_bench_that_is_not_there_is_told_at_once(): void
    {
        $answer = null;
        $this->link()->ask(['do' => 'tell'], static function (array $got) use (&$answer): void {
            $answer = $got;
        });

        self::assertSame(['problem' => 'The bench is not connected. Check that it is switched on.'], $answer);
    }

    public function test_a_message_that_comes_in_pieces_is_heard_whole_and_blank_lines_mean_nothing(): void
    {
        $this->serve(function (ConnectionInterface $connection): void {
            $connection->write("\n\r\n{\"told\":\"hel");
            $connection->write("lo\",\"channels\":[]}\n[{\"n\":\"ph\",\"v\":1.");
            $this->loop->addTimer(0.05, static fn () => $connection->write("5,\"seq\":7}]\n\n"));
        });
        $this->link();
        $this->until(fn (): bool => $this->packs !== []);

        self::assertCount(1, $this->hellos);
        self::assertCount(1, $this->packs);
        self::assertSame([], $this->aside);
    }

    public function test_an_answer_goes_to_its_own_question_whatever_number_came_along(): void
    {
        $heard = [];
        $this->serve(static function (ConnectionInterface $connection) use (&$heard): void {
            $connection->on('data', static function (string $data) use (&$heard, $connection): void {
                foreach (explode("\n", trim($data)) as $line) {
                    $heard[] = $message = json_decode($line, true);
                    $connection->write(json_encode(['told' => 'act', 'id' => $message['id'] ?? null, 'world' => []])."\n");
                }
            });
        });
        $link = $this->link();
        $this->until(static fn (): bool => $link->isConnected());
        $answer = null;
        $link->ask(['do' => 'act', 'act' => 'dispense', 'id' => 999], static function (array $got) use (&$answer): void {
            $answer = $got;
        });
        $this->until(static function () use (&$answer): bool {
            return $answer !== null;
        });

        self::assertSame(1, $heard[1]['id']);
        self::assertSame([], $answer['world']);
    }

    public function test_who_says_nothing_after_connecting_is_set_aside_and_tried_again_later(): void
    {
        $connections = 0;
        $this->serve(static function () use (&$connections): void {
            $connections++;
        });
        $link = $this->link();
        $this->until(fn (): bool => $this->aside !== [], 8.0);

        self::assertSame(['It did not answer "hello" within 5 s.'], $this->aside);
        self::assertFalse($link->isConnected());
        self::assertSame('It did not answer "hello" within 5 s.', $link->fault(microtime(true)));
        $setAsideAt = microtime(true);
        $this->until(static function () use (&$connections): bool {
            return $connections === 2;
        });
        self::assertGreaterThan(1.9, microtime(true) - $setAsideAt, 'Not at once: it would do the same again.');
    }

    public function test_readings_before_the_greeting_may_be_of_another_bench_and_are_not_heard(): void
    {
        $this->serve(static function (ConnectionInterface $connection): void {
            $connection->write("[{\"n\":\"temperature\",\"v\":1,\"seq\":1}]\n{\"told\":\"hello\",\"channels\":[]}\n[{\"n\":\"temperature\",\"v\":2,\"seq\":2}]\n");
        });
        $this->link();
        $this->until(fn (): bool => $this->packs !== []);

        self::assertSame([2], array_map(static fn (Pack $pack): int => $pack->samples[0]->seq, $this->packs));
    }

    public function test_a_device_that_fell_silent_is_called_until_it_answers_and_is_not_blamed(): void
    {
        $connections = 0;
        $this->serve(static function (ConnectionInterface $connection) use (&$connections): void {
            // Out of reach the second time.
            ++$connections === 2 || $connection->write("{\"told\":\"hello\",\"channels\":[]}\n");
        });
        $link = $this->link();
        $this->until(fn (): bool => count($this->hellos) === 1);
        self::assertNull($link->silentSince());
        $link->callAgain(100.0);
        $link->callAgain(200.0);
        self::assertSame(100.0, $link->silentSince());
        $this->until(fn (): bool => count($this->hellos) === 2, 8.0);

        self::assertSame(3, $connections);
        self::assertSame([], $this->aside);
        self::assertNull($link->silentSince());
        self::assertNull($link->fault(microtime(true)));
    }

    public function test_a_device_that_keeps_the_rules_for_a_minute_is_forgiven(): void
    {
        $isFirst = true;
        $this->serve(static function (ConnectionInterface $connection) use (&$isFirst): void {
            $connection->write($isFirst ? "rubbish\n" : "{\"told\":\"hello\",\"channels\":[]}\n");
            $isFirst = false;
        });
        $link = $this->link();
        $this->until(fn (): bool => $this->hellos !== []);

        self::assertSame(['It sent a line that is no JSON object or list, or is nested too deeply: “rubbish”.'], $this->aside);
        self::assertSame($this->aside[0], $link->fault(microtime(true)), 'Just back: it is still told.');
        self::assertNull($link->fault(microtime(true) + 61.0));
    }

    public function test_each_time_it_is_set_aside_the_wait_is_twice_as_long(): void
    {
        $connectedAt = [];
        $this->serve(static function (ConnectionInterface $connection) use (&$connectedAt): void {
            $connectedAt[] = microtime(true);
            $connection->write("rubbish\n");
        });
        $this->link();
        // The third time what was sent has to be heard, too.
        $this->until(function () use (&$connectedAt): bool {
            return count($connectedAt) === 3 && count($this->aside) === 3 && $this->lostCount === 3;
        });

        self::assertEqualsWithDelta(2.0, $connectedAt[1] - $connectedAt[0], 0.5);
        self::assertEqualsWithDelta(4.0, $connectedAt[2] - $connectedAt[1], 0.5);
        self::assertCount(3, $this->aside);
        self::assertSame(3, $this->lostCount, 'The line was cut each time.');
    }

    /** @return iterable<string, array{string, int, string}> */
    public static function floods(): iterable
    {
        yield 'control lines' => ["{\"told\":\"stop\"}\n", 600, 'It sends more than 50 control lines a second.'];
        yield 'plugs' => ["{\"told\":\"channels\",\"channels\":[]}\n", 40, 'It tells again and again that plugs changed; look for a loose one.'];
        yield 'greetings' => ["{\"told\":\"hello\",\"channels\":[]}\n", 1, 'It said "hello" again without being asked.'];
    }

    #[DataProvider('floods')]
    public function test_who_floods_the_line_is_cut_off(string $line, int $times, string $sentence): void
    {
        $this->serve(static function (ConnectionInterface $connection) use ($line, $times): void {
            $connection->write("{\"told\":\"hello\",\"channels\":[]}\n");
            for ($i = 0; $i < $times; $i++) {
                $connection->write($line);
            }
        });
        $link = $this->link();
        $this->until(fn (): bool => $this->aside !== []);

        self::assertSame([$sentence], $this->aside);
        self::assertFalse($link->isConnected());
        self::assertSame($sentence, $link->fault(microtime(true) + 1000.0), 'While it is away nothing is forgiven.');
    }

    public function test_what_a_listener_cannot_work_with_sets_the_device_aside_and_not_the_recorder(): void
    {
        $this->serve(static function (ConnectionInterface $connection): void {
            $connection->write("{\"told\":\"hello\",\"channels\":[]}\n[{\"n\":\"ph\",\"v\":13,\"seq\":1}]\n[{\"n\":\"ph\",\"v\":1,\"seq\":2}]\n");
        });
        $this->unlucky = 13.0;
        $this->link();
        $this->until(fn (): bool => $this->aside !== []);

        self::assertSame(['A listener stumbled.'], $this->failures);
        self::assertStringContainsString('that is a mistake of Welkion', $this->aside[0]);
        self::assertSame([], $this->packs, 'Nothing of what came after it is heard.');
    }

    public function test_an_answer_counts_once(): void
    {
        $this->serve(static function (ConnectionInterface $connection): void {
            $connection->on('data', static function () use ($connection): void {
                $connection->write("{\"told\":\"act\",\"id\":1,\"n\":1}\n{\"told\":\"act\",\"id\":1,\"n\":2}\n{\"told\":\"act\",\"id\":7}\n");
            });
        });
        $link = $this->link();
        $this->until(static fn (): bool => $link->isConnected());
        $answers = [];
        $link->ask(['do' => 'tell'], static function (array $got) use (&$answers): void {
            $answers[] = $got['n'] ?? $got;
        });
        $this->until(static function () use (&$answers): bool {
            return $answers !== [];
        });
        $this->loop->addTimer(2.3, $this->loop->stop(...));
        $this->loop->run();

        self::assertSame([1], $answers, 'Neither the second answer nor the end of patience comes on top.');
    }

    public function plugged(array $channels, mixed $world, bool $isGreeting): void
    {
        $this->hellos[] = $channels;
    }

    public function take(Pack $pack): void
    {
        if ($pack->samples[0]->value === $this->unlucky) {
            throw new \RuntimeException('A listener stumbled.');
        }
        $this->packs[] = $pack;
    }

    public function resumed(string $channel): void
    {
    }

    public function lost(): void
    {
        $this->lostCount++;
    }

    public function setAside(string $why): void
    {
        $this->aside[] = $why;
    }

    public function failed(\Throwable $failure): void
    {
        $this->failures[] = $failure->getMessage();
    }

    private function serve(\Closure $welcome): void
    {
        (new TcpServer("127.0.0.1:{$this->port}", $this->loop))->on('connection', $welcome);
    }

    private function serveAlder(): void
    {
        $now = microtime(true);
        new Server(new Building(['Alder' => new Device(new Alder(new Randomizer), new Clock($now, 10), $now)]), "127.0.0.1:{$this->port}", $this->loop);
    }

    private function link(): BenchLink
    {
        $link = new BenchLink($this->loop, "127.0.0.1:{$this->port}", 'Alder', $this);
        $link->open();

        return $link;
    }

    private function until(\Closure $isTrue, float $withinS = 10.0): void
    {
        $deadline = microtime(true) + $withinS;
        while (! $isTrue()) {
            self::assertLessThan($deadline, microtime(true), 'What was waited for did not happen in time.');
            $this->loop->addTimer(0.01, $this->loop->stop(...));
            $this->loop->run();
        }
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Standins\Tests;

use PHPUnit\Framework\TestCase;
use React\EventLoop\StreamSelectLoop;
use React\Socket\TcpServer;
use Welkion\Standins\Link\Building;
use Welkion\Standins\Link\Clock;
use Welkion\Standins\Link\Device;
use Welkion\Standins\Link\Server;

final class SlowListenerTest extends TestCase
{
    private StreamSelectLoop $loop;

    private HurriedWorld $world;

    protected function setUp(): void
    {
        $this->loop = new StreamSelectLoop;
        $this->world = new HurriedWorld;
    }

    public function test_a_bench_waits_for_who_takes_nothing_and_goes_on_where_it_stood(): void
    {
        $deaf = $this->listener(60.0);
        $stood = $this->whereItStands();

        $text = '';
        $this->loop->addReadStream($deaf, function ($deaf) use (&$text, $stood): void {
            $text .= (string) fread($deaf, 1_000_000);
            $this->world->passed > $stood && strlen($text) > 5_000_000 && $this->loop->stop();
        });
        $this->turn(20.0);
        preg_match_all('/"seq":(\d+)/', $text, $found);
        $numbers = array_slice(array_map(intval(...), $found[1]), 0, -1);

        self::assertGreaterThan($stood, $this->world->passed);
        self::assertSame(range($numbers[0], $numbers[0] + count($numbers) - 1), $numbers, 'Nothing is left out.');
    }

    public function test_a_bench_lets_go_who_takes_nothing_for_too_long(): void
    {
        $deaf = $this->listener(0.2);
        $this->turn(1.0);
        $stood = $this->world->passed;
        $this->turn(0.3);

        self::assertGreaterThan($stood, $this->world->passed, 'Nobody is waited for any more.');
        fclose($deaf);
    }

    public function test_who_is_let_go_while_it_speaks_is_heard_no_more_and_the_bench_goes_on(): void
    {
        $deaf = $this->listener(0.0, speed: 2);
        // Something of it is always on its way: nearly always what fell due before that finds first that it takes nothing.
        $this->loop->addWriteStream($deaf, function ($deaf): void {
            @fwrite($deaf, '{"do":"truth"}'."\n") === false && $this->loop->stop();
        });
        $this->turn(20.0);
        $stood = $this->world->passed;
        $this->loop->removeWriteStream($deaf);
        $this->turn(0.3);

        self::assertGreaterThan($stood, $this->world->passed);
        fclose($deaf);
    }

    public function test_a_line_that_never_ends_is_refused(): void
    {
        $text = '';
        $listener = $this->listener(60.0);
        fwrite($listener, str_repeat('x', 5000));
        $this->turn(0.3);
        $this->loop->addReadStream($listener, function ($listener) use (&$text): void {
            $text .= (string) fread($listener, 1_000_000);
            feof($listener) && $this->loop->stop();
        });
        $this->turn(20.0);

        self::assertStringEndsWith('{"told":"problem","problem":"A line may have at most 4096 bytes."}'."\n", (string) $text);
        self::assertTrue(feof($listener), 'Who does this is let go.');
    }

    /** @return resource someone who asks for very much and reads nothing of it */
    private function listener(float $patienceS, int $speed = 60)
    {
        $free = new TcpServer('127.0.0.1:0', $this->loop);
        $address = (string) $free->getAddress();
        $free->close();
        $now = microtime(true);
        new Server(new Building(['Hurried' => new Device($this->world, new Clock($now, $speed), $now)]), substr($address, strlen('tcp://')), $this->loop, $patienceS);
        $listener = stream_socket_client($address);
        self::assertIsResource($listener);
        stream_set_blocking($listener, false);
        fwrite($listener, '{"do":"stream","channel":"x","rate":20000}'."\n");

        return $listener;
    }

    /** How far time has come when the bench waits. */
    private function whereItStands(): float
    {
        for ($i = 0; $i < 50; $i++) {
            $before = $this->world->passed;
            $this->turn(0.3);
            if ($before > 0.0 && $before === $this->world->passed) {
                return $before;
            }
        }
        self::fail('It waits for nobody.');
    }

    private function turn(float $seconds): void
    {
        $end = $this->loop->addTimer($seconds, fn () => $this->loop->stop());
        $this->loop->run();
        $this->loop->cancelTimer($end);
    }
}

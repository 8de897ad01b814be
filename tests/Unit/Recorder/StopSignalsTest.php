<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\StopSignals;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use React\EventLoop\StreamSelectLoop;

final class StopSignalsTest extends TestCase
{
    /** @return iterable<string, array{int}> */
    public static function signals(): iterable
    {
        yield 'from the supervisor' => [SIGTERM];
        yield 'from a terminal' => [SIGINT];
    }

    #[DataProvider('signals')]
    public function test_what_is_being_done_is_done_to_its_end_before_the_stop(int $signal): void
    {
        $loop = new StreamSelectLoop;
        $done = [];
        StopSignals::hear($loop, static function () use ($loop, &$done): void {
            $done[] = 'stop';
            $loop->stop();
        });
        $loop->addTimer(0.01, static function () use ($signal, &$done): void {
            $done[] = 'begun';
            posix_kill(posix_getpid(), $signal);
            for ($i = 0, $sum = 0; $i < 100_000; $i++) {
                $sum += $i % 7;
            }
            $done[] = 'ended';
        });
        $loop->addTimer(5.0, $loop->stop(...));
        $loop->run();

        self::assertSame(['begun', 'ended', 'stop'], $done);
    }
}

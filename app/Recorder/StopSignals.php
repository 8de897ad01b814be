<?php

declare(strict_types=1);

namespace App\Recorder;

use React\EventLoop\LoopInterface;

/** Being asked to end, heard between two things and never in the middle of one: signals come at any moment. */
final class StopSignals
{
    /** @param  \Closure(): void  $stop */
    public static function hear(LoopInterface $loop, \Closure $stop): void
    {
        foreach ([SIGTERM, SIGINT] as $signal) {
            $loop->addSignal($signal, static fn () => $loop->futureTick($stop));
        }
    }
}

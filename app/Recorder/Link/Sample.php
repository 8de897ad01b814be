<?php

declare(strict_types=1);

namespace App\Recorder\Link;

/** One raw reading of a channel as its device sent it. */
final readonly class Sample
{
    /**
     * @param  float  $time  s, clock of the bench
     * @param  float  $value  raw unit of the channel
     */
    public function __construct(public int $seq, public float $time, public float $value)
    {
    }
}

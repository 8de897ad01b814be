<?php

declare(strict_types=1);

namespace App\Recorder;

/** Mean of one channel over its averaging window, in its raw unit. */
final readonly class ChannelMean
{
    /** @param  list<float>  $samples */
    private function __construct(
        public float $mean,
        public float $scatter,
        public int $count,
        public bool $isSteady,
        public bool $isWindowFull,
        public float $driftPerMinute,
        public float $time,
        public array $samples,
    ) {
    }

    /** @param  array{mean: float|int, scatter: float|int, count: int, isSteady: bool, isWindowFull: bool, driftPerMinute: float|int, time: float|int, samples: list<float|int>}  $probe */
    public static function from(array $probe): self
    {
        return new self(
            (float) $probe['mean'],
            (float) $probe['scatter'],
            $probe['count'],
            $probe['isSteady'],
            $probe['isWindowFull'],
            (float) $probe['driftPerMinute'],
            (float) $probe['time'],
            array_map(floatval(...), $probe['samples']),
        );
    }
}

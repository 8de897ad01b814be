<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** What can be seen of a channel between two moments: the samples themselves, or the ends of each column of pixels. */
final readonly class Picture
{
    /**
     * @param  list<float>  $times  clock of the bench, s
     * @param  list<float>  $lows  raw unit
     * @param  list<float>  $highs  the same as $lows where samples are shown
     */
    private function __construct(public bool $showsSamples, public array $times, public array $lows, public array $highs)
    {
    }

    /**
     * @param  list<float>  $times
     * @param  list<float>  $values
     */
    public static function ofSamples(array $times, array $values): self
    {
        return new self(true, $times, $values, $values);
    }

    /**
     * @param  list<float>  $times  the middle of each column that has any
     * @param  list<float>  $lows
     * @param  list<float>  $highs
     */
    public static function ofColumns(array $times, array $lows, array $highs): self
    {
        return new self(false, $times, $lows, $highs);
    }
}

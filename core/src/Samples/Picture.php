<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** What can be seen of a channel between two moments: the samples themselves, or the ends of each column of pixels. */
final readonly class Picture
{
    /**
     * @param  float  $from  clock of the bench, s
     * @param  list<float>  $times  of the samples, clock of the bench, s; empty where columns are shown
     * @param  list<float>  $lows  raw unit; of a column without any sample NAN
     * @param  list<float>  $highs  the same as $lows where samples are shown
     */
    private function __construct(
        public bool $showsSamples,
        public float $from,
        public float $to,
        public array $times,
        public array $lows,
        public array $highs,
    ) {
    }

    /**
     * @param  list<float>  $times
     * @param  list<float>  $values
     */
    public static function ofSamples(float $from, float $to, array $times, array $values): self
    {
        return new self(true, $from, $to, $times, $values, $values);
    }

    /**
     * @param  list<float>  $lows  of each column
     * @param  list<float>  $highs
     */
    public static function ofColumns(float $from, float $to, array $lows, array $highs): self
    {
        return new self(false, $from, $to, [], $lows, $highs);
    }

    /**
     * The same with every value made another by a rule that never turns back, as a calibration is.
     *
     * @param  \Closure(list<float>): list<float>  $made
     */
    public function mapped(\Closure $made): self
    {
        $lows = $made($this->lows);
        if ($this->showsSamples) {
            return new self(true, $this->from, $this->to, $this->times, $lows, $lows);
        }
        $highs = $made($this->highs);
        // A falling calibration turns lowest into highest.
        foreach ($lows as $i => $low) {
            if ($low > $highs[$i]) {
                [$lows[$i], $highs[$i]] = [$highs[$i], $low];
            }
        }

        return new self(false, $this->from, $this->to, [], $lows, $highs);
    }
}

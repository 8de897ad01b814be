<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

use Welkion\Core\Exception\InvalidQuantity;

/**
 * The rows of a timed run: moments at even intervals from its beginning, which is row 0, and for each the sample of a channel that
 * lies nearest. A channel that is read more slowly leaves blanks between, so that no sample is counted twice.
 */
final readonly class EvenRows
{
    /** More rows than this are thinned: every second, every third ... of them. */
    public const MOST = 100_000;

    /** Samples held at a time. */
    private const AT_A_TIME = 50_000;

    /** A moment that misses a whole interval by less is taken for it: doubles are no truer. */
    private const ROUNDING = 1e-6;

    /**
     * @param  int  $first  of the rows, in intervals from the beginning; below 0 for what was kept from before
     * @param  int  $stride  every so-manieth row is there
     */
    private function __construct(public int $first, public int $count, public int $stride, public float $interval)
    {
    }

    /**
     * @param  float  $before  s kept from before the beginning
     * @param  float  $length  s after it
     * @param  float  $interval  s between two rows
     *
     * @throws InvalidQuantity If a number is none or below 0, or the interval is not above 0.
     */
    public static function of(float $before, float $length, float $interval, int $most = self::MOST): self
    {
        if (! is_finite($before) || ! is_finite($length) || $before < 0.0 || $length < 0.0) {
            throw new InvalidQuantity('A run begins before it ends.');
        }
        if (! is_finite($interval) || $interval <= 0.0) {
            throw InvalidQuantity::mustBePositive('interval', $interval, 's');
        }
        $first = -(int) floor($before / $interval + self::ROUNDING);
        $all = (int) floor($length / $interval + self::ROUNDING) - $first + 1;
        $stride = intdiv($all + $most - 1, $most);

        return new self($first, intdiv($all - 1, $stride) + 1, $stride, $interval);
    }

    /** @return list<float> s after the beginning */
    public function times(): array
    {
        return array_map($this->moment(...), range(0, $this->count - 1));
    }

    /**
     * @param  float  $zero  clock of the bench at row 0, s
     * @return list<float> raw unit, one a row; NAN where no sample lies within half an interval
     */
    public function cells(LongSeries $samples, float $zero): array
    {
        $cells = [];
        $rows = $this->rowsAtATime($samples);
        for ($place = 0; $place < $this->count; $place += $rows) {
            array_push($cells, ...$this->piece($samples, $zero, $place, min($rows, $this->count - $place)));
        }

        return $cells;
    }

    /** @return list<float> */
    private function piece(LongSeries $samples, float $zero, int $place, int $count): array
    {
        $reach = $this->interval * (0.5 + self::ROUNDING);
        [$times, $values] = $samples->samples($zero + $this->moment($place) - $reach, $zero + $this->moment($place + $count - 1) + $reach);
        $n = count($times);
        $cells = [];
        $near = 0;
        for ($i = $place; $i < $place + $count; $i++) {
            $at = $zero + $this->moment($i);
            while ($near + 1 < $n && abs($times[$near + 1] - $at) <= abs($times[$near] - $at)) {
                $near++;
            }
            $cells[] = $n > 0 && abs($times[$near] - $at) <= $reach ? $values[$near] : NAN;
        }

        return $cells;
    }

    private function moment(int $place): float
    {
        return ($this->first + $place * $this->stride) * $this->interval;
    }

    private function rowsAtATime(LongSeries $samples): int
    {
        $extent = $samples->extent();
        $span = $extent === null ? 0.0 : $extent[1] - $extent[0];
        $samplesPerRow = $span > 0.0 ? $samples->count() / $span * $this->stride * $this->interval : 1.0;

        return max(1, (int) (self::AT_A_TIME / max(1.0, $samplesPerRow)));
    }
}

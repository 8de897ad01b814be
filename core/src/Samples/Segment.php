<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

use Welkion\Core\Exception\UnequalLengths;

/**
 * Up to 65,536 samples of one channel that follow on each other, with all that is kept beside them: an envelope at every
 * level for pictures, and moments of stretches of 256, of 4,096 and of the whole for statistics.
 */
final class Segment
{
    public const SAMPLES = Levels::COARSEST;

    /** Samples of which moments are kept together, the finest first. */
    public const MOMENTS_OF = [256, 256 * self::TOGETHER];

    private const TOGETHER = 16;

    /** Times within this of an even grid are kept as the grid, in s. */
    private const EVEN_WITHIN_S = 1e-6;

    /** @var list<Moments>|null once they were asked for */
    private ?array $moments = null;

    /**
     * @param  float  $t0  clock of the bench, s
     * @param  float|null  $dt  s between samples; null where they are uneven
     * @param  list<float>  $offsets  s after $t0
     * @param  non-empty-list<float>  $values  raw unit
     */
    private function __construct(public readonly float $t0, public readonly ?float $dt, private readonly array $offsets, public readonly array $values)
    {
    }

    /**
     * @param  non-empty-list<float>  $times  clock of the bench, s, rising
     * @param  non-empty-list<float>  $values  same length as $times, raw unit
     *
     * @throws UnequalLengths If the columns differ in length.
     */
    public static function of(array $times, array $values): self
    {
        if (count($times) !== count($values)) {
            throw UnequalLengths::between(count($times), count($values));
        }
        $t0 = $times[0];
        $offsets = array_map(static fn (float $t): float => $t - $t0, $times);

        return new self($t0, self::evenStep($offsets), $offsets, $values);
    }

    public function count(): int
    {
        return count($this->values);
    }

    /** Clock of the bench at its last sample, s. */
    public function end(): float
    {
        return $this->t0 + $this->offsets[count($this->offsets) - 1];
    }

    /** @param  int|string  $key  by which a store finds it again */
    public function head(int|string $key): SegmentHead
    {
        $moments = $this->moments();

        return new SegmentHead($key, $this->count(), $this->t0, $this->end(), $this->dt, $moments[count($moments) - 1]);
    }

    /** @return list<float>|null s after the first sample; null where an even step tells them */
    public function offsets(): ?array
    {
        return $this->dt === null ? $this->offsets : null;
    }

    /** @return list<float> smallest and largest of each stretch, the finest level first */
    public function envelope(): array
    {
        return Envelope::of($this->values);
    }

    /** @return list<Moments> of stretches of 256 samples, of 4,096, and of all; times counted from the first sample */
    public function moments(): array
    {
        return $this->moments ??= $this->momentsOfStretches();
    }

    /** Where the moments of stretches of so many samples begin in moments() of a segment of $count samples. */
    public static function momentsOffset(int $count, int $of): int
    {
        return $of === self::MOMENTS_OF[0] ? 0 : intdiv($count + self::MOMENTS_OF[0] - 1, self::MOMENTS_OF[0]);
    }

    /** @return list<Moments> */
    private function momentsOfStretches(): array
    {
        $fine = [];
        for ($from = 0, $n = count($this->values); $from < $n; $from += self::MOMENTS_OF[0]) {
            $fine[] = Moments::of(array_slice($this->offsets, $from, self::MOMENTS_OF[0]), array_slice($this->values, $from, self::MOMENTS_OF[0]));
        }
        $coarse = array_map(Moments::together(...), array_chunk($fine, self::TOGETHER));

        return [...$fine, ...$coarse, Moments::together($coarse)];
    }

    /** @param  non-empty-list<float>  $offsets */
    private static function evenStep(array $offsets): ?float
    {
        $last = count($offsets) - 1;
        if ($last === 0) {
            return 0.0;
        }
        $step = $offsets[$last] / $last;
        foreach ($offsets as $i => $offset) {
            if (abs($offset - $i * $step) > self::EVEN_WITHIN_S) {
                return null;
            }
        }

        return $step;
    }
}

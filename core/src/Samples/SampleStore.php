<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** Where the samples of one channel of a run are kept; asked for several parts at once, and never for all. */
interface SampleStore
{
    /** How many samples there are. */
    public function count(): int;

    /** @return array{float, float}|null clock of the bench at the first and the last sample, s; null without any */
    public function extent(): ?array;

    /** @return list<SegmentHead> those of which a sample may lie between two moments, in the order they were recorded */
    public function heads(float $from, float $to): array;

    /**
     * The segments of a span, as little of each as moments of the span need.
     *
     * @param  float  $edge  s by which a sample may miss the span
     * @return array{list<Moments>, list<SegmentHead>} of each segment that lies in it, times counted from $from; and the heads of
     *                                                 those of which only some samples may
     */
    public function span(float $from, float $to, float $edge): array;

    /**
     * @param  list<Part>  $parts  in samples
     * @return list<list<float>> raw unit, for each part
     */
    public function values(array $parts): array;

    /**
     * Only asked where a segment has no even step.
     *
     * @param  list<Part>  $parts  in samples
     * @return list<list<float>> s after the first sample of the segment, for each part
     */
    public function offsets(array $parts): array;

    /**
     * @param  list<Part>  $parts  in stretches of this level
     * @return list<list<float>> smallest, largest, smallest, largest ... for each part
     */
    public function envelopes(int $level, array $parts): array;

    /**
     * @param  int  $of  samples of a stretch, one of Segment::MOMENTS_OF
     * @param  list<Part>  $parts  in such stretches
     * @return list<list<Moments>> times counted from the first sample of the segment, for each part
     */
    public function moments(int $of, array $parts): array;
}

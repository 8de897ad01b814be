<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

use Welkion\Core\Exception\InvalidQuantity;

/**
 * One channel of a run however long it is: pictures, statistics and lines of any span of it, at a cost that does not grow
 * with its length. What lies in the middle of a span comes from what is kept beside the samples; only at its two ends are
 * samples read.
 */
final readonly class LongSeries
{
    /** A sample counts to a span it misses by less, in s: Unix times in doubles, and steps taken for even, are no truer. */
    private const EDGE_S = 2e-6;

    /** ... but never by more than this share of a step. */
    private const EDGE_SHARE = 0.4;

    /** Stretches that are drawn are no longer than this share of a column: so what lies near its edge is hardly seen in the next. */
    private const OF_COLUMN = 0.5;

    public function __construct(private SampleStore $store)
    {
    }

    public function count(): int
    {
        return $this->store->count();
    }

    /** @return array{float, float}|null clock of the bench at its first and last sample, s; null without any */
    public function extent(): ?array
    {
        return $this->store->extent();
    }

    /**
     * Moments of the samples from one moment to another, both included; their times are counted from $from.
     *
     * @param  float  $from  clock of the bench, s
     *
     * @throws InvalidQuantity If the span ends before it begins.
     */
    public function moments(float $from, float $to): Moments
    {
        self::check($from, $to);
        [$whole, $ends] = $this->store->span($from, $to, self::EDGE_S);
        $edges = [];
        foreach ($this->parts($ends, $from, $to) as $part) {
            if ($part->count === $part->head->count) {
                $whole[] = $part->head->moments->later($part->head->t0 - $from);
            } else {
                $edges[] = $part;
            }
        }

        return Moments::together([...$whole, ...$this->momentsOfParts($edges, $from)]);
    }

    /**
     * What can be seen in so many columns of pixels.
     *
     * @param  float  $from  clock of the bench, s
     * @param  int  $columns  at least one
     *
     * @throws InvalidQuantity If the span ends before it begins, or there is no column.
     */
    public function picture(float $from, float $to, int $columns): Picture
    {
        if ($columns < 1) {
            throw InvalidQuantity::mustBePositive('number of columns', $columns, '');
        }
        $parts = $this->within($from, $to);
        if (array_sum(array_map(static fn (Part $p): int => $p->count, $parts)) <= 2 * $columns) {
            return Picture::ofSamples($from, $to, ...$this->samplesOf($parts));
        }
        $drawing = new ColumnDrawing($from, $to, $columns);
        $byLevel = [];
        foreach ($parts as $part) {
            $step = $part->head->step();
            $byLevel[($step > 0.0 ? Levels::within(self::OF_COLUMN * $drawing->width / $step) : null) ?? -1][] = $part;
        }
        foreach ($byLevel as $level => $ofLevel) {
            $level < 0 ? $this->drawSamples($drawing, $ofLevel) : $this->drawStretches($drawing, $level, $ofLevel);
        }

        return $drawing->picture();
    }

    /**
     * The samples themselves, for what has to see each of them.
     *
     * @return array{list<float>, list<float>} times by the clock of the bench in s, and values
     *
     * @throws InvalidQuantity If the span ends before it begins.
     */
    public function samples(float $from, float $to): array
    {
        return $this->samplesOf($this->within($from, $to));
    }

    /**
     * @param  list<Part>  $parts
     * @return array{list<float>, list<float>}
     */
    private function samplesOf(array $parts): array
    {
        $times = [];
        foreach ($this->offsetsOf($parts) as $i => $offsets) {
            $t0 = $parts[$i]->head->t0;
            foreach ($offsets as $offset) {
                $times[] = $t0 + $offset;
            }
        }

        return [$times, array_merge([], ...$this->store->values($parts))];
    }

    /**
     * @param  list<Part>  $parts  of which none is a whole segment
     * @return list<Moments> times counted from $from
     */
    private function momentsOfParts(array $parts, float $from): array
    {
        $samples = [];
        $stretches = [];
        foreach ($parts as $part) {
            foreach (self::divided($part) as [$of, $piece]) {
                $of === 1 ? $samples[] = $piece : $stretches[$of][] = $piece;
            }
        }
        $found = [];
        foreach ($stretches as $of => $pieces) {
            foreach ($this->store->moments($of, $pieces) as $i => $moments) {
                $found[] = Moments::together($moments)->later($pieces[$i]->head->t0 - $from);
            }
        }
        $offsets = $this->offsetsOf($samples);
        foreach ($this->store->values($samples) as $i => $values) {
            $found[] = Moments::of($offsets[$i], $values)->later($samples[$i]->head->t0 - $from);
        }

        return $found;
    }

    /**
     * A part of a segment as few pieces: long stretches in its middle, shorter ones beside them, samples at its ends.
     *
     * @return list<array{int, Part}> samples of a stretch, and so many of them
     */
    private static function divided(Part $part, int $size = 1): array
    {
        $of = Segment::MOMENTS_OF[$size] ?? 1;
        if ($size < 0) {
            return $part->count > 0 ? [[1, $part]] : [];
        }
        [$end, $isToItsEnd] = [$part->from + $part->count, $part->from + $part->count === $part->head->count];
        $first = intdiv($part->from + $of - 1, $of);
        // The last stretch of a segment may be shorter than the others.
        $last = $isToItsEnd ? intdiv($end + $of - 1, $of) : intdiv($end, $of);
        if ($last <= $first) {
            return self::divided($part, $size - 1);
        }

        return [
            ...self::divided(new Part($part->head, $part->from, $first * $of - $part->from), $size - 1),
            [$of, new Part($part->head, $first, $last - $first)],
            ...self::divided(new Part($part->head, min($last * $of, $end), max(0, $end - $last * $of)), $size - 1),
        ];
    }

    /** @param  list<Part>  $parts */
    private function drawSamples(ColumnDrawing $drawing, array $parts): void
    {
        $offsets = $this->offsetsOf($parts);
        foreach ($this->store->values($parts) as $i => $values) {
            $t0 = $parts[$i]->head->t0;
            foreach ($values as $k => $value) {
                $drawing->add($t0 + $offsets[$i][$k], $value, $value);
            }
        }
    }

    /** @param  list<Part>  $parts */
    private function drawStretches(ColumnDrawing $drawing, int $level, array $parts): void
    {
        $stretch = Levels::stretch($level);
        $stretches = array_map(static function (Part $part) use ($stretch): Part {
            $first = intdiv($part->from, $stretch);

            return new Part($part->head, $first, intdiv($part->from + $part->count + $stretch - 1, $stretch) - $first);
        }, $parts);
        foreach ($this->store->envelopes($level, $stretches) as $i => $pairs) {
            $head = $stretches[$i]->head;
            $step = $head->step();
            for ($k = 0, $n = count($pairs); $k < $n; $k += 2) {
                $first = ($stretches[$i]->from + intdiv($k, 2)) * $stretch;
                $middle = ($first + min($first + $stretch, $head->count) - 1) / 2.0;
                $drawing->add($head->t0 + $middle * $step, $pairs[$k], $pairs[$k + 1]);
            }
        }
    }

    /**
     * @param  list<Part>  $parts
     * @return list<list<float>> s after the first sample of each segment
     */
    private function offsetsOf(array $parts): array
    {
        $uneven = array_filter($parts, static fn (Part $p): bool => $p->head->dt === null);
        $told = $uneven === [] ? [] : array_combine(array_keys($uneven), $this->store->offsets(array_values($uneven)));
        $offsets = [];
        foreach ($parts as $i => $part) {
            $offsets[] = $told[$i] ?? self::evenOffsets($part);
        }

        return $offsets;
    }

    /** @return list<float> */
    private static function evenOffsets(Part $part): array
    {
        $offsets = [];
        for ($i = $part->from, $end = $part->from + $part->count; $i < $end; $i++) {
            $offsets[] = $i * (float) $part->head->dt;
        }

        return $offsets;
    }

    /**
     * @return list<Part> the samples of each segment that lie in the span
     *
     * @throws InvalidQuantity If the span ends before it begins.
     */
    private function within(float $from, float $to): array
    {
        self::check($from, $to);

        return $this->parts($this->store->heads($from - self::EDGE_S, $to + self::EDGE_S), $from, $to);
    }

    /** @throws InvalidQuantity If the span ends before it begins. */
    private static function check(float $from, float $to): void
    {
        if (is_nan($from) || is_nan($to) || $to < $from) {
            throw new InvalidQuantity('A span ends after it begins.');
        }
    }

    /**
     * @param  list<SegmentHead>  $heads
     * @return list<Part> the samples of each that lie in the span
     */
    private function parts(array $heads, float $from, float $to): array
    {
        $parts = [];
        foreach ($heads as $head) {
            $edge = min(self::EDGE_S, self::EDGE_SHARE * $head->step());
            if ($head->end < $from - $edge || $head->t0 > $to + $edge) {
                continue;
            }
            if ($head->t0 >= $from - $edge && $head->end <= $to + $edge) {
                $parts[] = new Part($head, 0, $head->count);

                continue;
            }
            [$first, $last] = $head->dt === null ? $this->unevenEnds($head, $from - $edge, $to + $edge) : [
                max(0, (int) ceil(($from - $edge - $head->t0) / $head->dt)), min($head->count - 1, (int) floor(($to + $edge - $head->t0) / $head->dt)),
            ];
            if ($last >= $first) {
                $parts[] = new Part($head, $first, $last - $first + 1);
            }
        }

        return $parts;
    }

    /** @return array{int, int} first and last sample of an uneven segment that lie in the span */
    private function unevenEnds(SegmentHead $head, float $from, float $to): array
    {
        [$offsets] = $this->store->offsets([new Part($head, 0, $head->count)]);
        [$first, $last] = [0, $head->count - 1];
        while ($first <= $last && $head->t0 + $offsets[$first] < $from) {
            $first++;
        }
        while ($last >= $first && $head->t0 + $offsets[$last] > $to) {
            $last--;
        }

        return [$first, $last];
    }
}

<?php

declare(strict_types=1);

namespace Tests\Unit\Samples;

use App\Samples\SegmentIndex;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Samples\Moments;
use Welkion\Core\Samples\Segment;
use Welkion\Core\Samples\SegmentHead;
use Welkion\Core\Samples\SegmentsInMemory;

/** The index of 37 segments (two groups and a piece) tells what the segments themselves tell, and keeps it when it is written. */
final class SegmentIndexTest extends TestCase
{
    private const SEGMENTS = 37;

    private const SAMPLES = 8;

    /** s that each segment lasts; the next begins half a second after its last sample */
    private const LASTS_S = 3.5;

    /** @return iterable<string, array{float, float}> */
    public static function spans(): iterable
    {
        yield 'all' => [-1.0, 1000.0];
        yield 'nothing, before' => [-9.0, -1.0];
        yield 'nothing, after' => [1000.0, 1001.0];
        yield 'within one segment' => [9.0, 10.5];
        yield 'one whole' => [8.0, 11.5];
        yield 'all but the very first sample' => [0.25, 1000.0];
        yield 'just the first group' => [0.0, 16 * 4.0 - 0.5];
        yield 'the first group but its last sample' => [0.0, 16 * 4.0 - 0.6];
        yield 'the second group and what lies beside it' => [15 * 4.0 + 1.0, 33 * 4.0 + 1.0];
        yield 'behind the groups' => [34 * 4.0, 36 * 4.0];
        yield 'an end that is missed by a hair' => [4.0 + 1e-7, 16 * 4.0 - 0.5 - 1e-7];
        yield 'a group that is missed by a hair' => [16 * 4.0 - 0.5 + 1e-7, 32 * 4.0 - 1e-7];
    }

    #[DataProvider('spans')]
    public function test_a_span_is_what_its_segments_have_together(float $from, float $to): void
    {
        $segments = self::segments();
        $index = self::index($segments);
        [$whole, $ends] = $index->span($from, $to, 1e-6);
        [$theirs, $theirEnds] = (new SegmentsInMemory($segments))->span($from, $to, 1e-6);

        self::assertSame(array_map(static fn (SegmentHead $h): int|string => $h->key, $theirEnds), array_map(static fn (SegmentHead $h): int|string => $h->key, $ends));
        self::assertEqualsWithDelta(Moments::together($theirs)->numbers(), Moments::together($whole)->numbers(), 1e-9, 'Rounding of sums of some thousands.');
        self::assertEquals((new SegmentsInMemory($segments))->heads($from, $to), $index->heads($from, $to));
    }

    public function test_a_long_span_is_told_by_few_moments(): void
    {
        [$whole] = self::index(self::segments())->span(-1.0, 1000.0, 0.0);

        self::assertCount(2 + self::SEGMENTS % 16, $whole);
    }

    public function test_a_segment_that_has_grown_stands_in_the_place_of_its_beginning(): void
    {
        $segments = self::segments();
        $grown = Segment::of([60.0, 60.5, 61.25], [1.0, 5.0, 2.0]);
        $index = self::index($segments)->with([1 + 15 * self::SAMPLES => $grown, 999 => Segment::of([200.0], [3.0])]);

        self::assertCount(self::SEGMENTS + 1, $index->heads());
        self::assertEquals($grown->head(1 + 15 * self::SAMPLES), $index->heads()[15]);
        self::assertNull($index->heads()[15]->dt, 'Its steps are uneven now.');
        self::assertSame([[999, 999]], $index->ranges(1 + 37 * self::SAMPLES));
        self::assertEquals([[289, 296], [999, 999]], $index->ranges(295));
        [$whole] = $index->span(0.0, 16 * 4.0 - 0.5, 0.0);
        self::assertCount(1, $whole);
        self::assertSame(15 * self::SAMPLES + 3, $whole[0]->count);
    }

    public function test_a_clock_that_was_set_back_between_two_segments_hides_none(): void
    {
        $segments = self::segments();
        $segments[1 + 3 * self::SAMPLES] = Segment::of([500.0, 501.0], [1.0, 2.0]);
        $segments[1 + 5 * self::SAMPLES] = Segment::of([-50.0, -49.0], [1.0, 2.0]);
        $index = self::index($segments);

        self::assertSame([25], array_map(static fn (SegmentHead $h): int|string => $h->key, $index->heads(499.0, 502.0)));
        self::assertSame([41], array_map(static fn (SegmentHead $h): int|string => $h->key, $index->heads(-50.0, -49.5)));
    }

    /** @return array<int, Segment> by the number of their first sample */
    private static function segments(): array
    {
        $segments = [];
        for ($k = 0; $k < self::SEGMENTS; $k++) {
            $times = array_map(static fn (int $i): float => $k * (self::LASTS_S + 0.5) + 0.5 * $i, range(0, self::SAMPLES - 1));
            $segments[1 + $k * self::SAMPLES] = Segment::of($times, array_map(static fn (float $t): float => 7.0 + sin($t), $times));
        }

        return $segments;
    }

    /** @param  array<int, Segment>  $segments */
    private static function index(array $segments): SegmentIndex
    {
        return SegmentIndex::ofHeads([])->with($segments);
    }
}

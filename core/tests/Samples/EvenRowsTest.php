<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Samples;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Samples\EvenRows;
use Welkion\Core\Samples\LongSeries;
use Welkion\Core\Samples\Segment;
use Welkion\Core\Samples\SegmentsInMemory;

final class EvenRowsTest extends TestCase
{
    /** A clock of a bench, as large as they are. */
    private const ZERO = 1_795_456_621.25;

    public function test_rows_lie_at_whole_intervals_from_what_was_kept_before_to_the_end(): void
    {
        $rows = EvenRows::of(0.25, 0.5, 0.1);

        self::assertSame([-2, 8, 1], [$rows->first, $rows->count, $rows->stride]);
        self::assertEqualsWithDelta([-0.2, -0.1, 0.0, 0.1, 0.2, 0.3, 0.4, 0.5], $rows->times(), 1e-12);
        // 0.3 / 0.1 is a little less than 3 in doubles.
        self::assertSame(4, EvenRows::of(0.0, 0.3, 0.1)->count);
        self::assertSame(-3, EvenRows::of(0.3, 0.0, 0.1)->first);
        self::assertSame(1, EvenRows::of(0.0, 0.0, 10.0)->count);
    }

    public function test_each_row_has_the_sample_that_lies_nearest(): void
    {
        $series = self::series(-1.0, 0.05, 61);
        $cells = EvenRows::of(0.5, 1.5, 0.1)->cells($series, self::ZERO);

        // Sample number k lies at -1 + 0.05 k.
        self::assertSame(array_map(floatval(...), range(10, 50, 2)), $cells);
    }

    public function test_a_sample_counts_once_and_where_none_is_near_the_row_is_blank(): void
    {
        $slow = EvenRows::of(0.0, 2.0, 0.1)->cells(self::series(0.03, 0.5, 4), self::ZERO);

        self::assertSame([0.0, 1.0, 2.0, 3.0], array_values(array_filter($slow, is_finite(...))));
        self::assertSame([0, 5, 10, 15], array_keys(array_filter($slow, is_finite(...))));
        $short = EvenRows::of(1.0, 3.0, 1.0)->cells(self::series(-0.4, 1.0, 2), self::ZERO);
        self::assertSame([1, 2], array_keys(array_filter($short, is_finite(...))));
        self::assertNan(EvenRows::of(0.0, 1.0, 1.0)->cells(new LongSeries(new SegmentsInMemory([])), self::ZERO)[0]);
    }

    public function test_many_rows_are_thinned_and_read_in_pieces(): void
    {
        $series = self::series(0.0, 0.01, 60_001);
        $all = EvenRows::of(0.0, 600.0, 0.01);
        self::assertSame([60_001, 1], [$all->count, $all->stride]);
        self::assertSame(array_map(floatval(...), range(0, 60_000)), $all->cells($series, self::ZERO));

        $thinned = EvenRows::of(0.0, 600.0, 0.01, most: 1000);
        self::assertSame([984, 61], [$thinned->count, $thinned->stride]);
        self::assertSame(array_map(static fn (int $i): float => 61.0 * $i, range(0, 983)), $thinned->cells($series, self::ZERO));
        self::assertEqualsWithDelta(0.61, $thinned->times()[1], 1e-12);
        self::assertSame(1, EvenRows::of(0.0, 9.99, 0.01, most: 1000)->stride);
    }

    public function test_refuses_what_is_no_run(): void
    {
        foreach ([[NAN, 1.0, 1.0], [-1.0, 1.0, 1.0], [0.0, -1.0, 1.0], [0.0, INF, 1.0], [0.0, 1.0, 0.0], [0.0, 1.0, NAN]] as [$before, $length, $interval]) {
            try {
                EvenRows::of($before, $length, $interval);
                self::fail('It was taken.');
            } catch (InvalidQuantity $refused) {
                self::assertMatchesRegularExpression('/begins before it ends|interval/', $refused->getMessage());
            }
        }
    }

    /** Samples that are their own numbers, evenly spaced from a moment of the run on. */
    private static function series(float $from, float $step, int $count): LongSeries
    {
        $times = array_map(static fn (int $i): float => self::ZERO + $from + $i * $step, range(0, $count - 1));

        return new LongSeries(new SegmentsInMemory(['all' => Segment::of($times, array_map(floatval(...), range(0, $count - 1)))]));
    }
}

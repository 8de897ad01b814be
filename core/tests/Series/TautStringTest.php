<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Series\Series;
use Welkion\Core\Series\TautString;
use Welkion\Core\Tests\Chance;

final class TautStringTest extends TestCase
{
    public function test_without_room_it_passes_through_every_point(): void
    {
        $string = TautString::through(Series::of([0.0, 1.0, 3.0, 4.0], [0.0, 2.0, 3.0, 7.0]), [0.0, 0.0, 0.0, 0.0]);

        self::assertSame([0, 1, 2, 3], $string->knots);
        self::assertSame([2.0, 0.5, 4.0], $string->slopes);
    }

    public function test_with_room_enough_it_is_straight_from_end_to_end(): void
    {
        $string = TautString::through(Series::of([0.0, 1.0, 2.0, 3.0], [0.0, 2.0, 1.0, 6.0]), [9.0, 3.0, 3.0, 9.0]);

        self::assertSame([0, 3], $string->knots);
        self::assertSame([2.0], $string->slopes);
        self::assertSame([], $string->tops());
    }

    /** Worked out by hand: the string bends about the upper limit of the second point and the lower one of the third. */
    public function test_it_bends_where_it_touches_a_limit(): void
    {
        $string = TautString::through(Series::of([0.0, 1.0, 2.0, 3.0], [0.0, 0.0, 4.0, 4.0]), [0.0, 0.5, 0.5, 0.0]);

        self::assertSame([0, 1, 2, 3], $string->knots);
        self::assertSame([0.5, 3.0, 0.5], $string->slopes);
        self::assertSame([1], $string->tops());
        self::assertSame(0.5, $string->saddle(1));
    }

    public function test_the_saddle_of_a_top_ends_where_something_is_steeper(): void
    {
        $string = TautString::through(Series::of(range(0.0, 5.0), [0.0, 1.0, 6.0, 8.0, 11.0, 12.0]), array_fill(0, 6, 0.0));

        self::assertSame([1.0, 5.0, 2.0, 3.0, 1.0], $string->slopes);
        self::assertSame([1, 3], $string->tops());
        self::assertSame(1.0, $string->saddle(1));
        self::assertSame(2.0, $string->saddle(3), 'Before it the slope falls to 2 only until it is steeper.');
    }

    /** Passes every point within its limit, and no curve that does has fewer tops: a straight line with noise has none. */
    public function test_it_keeps_within_its_limits_and_shows_no_top_that_scatter_made(): void
    {
        $chance = new Chance(41);
        for ($i = 0; $i < 50; $i++) {
            $x = range(0.0, 60.0);
            $y = array_map(static fn (float $v): float => 0.3 * $v + $chance->between(-1.0, 1.0), $x);
            $string = TautString::through($points = Series::of($x, $y), array_fill(0, 61, 2.0));
            $height = $y[0];
            foreach ($string->slopes as $k => $slope) {
                for ($j = $string->knots[$k] + 1; $j <= $string->knots[$k + 1]; $j++) {
                    $height += $slope * ($points->x[$j] - $points->x[$j - 1]);
                    self::assertEqualsWithDelta($points->y[$j], $height, 2.0 + 1e-9);
                }
            }
            self::assertEqualsWithDelta($y[60], $height, 1e-9);
            self::assertSame([], $string->tops());
        }
    }

    public function test_refuses_limits_that_are_not_one_for_each_point(): void
    {
        $this->expectException(UnequalLengths::class);

        TautString::through(Series::of([0.0, 1.0], [0.0, 1.0]), [0.1]);
    }
}

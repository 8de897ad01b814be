<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Series\Series;

final class SeriesTest extends TestCase
{
    public function test_sorts_and_averages_points_at_the_same_place_and_says_how_many(): void
    {
        $series = Series::of([2.0, 1.0, 2.0, 0.0, 2.0], [4.0, 1.0, 6.0, 0.0, 8.0]);

        self::assertSame([0.0, 1.0, 2.0], $series->x);
        self::assertSame([0.0, 1.0, 6.0], $series->y);
        self::assertSame(2, $series->merged);
    }

    public function test_the_derivative_of_a_parabola_is_exact_at_mid_points_of_uneven_steps(): void
    {
        $x = [0.0, 0.5, 0.75, 2.0, 5.0];
        $derivative = Series::of($x, array_map(static fn (float $v): float => 3 * $v * $v, $x))->derivative();

        self::assertSame([0.25, 0.625, 1.375, 3.5], $derivative->x);
        self::assertSame(array_map(static fn (float $v): float => 6 * $v, $derivative->x), $derivative->y);
        foreach ($derivative->derivative()->y as $second) {
            self::assertEqualsWithDelta(6.0, $second, 1e-12);
        }
    }

    public function test_reads_between_points_and_not_beyond_them(): void
    {
        $series = Series::of([0.0, 2.0, 4.0], [0.0, 10.0, 30.0]);

        self::assertSame(5.0, $series->at(1.0));
        self::assertSame(10.0, $series->slopeAt(3.0));
        self::assertSame(30.0, $series->at(4.0));
        self::assertNull($series->at(4.1));
        self::assertNull($series->slopeAt(-0.1));
        self::assertNull(Series::of([], [])->at(0.0));
    }

    public function test_a_part_keeps_its_ends(): void
    {
        self::assertSame([2.0, 3.0], Series::of([1.0, 2.0, 3.0, 4.0], [0.0, 0.0, 0.0, 0.0])->between(2.0, 3.0)->x);
    }

    public function test_refuses_what_is_not_a_number_and_columns_that_do_not_match(): void
    {
        try {
            Series::of([1.0, 2.0], [1.0, INF]);
            self::fail('An infinite value was accepted.');
        } catch (InvalidQuantity $error) {
            self::assertSame('The value of every point must be an ordinary number.', $error->getMessage());
        }
        $this->expectException(UnequalLengths::class);
        Series::of([1.0], []);
    }

    public function test_finds_the_last_point_up_to_a_place(): void
    {
        $series = Series::of([1.0, 2.0, 4.0, 7.0], [0.0, 0.0, 0.0, 0.0]);

        self::assertSame([0, 0, 0, 1, 1, 2, 2, 3, 3], array_map($series->lastUpTo(...), [0.0, 1.0, 1.9, 2.0, 3.9, 4.0, 6.0, 7.0, 9.0]));
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Linear;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Linear\StraightLine;

final class StraightLineTest extends TestCase
{
    public function test_fits_a_textbook_example(): void
    {
        // Worked by hand: x 1..5, y 2 4 5 4 5 gives slope 0.6, mean 4, residual sum of squares 2.4.
        $line = StraightLine::through([1.0, 2.0, 3.0, 4.0, 5.0], [2.0, 4.0, 5.0, 4.0, 5.0]);

        self::assertEqualsWithDelta(0.6, $line->slope, 1e-15);
        self::assertEqualsWithDelta(2.2, $line->at(0.0), 1e-14);
        self::assertEqualsWithDelta(sqrt(2.4 / 3), $line->scatter, 1e-15);
        self::assertEqualsWithDelta(sqrt(0.8 / 10), $line->slopeError, 1e-15);
        self::assertEqualsWithDelta(sqrt(0.8 * (1 / 5 + 9 / 10)), $line->errorAt(0.0), 1e-14);
        self::assertEqualsWithDelta(0.6, $line->rSquared, 1e-14);
        self::assertEqualsWithDelta([-0.8, 0.6, 1.0, -0.6, -0.2], $line->residuals([1.0, 2.0, 3.0, 4.0, 5.0], [2.0, 4.0, 5.0, 4.0, 5.0]), 1e-14);
        self::assertEqualsWithDelta([1.0], $line->residuals([6.0], [6.8]), 1e-14, 'of other points, too');
    }

    public function test_those_further_from_the_line_are_told_by_their_place_above_it_and_below(): void
    {
        [$x, $y] = [[1.0, 2.0, 3.0, 4.0, 5.0], [2.0, 4.0, 5.0, 4.0, 5.0]];
        $line = StraightLine::through($x, $y);

        self::assertEqualsWithDelta([0 => 0.8, 2 => 1.0], $line->further($x, $y, 0.7), 1e-14);
        self::assertSame([0, 1, 2, 3, 4], array_keys($line->further($x, $y, 0.1)));
        self::assertSame([], $line->further($x, $y, 1.1));
    }

    public function test_what_is_left_over_keeps_its_digits_however_close_the_points_lie(): void
    {
        // Of x 0..3 what lies off by 1, -1, -1, 1 leaves slope and height as they are; squares 4 are left over.
        foreach ([1.0, 0.1, 1e-2, 1e-4, 1e-7] as $off) {
            $line = StraightLine::through([0.0, 1.0, 2.0, 3.0], [$off, 1.0 - $off, 2.0 - $off, 3.0 + $off]);

            self::assertEqualsWithDelta(1.0, $line->slope, 1e-14);
            // y is rounded to 2e-16 of itself; near the line that is all there is to lose.
            self::assertEqualsWithDelta($off * sqrt(2.0), $line->scatter, 1e-12 * $off + 1e-15);
        }
    }

    public function test_keeps_its_digits_far_from_zero(): void
    {
        $line = StraightLine::through([1.7e12, 1.7e12 + 1, 1.7e12 + 2, 1.7e12 + 3], [0.0, 1.0, 2.0, 3.0]);

        self::assertSame(1.0, $line->slope);
        self::assertSame(0.0, $line->scatter);
    }

    public function test_two_points_have_a_line_but_no_scatter(): void
    {
        $line = StraightLine::through([0.0, 2.0], [1.0, 5.0]);

        self::assertSame([2.0, 0.0, 0.0], [$line->slope, $line->slopeError, $line->scatter]);
    }

    public function test_refuses_points_that_stand_above_one_another(): void
    {
        $this->expectException(NotEnoughPoints::class);
        $this->expectExceptionMessage('A straight line needs at least 2 points at different places, but there are 1.');

        StraightLine::through([3.0, 3.0, 3.0], [1.0, 2.0, 3.0]);
    }

    public function test_refuses_columns_of_different_length(): void
    {
        $this->expectException(UnequalLengths::class);

        StraightLine::through([1.0, 2.0], [1.0]);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Methods\Slope;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Outcome;

/** The line through very many points is found by sums; it is the same line. */
final class LongSlopeTest extends TestCase
{
    private const POINTS = 50_010;

    public function test_is_the_line_a_decomposition_finds_with_the_same_uncertainty(): void
    {
        [$x, $y] = self::points(static fn (float $x): float => 3.0 - 2.5e-3 * $x);
        $found = self::worked($x, $y);
        $fit = (new CurveFitter)->fit(Relation::Linear->curve(), $x, $y);

        // Both round in the last digits of sums over 50,000 points: 1e-11 leaves room for that.
        foreach (['slope', 'intercept'] as $place => $name) {
            self::assertEqualsWithDelta(1.0, $found->values[$name]->value / $fit->values()[$place], 1e-11);
            self::assertEqualsWithDelta(1.0, $found->values[$name]->uncertainty / sqrt($fit->covariance[$place][$place]), 1e-9);
        }
        // The truth: a slope of -0.0025, scatter of 0.4, and x of even steps of 1/7 (the scatter of 50,000 points is known to 0.3 %).
        $slope = $found->values['slope'];
        $expected = 0.4 * 7.0 / sqrt(self::POINTS * (self::POINTS ** 2 - 1.0) / 12.0);
        self::assertEqualsWithDelta(1.0, $slope->uncertainty / $expected, 0.02);
        self::assertEqualsWithDelta(-2.5e-3, $slope->value, 5.0 * $expected);
        $predicted = $found->values['slope']->scaledBy(5000.0)->plus($found->values['intercept']);
        $at = sqrt(5000.0 ** 2 * $fit->covariance[0][0] + 2.0 * 5000.0 * $fit->covariance[0][1] + $fit->covariance[1][1]);
        self::assertEqualsWithDelta(1.0, $predicted->uncertainty / $at, 1e-9, 'What both have in common is in it.');
        self::assertSame([], $found->warnings);
        [$mark] = $found->marks;
        self::assertSame([min($x), max($x)], $mark->x);
        self::assertEqualsWithDelta($fit->at([min($x), max($x)]), $mark->y, 1e-9, 'It is drawn from end to end.');
    }

    public function test_says_that_many_points_bend(): void
    {
        [$x, $y] = self::points(static fn (float $x): float => 3.0 - 2.5e-3 * $x + 1e-7 * $x * $x);

        self::assertSame(['bends'], array_map(static fn ($w): string => $w->code, self::worked($x, $y)->warnings));
    }

    public function test_points_that_lie_on_their_line_leave_no_pattern_though_rounding_does(): void
    {
        foreach ([[0.1, 0.3], [1.0 / 3.0, 7.7], [1e-3, 0.0], [-4e5, 1e6]] as [$slope, $height]) {
            $x = array_map(static fn (int $i): float => 0.1 * $i, range(0, 2999));
            $found = self::worked($x, array_map(static fn (float $at): float => $slope * $at + $height, $x));

            self::assertSame([], $found->warnings, "{$slope} x + {$height}");
            self::assertSame([], $found->goodness?->far);
        }
    }

    public function test_the_few_of_many_that_lie_far_off_are_told_the_furthest_first(): void
    {
        [$x, $y] = self::points(static fn (float $x): float => 3.0 - 2.5e-3 * $x);
        $y[700] += 40.0;
        $y[41_000] -= 50.0;

        self::assertSame([[$x[41_000], $y[41_000]], [$x[700], $y[700]]], array_slice(self::worked($x, $y)->goodness->far ?? [], 0, 2));
    }

    public function test_needs_two_different_x_of_many_too(): void
    {
        $this->expectException(NotEnoughPoints::class);
        self::worked(array_fill(0, self::POINTS, 2.0), array_map(floatval(...), range(1, self::POINTS)));
    }

    /**
     * @param  \Closure(float): float  $height  without its noise
     * @return array{list<float>, list<float>}
     */
    private static function points(\Closure $height): array
    {
        $x = array_map(static fn (int $i): float => 1000.0 + $i / 7.0, range(0, self::POINTS - 1));

        $chance = new Chance(7);

        return [$x, array_map(static fn (float $at): float => $height($at) + 0.4 * $chance->normal(), $x)];
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    private static function worked(array $x, array $y): Outcome
    {
        return (new Slope)->work(new Inputs(['x' => new ColumnInput('x', Unit::one(), $x), 'y' => new ColumnInput('y', Unit::one(), $y)], [], [], [], 'line'));
    }
}

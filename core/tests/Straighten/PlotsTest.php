<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Straighten;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Straighten\Candidate;
use Welkion\Core\Straighten\Straightener;
use Welkion\Core\Straighten\Straightening;
use Welkion\Core\Warning;

/** Exact data of each relation, in which slope and height of the plotted line are known by hand. */
final class PlotsTest extends TestCase
{
    /** @return iterable<string, array{Relation, callable(float): float, float, float}> relation, y of x, slope, height at zero */
    public static function exact(): iterable
    {
        yield 'proportional' => [Relation::Proportional, static fn (float $x): float => 3.0 * $x, 3.0, 0.0];
        yield 'line' => [Relation::Linear, static fn (float $x): float => 3.0 * $x + 7.0, 3.0, 7.0];
        yield 'inverse' => [Relation::Inverse, static fn (float $x): float => 6.0 / $x, 6.0, 0.0];
        yield 'inverse square' => [Relation::InverseSquare, static fn (float $x): float => 6.0 / $x ** 2, 6.0, 0.0];
        yield 'square' => [Relation::Quadratic, static fn (float $x): float => 0.5 * $x ** 2, 0.5, 0.0];
        yield 'square root' => [Relation::SquareRoot, static fn (float $x): float => 2.0 * sqrt($x), 2.0, 0.0];
        yield 'logarithm' => [Relation::Logarithmic, static fn (float $x): float => 4.0 * log($x) + 1.0, 4.0, 1.0];
        yield 'growth' => [Relation::ExponentialGrowth, static fn (float $x): float => 3.0 * exp(0.25 * $x), 0.25, log(3.0)];
        yield 'falling to a limit' => [Relation::ExponentialDecay, static fn (float $x): float => 30.0 * exp(-0.3 * $x) + 5.0, -0.3, log(30.0)];
        yield 'rising to a limit' => [Relation::ExponentialDecay, static fn (float $x): float => 50.0 - 30.0 * exp(-0.3 * $x), -0.3, log(30.0)];
        yield 'power' => [Relation::Power, static fn (float $x): float => 2.0 * $x ** 1.5, 1.5, log(2.0)];
        yield 'one over a line' => [Relation::InverseOfLine, static fn (float $x): float => 1.0 / (0.02 * $x + 0.1), 0.02, 0.1];
        yield 'root of a line' => [Relation::RootOfLine, static fn (float $x): float => sqrt(4.0 * $x + 9.0), 4.0, 9.0];
    }

    /** @param  callable(float): float  $curve */
    #[DataProvider('exact')]
    public function test_slope_and_height_of_the_plot_are_those_of_the_relation(Relation $relation, callable $curve, float $slope, float $height): void
    {
        $x = array_map(floatval(...), range(1, 12));
        $result = (new Straightener)->straighten($x, array_map($curve, $x));
        $candidate = array_values(array_filter($result->candidates, static fn (Candidate $c): bool => $c->relation === $relation))[0];

        // The limit of a decay is a fitted constant; the others are only read off exact numbers.
        self::assertEqualsWithDelta($slope, $candidate->slope(), 1e-6 * abs($slope));
        self::assertEqualsWithDelta($height, $candidate->intercept(), 1e-5 * max(1.0, abs($height)));
        self::assertSame($relation, $result->best()->relation);
        $tried = array_map(static fn (Candidate $c): string => $c->relation->value, $result->candidates);
        self::assertSame(array_unique($tried), $tried);
        $others = array_map(static fn (Candidate $c): float => $c->criterion, array_slice($result->candidates, 1));
        $sorted = $others;
        sort($sorted);
        self::assertSame($sorted, $others);
    }

    public function test_five_points_are_enough(): void
    {
        $x = [1.0, 2.0, 3.0, 4.0, 5.0];

        self::assertSame(Relation::Proportional, (new Straightener)->straighten($x, [2.0, 4.1, 5.9, 8.1, 9.9])->best()->relation);
    }

    public function test_a_scale_changes_nothing(): void
    {
        $x = array_map(floatval(...), range(1, 12));
        foreach ([1e-12, 1e12] as $scale) {
            $exact = (new Straightener)->straighten($x, array_map(static fn (float $v): float => 3.0 * $scale * $v, $x));
            $noisy = (new Straightener)->straighten($x, array_map(static fn (float $v): float => $scale * (0.5 * $v ** 2 + 0.1 * sin(9.0 * $v)), $x));

            self::assertSame([Relation::Proportional, Relation::Quadratic], [$exact->best()->relation, $noisy->best()->relation], "scale {$scale}");
        }
    }

    /** @return iterable<string, array{Relation, Relation, bool}> the best, another as good, whether that is told */
    public static function neighbours(): iterable
    {
        foreach ([Relation::Proportional, Relation::Inverse, Relation::InverseSquare, Relation::Quadratic, Relation::SquareRoot] as $special) {
            yield "{$special->value} is a power" => [$special, Relation::Power, false];
        }
        yield 'a proportion is a line' => [Relation::Proportional, Relation::Linear, false];
        yield 'a root is the root of a line' => [Relation::SquareRoot, Relation::RootOfLine, false];
        yield 'an inverse is one over a line' => [Relation::Inverse, Relation::InverseOfLine, false];
        yield 'a growth is no power' => [Relation::ExponentialGrowth, Relation::Power, true];
        yield 'an inverse is no line' => [Relation::Inverse, Relation::Linear, true];
        yield 'a proportion is no root of a line' => [Relation::Proportional, Relation::RootOfLine, true];
        yield 'a root is not one over a line' => [Relation::SquareRoot, Relation::InverseOfLine, true];
        yield 'a line is no proportion' => [Relation::Linear, Relation::Proportional, true];
    }

    #[DataProvider('neighbours')]
    public function test_what_describes_the_points_about_as_well_is_named_once_unless_it_is_the_same_curve(Relation $best, Relation $other, bool $isTold): void
    {
        $fit = (new CurveFitter)->fit(Relation::Proportional->curve(), [1.0, 2.0, 3.0], [1.0, 2.0, 3.0]);
        $candidate = static fn (Relation $r, float $criterion): Candidate => new Candidate($r, 'x', 'y', $fit, $fit, $criterion);
        $close = static fn (Candidate ...$c): array => array_values(array_filter((new Straightening([$candidate($best, 10.0), ...array_values($c)], []))->warnings(), static fn (Warning $w): bool => $w->code === 'close'));

        self::assertCount($isTold ? 1 : 0, $close($candidate($other, 13.9)));
        self::assertSame([], $close($candidate($other, 14.1)));
        self::assertCount(1, $close($candidate($other, 11.0), $candidate(Relation::Logarithmic, 12.0), $candidate(Relation::Logarithmic, 13.0)));
        self::assertStringContainsString('"logarithmic"', $close($candidate($other, 20.0), $candidate(Relation::Logarithmic, 12.0))[0]->sentence());
    }

    public function test_relations_are_ranked_by_akaikes_criterion_for_few_points_of_y_itself(): void
    {
        $x = [1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0];
        $y = [5.3, 6.8, 9.4, 10.7, 13.2, 15.1, 16.8, 19.2];
        $result = (new Straightener)->straighten($x, $y);
        $line = array_values(array_filter($result->candidates, static fn (Candidate $c): bool => $c->relation === Relation::Linear))[0];
        $plain = (new CurveFitter)->fit(Relation::Linear->curve(), $x, $y);
        // n ln(RSS/n) + 2k + 2k(k + 1)/(n - k - 1), with k = slope, intercept and scatter; errors in proportion to y are likelier here or not.
        $even = 8.0 * log($plain->residualSumOfSquares / 8.0) + 6.0 + 24.0 / 4.0;
        $heights = $plain->at($x);
        $shares = (new CurveFitter)->fit(Relation::Linear->curve(), $x, $y, weights: array_map(static fn (float $h): float => 1.0 / $h ** 2, $heights));
        $relative = 8.0 * log($shares->residualSumOfSquares / 8.0) + 6.0 + 24.0 / 4.0 + 2.0 * array_sum(array_map(log(...), $heights));

        self::assertEqualsWithDelta(min($even, $relative), $line->criterion, 1e-6);
        self::assertSame(Relation::Linear, $result->best()->relation);
    }
}

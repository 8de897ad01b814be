<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Series\Methods\Tangent;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Outcome;

final class TangentTest extends TestCase
{
    /** @return iterable<string, array{callable(float): float, float, float}> curve, where, and its slope there */
    public static function curves(): iterable
    {
        yield 'a straight line' => [static fn (float $x): float => 3.0 - 2.0 * $x, 4.3, -2.0];
        yield 'a parabola' => [static fn (float $x): float => $x * $x, 4.3, 8.6];
        yield 'a cubic' => [static fn (float $x): float => $x ** 3, 2.0, 12.0];
        yield 'at the first point' => [static fn (float $x): float => $x * $x - $x, 0.0, -1.0];
        yield 'at the last point' => [static fn (float $x): float => $x * $x - $x, 10.0, 19.0];
    }

    /** Exact points of a curve that is no more than a cubic tell its slope to rounding. */
    #[DataProvider('curves')]
    public function test_exact_points_tell_the_slope(callable $curve, float $at, float $slope): void
    {
        $x = array_map(static fn (int $i): float => $i / 2.0, range(0, 20));
        $told = self::worked($x, array_map($curve, $x), $at);

        self::assertEqualsWithDelta($slope, self::value($told, 'slope')->value, 1e-8);
        self::assertEqualsWithDelta($curve($at), self::value($told, 'y')->value, 1e-8);
        self::assertSame('g/s', self::value($told, 'slope')->unit->symbol);
    }

    /** Of an exponential, whose slope is its value, no more points are taken than it allows. */
    public function test_a_curve_is_followed(): void
    {
        $x = array_map(static fn (int $i): float => $i / 20.0, range(0, 100));
        foreach ([0.5, 2.0, 4.5] as $at) {
            self::assertEqualsWithDelta(exp(-$at), -self::value(self::worked($x, array_map(static fn (float $v): float => exp(-$v), $x), $at), 'slope')->value, 1e-5);
        }
    }

    /**
     * Twice the standard uncertainty covers the true slope in about 95 % of trials; 85 % allow for a window that was chosen by the same
     * points, and for the 60 trials.
     */
    public function test_scatter_is_told_by_the_uncertainty(): void
    {
        $random = new Randomizer(new Mt19937(17));
        $uniform = static fn (): float => ($random->getInt(1, 1_000_000) - 0.5) / 1_000_000;
        $normal = static fn (): float => sqrt(-2.0 * log($uniform())) * cos(2.0 * M_PI * $uniform());
        $x = array_map(static fn (int $i): float => $i / 10.0, range(0, 60));
        $covered = 0;
        $widths = [];
        for ($trial = 0; $trial < 60; $trial++) {
            $at = 1.0 + 4.0 * $uniform();
            $slope = self::value(self::worked($x, array_map(static fn (float $v): float => sin($v) + 0.02 * $normal(), $x), $at), 'slope');
            $covered += abs($slope->value - cos($at)) <= 2.0 * $slope->uncertainty ? 1 : 0;
            $widths[] = $slope->uncertainty;
        }
        self::assertGreaterThanOrEqual(51, $covered);
        // Between two neighbours alone it would be 0.02 √2 / 0.1 = 0.28.
        self::assertLessThan(0.1, array_sum($widths) / count($widths));
    }

    public function test_what_is_missing_is_told(): void
    {
        self::assertSame('A tangent needs at least 5 different x, there are 3. Take more points.', self::worked([0.0, 1.0, 2.0], [0.0, 1.0, 4.0], 1.0)->needs);
        $x = [0.0, 1.0, 2.0, 3.0, 4.0];
        foreach ([-0.1, 4.1] as $at) {
            self::assertSame('This x lies outside of the points. Choose one between the first and the last.', self::worked($x, $x, $at)->needs);
        }
        self::assertNull(self::worked($x, $x, 0.0)->needs);
    }

    public function test_the_line_is_drawn_as_far_as_the_points_it_rests_on(): void
    {
        $x = array_map(floatval(...), range(0, 9));
        [$curve, $point] = self::worked($x, array_map(static fn (float $v): float => 2.0 * $v + 1.0, $x), 4.0)->marks;
        self::assertEqualsWithDelta([[0.0, 9.0], [1.0, 19.0]], [$curve->x, $curve->y], 1e-9);
        self::assertEqualsWithDelta([[4.0], [9.0]], [$point->x, $point->y], 1e-9);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    private static function worked(array $x, array $y, float $at): Outcome
    {
        $columns = ['x' => new ColumnInput('t', Unit::parse('s'), $x), 'y' => new ColumnInput('m', Unit::parse('g'), $y)];

        return (new Tangent)->work(new Inputs($columns, ['at' => Measured::of($at, 0.0, Unit::parse('s'))]));
    }

    private static function value(Outcome $outcome, string $name): Measured
    {
        return $outcome->values[$name] ?? self::fail("There is no {$name}: {$outcome->needs}");
    }
}

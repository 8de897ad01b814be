<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Titration\Jump;
use Welkion\Core\Titration\SignChange;
use Welkion\Core\Titration\TitrationCurve;

/** By hand: slopes of 0.5, 1.4 and 0.8 pH per mL around 14.5 mL change by +0.9 and -0.6: the sign at 14 + 0.9/1.5 mL. */
final class SignChangeTest extends TestCase
{
    private const PH = [3.0, 3.1, 3.2, 3.4, 3.9, 5.3, 6.1, 6.3, 6.4, 6.5];

    /** So steep that nothing has to be averaged. */
    private const STEEP = 1e9;

    /** @return iterable<string, array{int, int}> limits of the jump, as points */
    public static function limits(): iterable
    {
        yield 'as it stands out' => [3, 6];
        yield 'cut off before the steepest part' => [1, 3];
        yield 'cut off behind it' => [6, 8];
    }

    #[DataProvider('limits')]
    public function test_it_lies_on_the_straight_line_between_the_two_second_differences(int $from, int $to): void
    {
        foreach ([self::PH, array_map(static fn (float $ph): float => 14.0 - $ph, self::PH)] as $ph) {
            $change = SignChange::of(TitrationCurve::of(self::volumes(), $ph), new Jump($from, $to, self::STEEP));

            self::assertNotNull($change);
            self::assertEqualsWithDelta([14.6, 14.0, 15.0], [$change->at, $change->from, $change->to], 1e-9);
            self::assertSame(1, $change->together);
        }
    }

    public function test_its_uncertainty_is_of_the_steps_and_of_the_four_points_it_rests_on(): void
    {
        $curve = TitrationCurve::of(self::volumes(), self::PH);
        $change = SignChange::of($curve, new Jump(3, 6, self::STEEP));
        // With p and q the second differences, at = 14 + p/(p - q); its derivatives by the four points, by hand.
        [$p, $q] = [0.9, -0.6];
        $by = array_map(
            static fn (array $d): float => (-$q * $d[0] + $p * $d[1]) / ($p - $q) ** 2, [[1, 0], [-2, 1], [1, -2], [0, 1]],
        );
        $noise = $curve->noise * sqrt(array_sum(array_map(static fn (float $d): float => $d * $d, $by)));

        self::assertGreaterThan(0.05, $noise, 'It says something.');
        // The program moves each point by a tenth of its scatter, so it is a few per cent off a derivative.
        self::assertEqualsWithDelta(hypot(1.0 / sqrt(12.0), $noise), $change?->uncertainty, 0.05 * $noise);
    }

    public function test_readings_that_scatter_are_averaged_in_as_many_as_the_slope_needs(): void
    {
        $volumes = array_map(static fn (int $i): float => 10.0 + 0.5 * $i, range(0, 39));
        $scatter = static fn (float $v): float => (int) (2 * $v) % 2 === 0 ? 0.02 : -0.02;
        $ph = array_map(static fn (float $v): float => 6.0 + 2.0 * tanh(($v - 20.0) / 2.0) + $scatter($v), $volumes);
        $curve = TitrationCurve::of($volumes, $ph);
        foreach ([1, 2, 3] as $together) {
            // A slope between two averages of m is known m^1.5 times as well as one between two readings; a tenth of the
            // excess is wanted.
            $excess = M_SQRT2 * $curve->noise / (0.5 * 0.1 * ($together - 0.5) ** 1.5);

            self::assertSame($together, SignChange::of($curve, new Jump(16, 24, $excess))?->together);
        }
        $most = SignChange::of($curve, new Jump(16, 24, 1e-6))?->together;
        self::assertSame(5, $most, 'Never more than an eighth of all.');
    }

    public function test_where_the_second_difference_keeps_its_sign_there_is_none(): void
    {
        $parabola = array_map(static fn (float $v): float => 3.0 + 0.01 * ($v - 10.0) ** 2, self::volumes());

        self::assertNull(SignChange::of(TitrationCurve::of(self::volumes(), $parabola), new Jump(3, 6, self::STEEP)));
    }

    /** @return list<float> from 10 to 19 mL */
    private static function volumes(): array
    {
        return array_map(floatval(...), range(10, 19));
    }
}

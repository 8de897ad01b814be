<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Fitting\Bounds;
use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Fit;
use Welkion\Core\Fitting\Outcome;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Formula\FormulaError;
use Welkion\Core\Linear\QrDecomposition;
use Welkion\Core\Linear\Triangle;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Tests\Reference;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;

final class CurveFitterTest extends TestCase
{
    /** @return iterable<string, array{string, Relation}> */
    public static function relationFiles(): iterable
    {
        foreach (Reference::truths('relations') as $file => $truth) {
            $name = strtr($truth['truth']['relation']['value'], [
                'exponential decay to a limit' => 'exponential_decay', 'quadratic through origin' => 'quadratic', 'natural log' => 'logarithmic',
                'power law' => 'power', ' ' => '_',
            ]);
            yield $file => [$file, Relation::from($name)];
        }
    }

    #[DataProvider('relationFiles')]
    public function test_finds_the_constants_of_every_reference_relation(string $file, Relation $relation): void
    {
        [$x, $y] = Reference::columns('relations', $file);
        $fit = (new CurveFitter)->fit($relation->curve(), $x, $y);

        foreach (Reference::truths('relations')[$file]['truth']['parameters'] as $name => $truth) {
            $constant = $fit->constant($name);
            self::assertNotNull($constant);
            self::assertEqualsWithDelta($truth['value'], $constant->value, $truth['tolerance']);
            // The 95 % interval is no narrower than the least any method could have.
            [$low, $high] = $constant->interval();
            self::assertGreaterThan($truth['information_limit_sd'], $high - $low);
        }
        self::assertFalse($fit->bends());
    }

    /** @return iterable<string, array{Relation, array<string, float>, list<float>}> */
    public static function relations(): iterable
    {
        $x = range(0.5, 20.0, 0.1);
        foreach ([
            ['proportional', ['a' => -3.2]], ['linear', ['a' => 0.4, 'b' => -7.0]], ['quadratic', ['a' => 0.3]],
            ['parabola', ['a' => 0.3, 'b' => -2.0, 'c' => 5.0]], ['cubic', ['a' => 0.01, 'b' => -0.2, 'c' => 1.0, 'd' => 3.0]],
            ['inverse', ['a' => 86.0]], ['inverse_offset', ['a' => 4.0, 'b' => 2.0]], ['inverse_square', ['a' => 9.0]],
            ['square_root', ['a' => 0.43]], ['logarithmic', ['a' => -24.6, 'b' => 182.0]], ['power', ['a' => 2.0, 'b' => -1.4]],
            ['exponential_growth', ['a' => 2.0, 'b' => 0.12]], ['exponential_decay', ['a' => 45.0, 'b' => 0.21, 'c' => 18.0]],
            ['gaussian_on_line', ['a' => 5.0, 'm' => 12.3, 's' => 0.8, 'b' => 0.1, 'c' => 2.0]],
            ['sine', ['a' => 2.0, 'T' => 3.7, 'p' => 1.1, 'c' => 0.5]], ['damped_oscillation', ['a' => 3.0, 'k' => 0.15, 'T' => 2.2, 'p' => 0.4, 'c' => 1.0]],
            ['logistic', ['a' => 8.0, 'k' => 0.9, 'm' => 9.5]], ['michaelis_menten', ['a' => 7.0, 'k' => 3.3]],
            ['inverse_of_line', ['a' => 0.02, 'b' => 0.1]], ['root_of_line', ['a' => 3.0, 'b' => 2.0]],
        ] as [$name, $constants]) {
            yield $name => [Relation::from($name), $constants, $x];
        }
    }

    public function test_every_relation_is_tried_here(): void
    {
        self::assertCount(count(Relation::cases()), iterator_to_array(self::relations()));
    }

    /**
     * @param  array<string, float>  $constants
     * @param  list<float>  $x
     */
    #[DataProvider('relations')]
    public function test_points_without_noise_give_the_constants_back_without_a_start(Relation $relation, array $constants, array $x): void
    {
        $fit = self::fitOf($relation, $constants, $x, 0.0);

        self::assertTrue($fit->hasConverged());
        foreach ($constants as $name => $value) {
            // Doubles hold 16 digits; the worst conditioned of these curves (cubic, growth) leaves nine.
            self::assertEqualsWithDelta($value, $fit->constant($name)?->value, 1e-9 * abs($value), $name);
        }
    }

    /**
     * @param  array<string, float>  $constants
     * @param  list<float>  $x
     */
    #[DataProvider('relations')]
    public function test_noisy_points_give_them_within_their_uncertainty(Relation $relation, array $constants, array $x): void
    {
        $fit = self::fitOf($relation, $constants, $x, 0.02);

        foreach ($constants as $name => $value) {
            $constant = $fit->constant($name);
            self::assertNotNull($constant);
            // One in 15,000 normal errors is larger than four standard errors.
            self::assertLessThan(4.0, abs($constant->value - $value) / $constant->standardError, $name);
            self::assertNotNull($constant->unit);
        }
        // The scatter of 196 points is known to 5 %.
        self::assertEqualsWithDelta(0.02, $fit->residualStandardDeviation(), 0.004);
    }

    public function test_constants_carry_the_units_that_make_the_curve_right(): void
    {
        $units = static function (Relation $relation, array $constants): array {
            $fit = self::fitOf($relation, $constants, range(0.5, 20.0, 0.5), 0.0);

            return array_combine(array_keys($constants), array_map(static fn (string $n): ?string => $fit->constant($n)?->unit?->symbol, array_keys($constants)));
        };

        self::assertSame(['a' => 'K', 'b' => '1/s', 'c' => '°C'], $units(Relation::ExponentialDecay, ['a' => 45.0, 'b' => 0.2, 'c' => 18.0]));
        self::assertSame(['a' => 'K/s', 'b' => '°C'], $units(Relation::Linear, ['a' => 2.0, 'b' => 3.0]));
        self::assertSame(['a' => 'K/s^1.5', 'b' => ''], $units(Relation::Power, ['a' => 2.0, 'b' => 1.5]));
        self::assertSame(['a' => 'K', 'k' => 's'], $units(Relation::MichaelisMenten, ['a' => 7.0, 'k' => 3.0]));
    }

    public function test_units_hidden_in_plain_numbers_are_left_open_not_guessed(): void
    {
        $x = range(1.0, 10.0);
        $fit = (new CurveFitter)->fit(Curve::typed('a*cos(x/12) + b'), $x, array_map(static fn (float $v): float => 2.0 * cos($v / 12.0), $x),
            xUnit: Unit::parse('s'), yUnit: Unit::parse('V'));

        self::assertNull($fit->constant('a')?->unit);
    }

    /** @return iterable<string, array{float, float}> */
    public static function scales(): iterable
    {
        yield 'mL to L, mV to V' => [1e-3, 1e-3];
        yield 'the other way' => [1e3, 1e6];
        yield 'far apart' => [1e-9, 1e7];
    }

    #[DataProvider('scales')]
    public function test_other_units_of_x_and_y_give_the_same_physics(float $byX, float $byY): void
    {
        $random = new Chance(3);
        $x = range(0.0, 30.0, 0.5);
        $y = array_map(static fn (float $v): float => 4.0 * exp(-0.2 * $v) + 1.0 + $random->between(-0.05, 0.05), $x);
        $plain = (new CurveFitter)->fit(Relation::ExponentialDecay->curve(), $x, $y);
        $scaled = (new CurveFitter)->fit(Relation::ExponentialDecay->curve(),
            array_map(static fn (float $v): float => $v * $byX, $x), array_map(static fn (float $v): float => $v * $byY, $y));

        foreach (['a' => $byY, 'b' => 1.0 / $byX, 'c' => $byY] as $name => $factor) {
            // Scaling rounds each number once; the fit settles to ten digits and more.
            self::assertEqualsWithDelta(1.0, $scaled->constant($name)?->value / $factor / $plain->constant($name)?->value, 1e-9);
            self::assertEqualsWithDelta(1.0, $scaled->constant($name)?->standardError / $factor / $plain->constant($name)?->standardError, 1e-8);
        }
        self::assertEqualsWithDelta($plain->rSquared, $scaled->rSquared, 1e-12);
    }

    public function test_the_intervals_hold_the_truth_nineteen_times_in_twenty(): void
    {
        $random = new Chance(17);
        $x = range(0.0, 10.0);
        $inside = 0;
        for ($i = 0; $i < 400; $i++) {
            $y = array_map(static fn (float $v): float => 2.0 * $v + 1.0 + $random->normal(), $x);
            [$low, $high] = (new CurveFitter)->fit(Relation::Linear->curve(), $x, $y)->constant('a')?->interval() ?? [NAN, NAN];
            $inside += $low <= 2.0 && $high >= 2.0 ? 1 : 0;
        }

        // 380 of 400 expected, standard deviation 4.4.
        self::assertEqualsWithDelta(380, $inside, 4 * 4.4);
    }

    public function test_many_points_give_the_same_answer_as_their_reflected_columns(): void
    {
        // Independent columns are squared, not reflected; the answer must not show it.
        $random = new Chance(31);
        $x = range(0.0, 10.0, 0.001);
        $y = array_map(static fn (float $v): float => 5.0 * exp(-0.7 * $v) + 1.2 + 0.05 * $random->normal(), $x);
        $fit = (new CurveFitter)->fit(Curve::typed('a*exp(-k*x) + c'), $x, $y, ['a' => 1.0, 'k' => 1.0, 'c' => 1.0]);
        $qr = Triangle::ofQr(new QrDecomposition(Curve::typed('a*exp(-k*x) + c')->over($x)->at($fit->values())[1]));

        self::assertTrue($fit->hasConverged());
        foreach ($qr->inverseGram() as $k => $row) {
            self::assertEqualsWithDelta($fit->residualStandardDeviation() * sqrt($row[$k]), $fit->constants[$k]->standardError, 1e-9 * $fit->constants[$k]->standardError);
        }
    }

    public function test_weights_draw_the_line_to_the_surer_points(): void
    {
        // By hand: the weighted mean of 1 and 4 with weights 3 and 1.
        $fit = (new CurveFitter)->fit(Curve::typed('a + 0*x'), [0.0, 1.0], [1.0, 4.0], weights: [3.0, 1.0]);

        self::assertEqualsWithDelta(1.75, $fit->constant('a')?->value, 1e-12);
        $nonlinear = (new CurveFitter)->fit(Curve::typed('exp(b) + 0*x'), [0.0, 1.0], [1.0, 4.0], ['b' => 1.0], weights: [3.0, 1.0]);
        self::assertEqualsWithDelta(log(1.75), $nonlinear->constant('b')?->value, 1e-9);
    }

    public function test_a_bound_stops_a_constant_and_says_so(): void
    {
        $x = range(0.0, 10.0);
        $y = array_map(static fn (float $v): float => 5.0 * exp(-0.4 * $v) + 1.0, $x);
        $curve = Curve::typed('a*exp(-k*x) + c');
        $fit = (new CurveFitter)->fit($curve, $x, $y, ['a' => 4.0, 'k' => 0.2, 'c' => 0.0],
            bounds: Bounds::of($curve->constants, ['k' => [0.0, 0.3]]));

        self::assertTrue($fit->hasConverged());
        self::assertSame(0.3, $fit->constant('k')?->value);
        self::assertContains('at-bound', self::codes($fit));
        // The others are where they are best with k = 0.3, as if it were written so.
        $written = (new CurveFitter)->fit(Curve::typed('a*exp(-0.3*x) + c'), $x, $y);
        self::assertEqualsWithDelta($written->constant('a')?->value, $fit->constant('a')?->value, 1e-8);
        self::assertEqualsWithDelta($written->constant('c')?->value, $fit->constant('c')?->value, 1e-8);
    }

    public function test_what_the_data_leave_open_is_said_not_guessed(): void
    {
        $x = range(0.0, 10.0);
        foreach (['(a + b)*x', 'a*b*x', 'a*exp(b + k*x)'] as $formula) {
            $fit = (new CurveFitter)->fit(Curve::typed($formula), $x, array_map(static fn (float $v): float => 2.0 * $v + 0.1 * sin($v), $x));

            self::assertFalse($fit->hasConverged(), $formula);
            self::assertContains($fit->outcome, [Outcome::NotDetermined, Outcome::TooManySteps]);
            self::assertNan($fit->constants[0]->standardError);
        }
    }

    public function test_a_curve_without_a_value_at_some_points_is_refused_with_a_reason(): void
    {
        $fit = (new CurveFitter)->fit(Relation::Logarithmic->curve(), [0.0, 1.0, 2.0], [1.0, 2.0, 3.0]);

        self::assertSame(Outcome::NoValueAtStart, $fit->outcome);
        self::assertSame(['no-value-at-start'], self::codes($fit));
    }

    public function test_as_many_constants_as_points_leave_no_standard_error(): void
    {
        $fit = (new CurveFitter)->fit(Relation::Linear->curve(), [1.0, 2.0], [3.0, 5.0]);

        self::assertEqualsWithDelta(2.0, $fit->constant('a')?->value, 1e-12);
        self::assertNan($fit->constant('a')?->standardError);
        self::assertContains('no-freedom', self::codes($fit));
    }

    public function test_the_band_of_a_line_is_the_textbook_one(): void
    {
        $x = [1.0, 2.0, 3.0, 4.0, 5.0, 6.0];
        $fit = (new CurveFitter)->fit(Relation::Linear->curve(), $x, [2.1, 3.9, 6.2, 7.8, 10.1, 11.9]);
        $s = $fit->residualStandardDeviation();

        // t(0.975, 4) = 2.776445; half width t s sqrt(1/n + (x - mean)^2 / Sxx) with Sxx = 17.5.
        self::assertEqualsWithDelta(2.776445 * $s * sqrt(1 / 6 + 2.5 ** 2 / 17.5), $fit->band([6.0])[0], 1e-6);
        self::assertEqualsWithDelta($fit->at([3.5])[0], 7.0, 1e-9);
    }

    public function test_residuals_that_bend_are_noticed(): void
    {
        $x = range(0.0, 10.0, 0.5);
        $fit = (new CurveFitter)->fit(Relation::Linear->curve(), $x, array_map(static fn (float $v): float => $v + 0.02 * $v * $v, $x));

        self::assertGreaterThan(0.99, $fit->rSquared);
        self::assertTrue($fit->bends());
        self::assertContains('bends', self::codes($fit));
    }

    public function test_random_residuals_seldom_seem_to_bend(): void
    {
        $random = new Chance(23);
        $alarms = 0;
        for ($i = 0; $i < 300; $i++) {
            $x = range(0.0, $i % 2 === 0 ? 9.0 : 99.0);
            $fit = (new CurveFitter)->fit(Relation::Linear->curve(), $x, array_map(static fn (float $v): float => $v + $random->normal(), $x));
            $alarms += $fit->bends() ? 1 : 0;
        }

        // Two tests at 1 % each: at most 6 of 300 expected, standard deviation 2.4.
        self::assertLessThanOrEqual(6 + 3 * 2.4, $alarms);
    }

    public function test_the_criterion_for_few_points_prefers_the_right_curve(): void
    {
        $random = new Chance(5);
        $x = range(0.5, 10.0, 0.5);
        $y = array_map(static fn (float $v): float => 12.0 / $v + 0.05 * $random->normal(), $x);
        $of = static fn (Relation $r): float => (new CurveFitter)->fit($r->curve(), $x, $y)->aicc();

        self::assertLessThan($of(Relation::InverseOffset), $of(Relation::Inverse));
        self::assertLessThan($of(Relation::ExponentialDecay), $of(Relation::Inverse));
    }

    public function test_bad_input_is_refused_in_words(): void
    {
        $fitter = new CurveFitter;
        $line = Relation::Linear->curve();
        foreach ([
            [fn () => $fitter->fit($line, [1.0], [1.0]), NotEnoughPoints::class, 'This fit needs at least 2 points at different places, but there are 1.'],
            [fn () => $fitter->fit($line, [1.0, NAN], [1.0, 2.0]), InvalidQuantity::class, 'The value of every point must be an ordinary number.'],
            [fn () => Curve::typed('2*x + 1'), FormulaError::class, 'At character 1: this formula has no free constant to fit. Write one like a*x + b.'],
            [fn () => Curve::typed('a*x', ['b']), FormulaError::class, 'At character 1: "b" has a starting value but does not stand in the formula.'],
            [fn () => Bounds::of(['a'], ['b' => [0.0, 1.0]]), InvalidQuantity::class, 'A bound is given for "b", but the constants are a.'],
        ] as [$act, $class, $sentence]) {
            try {
                $act();
                self::fail("Accepted: {$sentence}");
            } catch (\Throwable $error) {
                self::assertInstanceOf($class, $error);
                self::assertSame($sentence, $error->getMessage());
            }
        }
    }

    /**
     * @param  array<string, float>  $constants
     * @param  list<float>  $x
     */
    private static function fitOf(Relation $relation, array $constants, array $x, float $noise): Fit
    {
        $curve = $relation->curve();
        $random = new Chance(crc32($relation->value));
        $heights = $curve->over($x)->at(array_map(static fn (string $n): float => $constants[$n], $curve->constants))[0];
        $y = array_map(static fn (float $h): float => $h + $noise * $random->normal(), $heights);

        return (new CurveFitter)->fit($curve, $x, $y, xUnit: Unit::parse('s'), yUnit: Unit::parse('°C'));
    }

    /** @return list<string> */
    private static function codes(Fit $fit): array
    {
        return array_map(static fn (Warning $w): string => $w->code, $fit->warnings());
    }
}

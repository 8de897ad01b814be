<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Fit;
use Welkion\Core\Tests\Chance;

/**
 * Regressions that defeat a careless search: more sets of NIST's Statistical Reference Datasets with their certified
 * constants, and curves of the kinds found there made from known constants.
 */
final class FurtherSetsTest extends TestCase
{
    private const MISRA_X = [77.6, 114.9, 141.1, 190.8, 239.9, 289.0, 332.8, 378.4, 434.8, 477.3, 536.8, 593.1, 689.1, 760.0];

    private const MISRA_Y = [10.07, 14.73, 17.94, 23.93, 29.61, 35.18, 40.02, 44.82, 50.76, 55.05, 61.01, 66.4, 75.47, 81.78];

    private const MGH09_X = [4.0, 2.0, 1.0, 0.5, 0.25, 0.167, 0.125, 0.1, 0.0833, 0.0714, 0.0625];

    private const MGH09_Y = [0.1957, 0.1947, 0.1735, 0.16, 0.0844, 0.0627, 0.0456, 0.0342, 0.0323, 0.0235, 0.0246];

    private const MGH10_X = [50.0, 55.0, 60.0, 65.0, 70.0, 75.0, 80.0, 85.0, 90.0, 95.0, 100.0, 105.0, 110.0, 115.0, 120.0, 125.0];

    private const MGH10_Y = [34780.0, 28610.0, 23650.0, 19630.0, 16370.0, 13720.0, 11540.0, 9744.0, 8261.0, 7030.0, 6005.0, 5147.0, 4427.0, 3820.0, 3307.0, 2872.0];

    /** @return iterable<string, array{string, list<float>, list<float>, list<float>, list<float>, list<float>|null}> formula, x, y, start, certified constants, certified standard errors */
    public static function certified(): iterable
    {
        foreach ([
            'Misra1b' => ['b1*(1-(1+b2*x/2)^(-2))', self::MISRA_X, self::MISRA_Y, [[500.0, 0.0001], [300.0, 0.0002]], [337.99746163, 3.9039091287e-4], null],
            'Misra1c' => ['b1*(1-(1+2*b2*x)^(-0.5))', self::MISRA_X, self::MISRA_Y, [[500.0, 0.0001], [600.0, 0.0002]], [636.42725809, 2.0813627256e-4], null],
            'Misra1d' => ['b1*b2*x*((1+b2*x)^(-1))', self::MISRA_X, self::MISRA_Y, [[500.0, 0.0001], [450.0, 0.0003]], [437.36970754, 3.0227324449e-4], null],
            'MGH09' => ['b1*(x^2+x*b2)/(x^2+x*b3+b4)', self::MGH09_X, self::MGH09_Y, [[25.0, 39.0, 41.5, 39.0], [0.25, 0.39, 0.415, 0.39]],
                [0.19280693458, 0.19128232873, 0.12305650693, 0.13606233068], [0.011435312227, 0.19633220911, 0.080842031232, 0.090025542308]],
            'MGH10' => ['b1*exp(b2/(x+b3))', self::MGH10_X, self::MGH10_Y, [[2.0, 400000.0, 25000.0], [0.02, 4000.0, 250.0]],
                [5.6096364710e-3, 6181.3463463, 345.22363462], [1.5687892471e-4, 23.309021107, 0.78486103508]],
        ] as $name => [$formula, $x, $y, $starts, $constants, $errors]) {
            yield "{$name}, far start" => [$formula, $x, $y, $starts[0], $constants, $errors];
            yield "{$name}, near start" => [$formula, $x, $y, $starts[1], $constants, $errors];
        }
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $start
     * @param  list<float>  $constants
     * @param  list<float>|null  $errors
     */
    #[DataProvider('certified')]
    public function test_certified_constants_are_found_from_both_starts(string $formula, array $x, array $y, array $start, array $constants, ?array $errors): void
    {
        $fit = self::fit($formula, $x, $y, $start);

        self::assertTrue($fit->hasConverged());
        foreach ($constants as $k => $value) {
            self::assertEqualsWithDelta(1.0, $fit->constants[$k]->value / $value, 1e-8);
            if ($errors !== null) {
                self::assertEqualsWithDelta(1.0, $fit->constants[$k]->standardError / $errors[$k], 1e-8);
            }
        }
    }

    /** @return iterable<string, array{string, list<float>, list<float>, list<float>, float}> formula, range of x, truth, start, noise */
    public static function hard(): iterable
    {
        yield 'three exponentials almost alike' => ['b1*exp(-b2*x)+b3*exp(-b4*x)+b5*exp(-b6*x)', [0.0, 1.15, 0.05], [0.0951, 1.0, 0.8607, 3.0, 1.5576, 5.0], [1.2, 0.3, 5.6, 5.5, 6.5, 7.6], 0.0];
        yield 'constants coupled to five digits' => ['b1*(b2+x)^(-1/b3)', [7.45, 12.0, 0.03], [-2523.5, 46.74, 0.9322], [-2000.0, 50.0, 0.8], 0.0];
        yield 'a quotient of cubics' => ['(b1+b2*x+b3*x^2+b4*x^3)/(1+b5*x+b6*x^2+b7*x^3)', [14.0, 850.0, 3.6],
            [1.0776, -0.12269, 0.0040864, -1.4263e-6, -0.005761, 2.4054e-4, -1.2314e-7], [10.0, -1.0, 0.05, -1e-5, -0.05, 0.001, -1e-6], 0.0];
        yield 'growth to a limit with a shape' => ['b1/(1+exp(b2-b3*x))^(1/b4)', [1.0, 15.0, 0.5], [699.6, 5.277, 0.7596, 1.2792], [700.0, 5.0, 0.75, 1.3], 1.0];
        yield 'two peaks on a falling ground' => ['b1*exp(-b2*x)+b3*exp(-((x-b4)/b5)^2)+b6*exp(-((x-b7)/b8)^2)', [1.0, 250.0, 1.0],
            [98.8, 0.0105, 100.5, 67.5, 23.1, 72.0, 179.0, 18.4], [94.0, 0.0105, 99.0, 63.0, 25.0, 71.0, 180.0, 20.0], 1.0];
    }

    /**
     * @param  array{float, float, float}  $range  from, to, step
     * @param  list<float>  $truth
     * @param  list<float>  $start
     */
    #[DataProvider('hard')]
    public function test_hard_curves_give_their_constants_back(string $formula, array $range, array $truth, array $start, float $noise): void
    {
        $x = range(...$range);
        $chance = new Chance(crc32($formula));
        $curve = Curve::typed($formula);
        $ordered = array_combine(array_map(static fn (int $k): string => "b{$k}", range(1, count($truth))), $truth);
        $heights = $curve->over($x)->at(array_map(static fn (string $n): float => $ordered[$n], $curve->constants))[0];
        $fit = self::fit($formula, $x, array_map(static fn (float $h): float => $h + $noise * $chance->normal(), $heights), $start);

        self::assertTrue($fit->hasConverged());
        foreach ($ordered as $name => $value) {
            $found = $fit->constant($name);
            self::assertNotNull($found);
            if ($noise === 0.0) {
                // Exact to the rounding of y, which these curves magnify up to a hundred million times.
                self::assertEqualsWithDelta(1.0, $found->value / $value, 1e-6, $name);
            } else {
                self::assertLessThan(4.0, abs($found->value - $value) / $found->standardError, $name);
            }
        }
    }

    public function test_a_start_beyond_reason_ends_and_never_with_a_wrong_answer(): void
    {
        foreach ([[1e9, 1e9], [-1e9, 50.0], [0.0, 0.0]] as $start) {
            $fit = self::fit('b1*exp(b2*x)', self::MISRA_X, self::MISRA_Y, $start);
            // Either it found its way, and then the curve is the right one, or it says that it did not.
            if ($fit->hasConverged()) {
                self::assertGreaterThan(0.9, $fit->rSquared);
            } else {
                self::assertNan($fit->constants[0]->standardError);
            }
        }
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $start  of b1, b2, ...
     */
    private static function fit(string $formula, array $x, array $y, array $start): Fit
    {
        $names = array_map(static fn (int $k): string => "b{$k}", range(1, count($start)));
        $fit = (new CurveFitter)->fit(Curve::typed($formula), $x, $y, array_combine($names, $start));
        self::assertSame($names, array_map(static fn ($c): string => $c->name, $fit->constants));

        return $fit;
    }
}

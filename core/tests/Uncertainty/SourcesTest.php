<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Uncertainty;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Uncertainty\Covariance;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;

/** Values know where their uncertainty comes from. */
final class SourcesTest extends TestCase
{
    private const EXPRESSIONS = 200;

    private const DRAWS = 20_000;

    public function test_a_value_less_itself_is_nothing_and_divided_by_itself_is_one(): void
    {
        $v = self::mL(24.37, 0.06);

        self::assertSame([0.0, 0.0], [$v->minus($v)->value, $v->minus($v)->uncertainty]);
        self::assertSame([1.0, 0.0], [$v->dividedBy($v)->value, $v->dividedBy($v)->uncertainty]);
        self::assertSame(0.12, $v->plus($v)->uncertainty, 'The same error twice, not two errors.');
        self::assertEqualsWithDelta(0.06 * sqrt(2.0), $v->minus(self::mL(24.37, 0.06))->uncertainty, 1e-15, 'Another reading of the same value errs by itself.');
        self::assertEqualsWithDelta(0.0, $v->minus($v->inUnit('L'))->uncertainty, 1e-15, 'There and back between units is rounded.');
        self::assertEqualsWithDelta(2.0 * 0.06 / 24.37, Formula::parse('V^2/V0')->measured(['V' => $v, 'V0' => self::mL(1.0, 0.0)])->uncertainty / (24.37 ** 2), 1e-15);
    }

    public function test_a_ratio_does_not_contain_what_both_have_in_common(): void
    {
        // Two concentrations by the same titrant: c V1/V0 over c V2/V0 is V1/V2.
        $c = Measured::of(0.1, 0.002, Unit::parse('mol/L'), Source::named('entry c', '± of the titrant'));
        [$v1, $v2, $v0] = [self::mL(12.0, 0.05), self::mL(10.0, 0.05), self::mL(25.0, 0.03)];
        $ratio = $c->times($v1)->dividedBy($v0)->dividedBy($c->times($v2)->dividedBy($v0));
        $plain = $v1->dividedBy($v2);

        self::assertEqualsWithDelta($plain->value, $ratio->value, 1e-14);
        self::assertEqualsWithDelta($plain->uncertainty, $ratio->uncertainty, 1e-14);
        self::assertEqualsWithDelta(1.2 * hypot(0.05 / 12.0, 0.05 / 10.0), $ratio->uncertainty, 1e-14);
    }

    public function test_the_same_named_source_is_one_wherever_it_was_made(): void
    {
        $made = static fn (float $value): Measured => Measured::of($value, 0.02 * $value, Unit::parse('g'), Source::named('balance', 'the balance'));

        self::assertEqualsWithDelta(0.02 * 3.0, $made(5.0)->minus($made(2.0))->uncertainty, 1e-15);
        self::assertEqualsWithDelta(0.1 * 0.04, $made(5.0)->covarianceWith($made(2.0)), 1e-15);
        self::assertSame(0.0, $made(5.0)->covarianceWith(self::mL(1.0, 0.1)));
        $kept = unserialize(serialize([$made(5.0), $v = self::mL(3.0, 0.1), $v]));
        self::assertEqualsWithDelta(0.06, $kept[0]->minus($made(2.0))->uncertainty, 1e-15, 'After it was stored, too.');
        self::assertSame(0.0, $kept[1]->minus($kept[2])->uncertainty);
        self::assertGreaterThan(0.1, $kept[1]->minus($v)->uncertainty, 'One without a name cannot be known again.');
    }

    public function test_a_source_with_a_name_is_shared_and_one_without_is_not(): void
    {
        self::assertTrue(Source::named('balance', 'the balance')->isNamed());
        self::assertFalse(Source::unnamed('the balance')->isNamed());
        $fit = static fn (?Source $source): array => Measured::jointly(
            [1.0, 2.0], [[0.09, 0.12], [0.12, 0.25]], [Unit::one(), Unit::one()], $source,
        );
        $calibration = static fn (int $id): Source => Source::named("calibration {$id}", 'calibration');
        [[$a, $b], [$againA, $againB]] = [$fit($calibration(7)), $fit($calibration(7))];

        $told = [$a->covarianceWith($againA), $a->covarianceWith($againB), $b->covarianceWith($againB)];
        self::assertEqualsWithDelta([0.09, 0.12, 0.25], $told, 1e-15, 'Of the same calibration, asked for twice.');
        self::assertSame(0.0, $fit(null)[0]->covarianceWith($fit(null)[0]), 'Two fits have nothing in common.');
        self::assertSame(0.0, $fit($calibration(8))[0]->covarianceWith($a), 'Another of the same words is another.');
        self::assertSame(['calibration'], array_keys($a->plus($b)->shares->percent()), 'Its parts are one in words.');
    }

    public function test_tells_its_largest_sources_first_in_percent_of_the_variance(): void
    {
        $c = Measured::of(0.1, 0.001, Unit::parse('mol/L'), Source::named('entry c', 'titrant'));
        $v = Measured::of(10.0, 0.2, Unit::parse('mL'), Source::named('burette', 'burette'));
        $percent = $c->times($v)->shares->percent();

        // 1 % and 2 %: their squares are as 1 to 4.
        self::assertSame(['burette', 'titrant'], array_keys($percent));
        self::assertEqualsWithDelta(80.0, $percent['burette'], 1e-9);
        self::assertEqualsWithDelta(20.0, $percent['titrant'], 1e-9);
        self::assertSame([], Measured::of(1.0, 0.0, Unit::one())->shares->percent());
        self::assertEqualsWithDelta(100.0, array_sum(Measured::of(1e-200, 1e-200, Unit::one())->shares->percent()), 1e-9);
    }

    public function test_constants_of_one_fit_give_the_uncertainty_of_a_predicted_value_that_their_covariance_gives(): void
    {
        $x = [1.0, 2.0, 4.0, 7.0, 11.0, 16.0];
        $y = [2.1, 3.8, 8.3, 13.9, 22.2, 31.7];
        $constants = (new CurveFitter)->fit(Relation::Linear->curve(), $x, $y)->measured();
        [$a, $b] = array_values($constants);
        self::assertSame(['a', 'b'], array_keys($constants));
        // The textbook's formula for the mean of y at x0 (Draper and Smith, Applied Regression Analysis, 3rd edition, 3.1).
        $n = count($x);
        $centre = array_sum($x) / $n;
        $sxx = array_sum(array_map(static fn (float $v): float => ($v - $centre) ** 2, $x));
        $residuals = array_map(static fn (float $vx, float $vy): float => $vy - $a->value * $vx - $b->value, $x, $y);
        $s = sqrt(array_sum(array_map(static fn (float $r): float => $r * $r, $residuals)) / ($n - 2));
        foreach ([0.0, $centre, 9.5, 40.0] as $at) {
            $predicted = $a->scaledBy($at)->plus($b);
            self::assertEqualsWithDelta($s * sqrt(1.0 / $n + ($at - $centre) ** 2 / $sxx), $predicted->uncertainty, 1e-12, "at {$at}");
        }
        self::assertEqualsWithDelta(-$s ** 2 * $centre / $sxx, $a->covarianceWith($b), 1e-12);
    }

    public function test_a_covariance_is_divided_into_parts_that_make_it_again(): void
    {
        $chance = new Randomizer(new Mt19937(9));
        for ($try = 0; $try < 50; $try++) {
            $size = $chance->getInt(1, 5);
            $half = array_map(fn (): array => array_map(static fn (): float => self::between($chance, -2.0, 2.0), range(1, $size)), range(1, $size));
            $covariance = [];
            for ($i = 0; $i < $size; $i++) {
                for ($j = 0; $j < $size; $j++) {
                    $covariance[$i][$j] = array_sum(array_map(static fn (float $a, float $b): float => $a * $b, $half[$i], $half[$j]));
                }
            }
            $values = Measured::jointly(array_fill(0, $size, 1.0), $covariance, array_fill(0, $size, Unit::one()));
            foreach ($values as $i => $one) {
                self::assertEqualsWithDelta(sqrt($covariance[$i][$i]), $one->uncertainty, 1e-9);
                foreach ($values as $j => $other) {
                    self::assertEqualsWithDelta($covariance[$i][$j], $one->covarianceWith($other), 1e-9);
                }
            }
        }
        self::assertSame([[0.3], [0.4, 0.0]], Covariance::halves([[0.09, 0.12], [0.12, 0.16]]), 'The second depends wholly on the first.');
        self::assertSame(0.0, Covariance::halves([[1.0, 1.0], [1.0, 1.0 + 5e-13]])[1][1], 'That is rounding.');
        $part = Covariance::halves([[1.0, 1.0], [1.0, 1.0 + 5e-12]])[1][1];
        self::assertGreaterThan(1e-6, $part, 'That is a part of its own.');
        self::assertSame([[0.0], [0.0, 2.0]], Covariance::halves([[0.0, 0.0], [0.0, 4.0]]));
    }

    public function test_random_expressions_agree_with_twenty_thousand_draws(): void
    {
        $chance = new Randomizer(new Mt19937(2026));
        $normal = static fn (): float => sqrt(-2.0 * log(1.0 - self::between($chance, 0.0, 0.999999999))) * cos(2.0 * M_PI * self::between($chance, 0.0, 1.0));
        $units = ['a' => 'mL', 'b' => 'mL', 'c' => 'g', 'd' => 'g'];
        for ($n = 0; $n < self::EXPRESSIONS; $n++) {
            $text = self::expression($chance, 3);
            // Small against the values, so that first order is enough; two of them err by the same balance.
            $values = array_map(static fn (): float => self::between($chance, 1.0, 9.0), $units);
            $errors = array_map(static fn (float $v): float => $v * self::between($chance, 0.0005, 0.004), $values);
            $balance = Source::named('balance', 'balance');
            $entries = [];
            foreach ($values as $symbol => $value) {
                $entries[$symbol] = Measured::of($value, $errors[$symbol], Unit::one(), $symbol === 'c' || $symbol === 'd' ? $balance : null);
            }
            $result = Formula::parse($text)->measured($entries);
            $drawn = array_fill_keys(array_keys($units), []);
            for ($draw = 0; $draw < self::DRAWS; $draw++) {
                $common = $normal();
                foreach ($values as $symbol => $value) {
                    $drawn[$symbol][] = $value + $errors[$symbol] * ($symbol === 'c' || $symbol === 'd' ? $common : $normal());
                }
            }
            $sd = self::sd(self::evaluate($text, $drawn));
            // The scatter of 20,000 draws is itself known to 0.5 %; five times that, and as much for what first order leaves out.
            self::assertEqualsWithDelta($sd, $result->uncertainty, 0.05 * $sd + 1e-9 * abs($result->value), "{$text} with ".json_encode([$values, $errors]));
        }
    }

    private static function between(Randomizer $chance, float $low, float $high): float
    {
        return $low + ($high - $low) * $chance->getInt(0, 2 ** 53 - 1) / 2 ** 53;
    }

    private static function expression(Randomizer $chance, int $depth): string
    {
        if ($depth === 0 || $chance->getInt(0, 5) === 0) {
            return ['a', 'b', 'c', 'd'][$chance->getInt(0, 3)];
        }
        $left = self::expression($chance, $depth - 1);
        $right = self::expression($chance, $depth - 1);

        return match ($chance->getInt(0, 6)) {
            0 => "({$left} + {$right})",
            1 => "({$left} + 40 - {$right})",
            2 => "({$left}*{$right})",
            3 => "({$left}/({$right} + 20))",
            4 => "sqrt({$left} + 5)",
            5 => "ln({$left} + {$right} + 3)",
            default => "({$left})^2",
        };
    }

    /**
     * By PHP's own arithmetic, not by ours.
     *
     * @param  array<string, list<float>>  $drawn
     * @return list<float>
     */
    private static function evaluate(string $text, array $drawn): array
    {
        $code = preg_replace(['/\bln\(/', '/\^/', '/\b([abcd])\b/'], ['log(', '**', '\$$1'], $text);
        $function = eval("return static fn (float \$a, float \$b, float \$c, float \$d): float => {$code};");

        return array_map($function, $drawn['a'], $drawn['b'], $drawn['c'], $drawn['d']);
    }

    /** @param  list<float>  $values */
    private static function sd(array $values): float
    {
        $mean = array_sum($values) / count($values);

        return sqrt(array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values)) / (count($values) - 1));
    }

    private static function mL(float $value, float $uncertainty): Measured
    {
        return Measured::of($value, $uncertainty, Unit::parse('mL'));
    }
}

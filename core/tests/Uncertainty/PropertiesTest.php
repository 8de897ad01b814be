<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Uncertainty;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Series\Series;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** What must hold for any numbers, tried on many. */
final class PropertiesTest extends TestCase
{
    private const TRIES = 300;

    private Randomizer $randomizer;

    protected function setUp(): void
    {
        $this->randomizer = new Randomizer(new Mt19937(4711));
    }

    public function test_what_is_shown_lies_within_a_fifth_of_its_uncertainty(): void
    {
        for ($i = 0; $i < self::TRIES; $i++) {
            $uncertainty = $this->number(1e-6, 30.0);
            $value = $this->number(-1000.0, 1000.0);
            $digits = Digits::of(Measured::of($value, $uncertainty, Unit::one()));

            self::assertEqualsWithDelta($uncertainty, (float) $digits->uncertainty, 0.25 * $uncertainty);
            self::assertEqualsWithDelta($value, (float) $digits->value, 0.51 * 10 ** -$digits->decimals);
        }
    }

    public function test_a_result_is_the_same_in_litres_and_in_millilitres(): void
    {
        for ($i = 0; $i < self::TRIES; $i++) {
            $volume = Measured::of($this->number(1.0, 50.0), $this->number(0.001, 0.5), Unit::parse('mL'));
            $concentration = Measured::of($this->number(0.01, 1.0), $this->number(0.0, 0.01), Unit::parse('mol/L'));
            $direct = $concentration->times($volume)->inUnit('mmol');
            $detour = $concentration->inUnit('mmol/mL')->times($volume->inUnit('L'))->inUnit('mol')->inUnit('mmol');

            self::assertEqualsWithDelta($direct->value, $detour->value, 1e-12 * $direct->value);
            self::assertEqualsWithDelta($direct->uncertainty, $detour->uncertainty, 1e-12 * $direct->value);
        }
    }

    public function test_dividing_undoes_multiplying_the_uncertainty_too_and_another_divisor_does_not(): void
    {
        for ($i = 0; $i < self::TRIES; $i++) {
            $a = Measured::of($this->number(0.1, 10.0), $this->number(0.001, 0.1), Unit::parse('g'));
            $b = Measured::of($this->number(0.1, 10.0), $this->number(0.001, 0.1), Unit::parse('mL'));
            $back = $a->times($b)->dividedBy($b);

            self::assertEqualsWithDelta($a->value, $back->value, 1e-12 * $a->value);
            self::assertEqualsWithDelta($a->uncertainty, $back->uncertainty, 1e-12 * $a->value);
            $another = $a->times($b)->dividedBy(Measured::of($b->value, $b->uncertainty, $b->unit));
            self::assertGreaterThan($a->uncertainty, $another->uncertainty);
        }
    }

    public function test_interpolation_returns_the_points_and_stays_between_them(): void
    {
        for ($i = 0; $i < self::TRIES; $i++) {
            $x = array_map(fn (): float => $this->number(0.0, 50.0), range(1, 8));
            $y = array_map(fn (): float => $this->number(0.0, 14.0), range(1, 8));
            $series = Series::of($x, $y);
            foreach ($series->x as $k => $at) {
                self::assertEqualsWithDelta($series->y[$k], $series->at($at), 1e-9);
            }
            $between = $this->number($series->x[0], $series->x[count($series->x) - 1]);
            self::assertGreaterThanOrEqual(min($y), $series->at($between));
            self::assertLessThanOrEqual(max($y), $series->at($between));
        }
    }

    private function number(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->randomizer->getInt(0, 1_000_000_000) / 1_000_000_000;
    }
}

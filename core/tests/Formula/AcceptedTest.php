<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formula;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Formula\Methods\Accepted;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Outcome;

/** A latent heat of ice beside the 333.6 J/g others have found. */
final class AcceptedTest extends TestCase
{
    public function test_a_difference_is_told_in_percent_with_its_uncertainty_and_judged(): void
    {
        $near = self::compare([329.0, 4.0, 'J/g'], [333.6, 0.2, 'J/g']);

        // By hand: −4.6 ± sqrt(16 + 0.04), and of 333.6 that is −1.379 %; the accepted value's own part of the ± is 0.06 %.
        self::assertEqualsWithDelta([-4.6, sqrt(16.04)], [$near->values['difference']->value, $near->values['difference']->uncertainty], 1e-12);
        self::assertEqualsWithDelta(-100.0 * 4.6 / 333.6, $near->values['percent']->value, 1e-12);
        self::assertEqualsWithDelta(hypot(4.0 / 333.6, 329.0 * 0.2 / 333.6 ** 2) * 100.0, $near->values['percent']->uncertainty, 1e-9);
        self::assertSame(['%', 'percent'], [$near->values['percent']->unit->symbol, array_key_first($near->values)]);
        self::assertSame(['The accepted value lies inside the ±: they are 1.1 times the standard uncertainty of their difference apart, and up to 2 is agreement.', []], [$near->method, $near->warnings]);

        $far = self::compare([329.0, 1.0, 'J/g'], [333.6, 0.0, 'J/g']);
        self::assertSame('The accepted value lies outside the ±: the result is 4.6 times the standard uncertainty of their difference below it.', $far->method);
        self::assertSame(['disagrees'], array_map(static fn (Warning $w): string => $w->code, $far->warnings));
        self::assertStringEndsWith('difference above it.', (string) self::compare([340.0, 1.0, 'J/g'], [333.6, 0.0, 'J/g'])->method);
        self::assertSame([], self::compare([331.6, 1.0, 'J/g'], [333.6, 0.0, 'J/g'])->warnings, 'Just 2 is agreement.');
        self::assertCount(1, self::compare([331.1, 1.0, 'J/g'], [333.6, 0.0, 'J/g'])->warnings, '2.5 is none.');
        $bare = self::compare([329.0, 0.0, 'J/g'], [333.6, 0.0, 'J/g']);
        self::assertSame(['no-uncertainty', 'The result lies below the accepted value; without a ± nothing tells whether by chance.'], [$bare->warnings[0]->code, $bare->method]);
    }

    public function test_units_are_those_of_the_result(): void
    {
        self::assertEqualsWithDelta(-4.6, self::compare([329.0, 4.0, 'J/g'], [333.6, 0.2, ''])->values['difference']->value, 1e-12);
        self::assertEqualsWithDelta(-4.6, self::compare([329.0, 4.0, 'J/g'], [0.3336, 0.0002, 'MJ/kg'])->values['difference']->value, 1e-9);
        $cold = self::compare([-270.0, 5.0, 'degC'], [-273.15, 0.0, '']);
        self::assertSame(['difference'], array_keys($cold->values));
        self::assertEqualsWithDelta(3.15, $cold->values['difference']->value, 1e-9);
        self::assertSame('K', $cold->values['difference']->unit->difference()->symbol);
        self::assertEqualsWithDelta(5.0, self::compare([1.05, 0.1, ''], [1.0, 0.0, ''])->values['percent']->value, 1e-9);

        $this->expectException(UnitMismatch::class);
        self::compare([329.0, 4.0, 'J/g'], [333.6, 0.2, 'mL']);
    }

    public function test_of_nothing_there_is_no_percentage(): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage('The accepted value is 0');
        self::compare([0.1, 0.1, 'g'], [0.0, 0.0, 'g']);
    }

    /**
     * @param  array{float, float, string}  $result
     * @param  array{float, float, string}  $accepted
     */
    private static function compare(array $result, array $accepted): Outcome
    {
        $measured = static fn (array $of): Measured => Measured::of($of[0], $of[1], Unit::parse($of[2]));

        return (new Accepted)->work(new Inputs(numbers: ['result' => $measured($result), 'accepted' => $measured($accepted)]));
    }
}

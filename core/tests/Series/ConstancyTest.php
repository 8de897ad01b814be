<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Series\Methods\Constancy;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Outcome;

final class ConstancyTest extends TestCase
{
    public function test_says_how_far_a_column_went_and_whether_that_is_too_far(): void
    {
        $quiet = self::of([21.2, 21.4, 21.0], 0.5);
        self::assertEqualsWithDelta(0.2, $quiet->values['departure']->value, 1e-12, 'The first of two that went equally far.');
        self::assertSame([], $quiet->warnings);

        $warm = self::of([21.2, 21.4, 23.0, 22.1], 0.5);
        self::assertEqualsWithDelta(1.8, $warm->values['departure']->value, 1e-12);
        self::assertSame('K', $warm->values['departure']->unit->symbol);
        self::assertSame('not-constant', $warm->warnings[0]->code);
        self::assertSame('T did not stay the same. It rose by up to 1.8 °C since the first of 4 readings; 2 readings lie further from it than a fair comparison allows. '
            .'Wait until it has come back, and take them again.', $warm->warnings[0]->sentence());

        $cold = self::of([21.2, 21.2, 9.0], 0.5);
        self::assertEqualsWithDelta(-12.2, $cold->values['departure']->value, 1e-12);
        self::assertStringContainsString('It fell by up to 12 °C since the first of 3 readings; one reading lies further', $cold->warnings[0]->text);
    }

    public function test_the_edge_of_what_it_may_is_within(): void
    {
        self::assertSame([], self::of([1.0, 1.5, 0.5], 0.5)->warnings);
        self::assertSame([], self::of([1.0, 1.5, 0.5], -0.5)->warnings, 'Up or down.');
        self::assertCount(1, self::of([1.0, 1.51], 0.5)->warnings);
    }

    public function test_knows_the_scatter_of_both_readings_and_not_what_moves_them_alike(): void
    {
        $y = new ColumnInput('T', Unit::parse('°C'), [21.0, 24.0], [0.03, 0.04]);
        $outcome = (new Constancy)->work(new Inputs(['y' => $y], ['within' => Measured::of(1.0, 0.0, Unit::parse('°C'))]));

        self::assertEqualsWithDelta(0.05, $outcome->values['departure']->uncertainty, 1e-12);
        self::assertSame(0.0, self::of([3.0], 1.0)->values['departure']->uncertainty);
        self::assertSame('There is no reading yet.', self::of([], 1.0)->needs);
    }

    /** @param  list<float>  $values  °C */
    private static function of(array $values, float $within): Outcome
    {
        return (new Constancy)->work(new Inputs(['y' => new ColumnInput('T', Unit::parse('°C'), $values)], ['within' => Measured::of($within, 0.0, Unit::parse('°C'))]));
    }
}

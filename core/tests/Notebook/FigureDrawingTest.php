<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Notebook\FigureDrawing;
use Welkion\Core\Units\Unit;

/** What a figure draws and how, as it is stored. */
final class FigureDrawingTest extends TestCase
{
    private const FULL = [
        'x' => 'T', 'panels' => [
            ['y' => ['p'], 'axis' => ['scale' => 'log', 'from' => 80.0, 'to' => 120.0, 'unit' => 'kPa'], 'right' => ['V'], 'rightAxis' => ['unit' => 'L']],
            ['y' => ['c', 'd']],
        ],
        'axis' => ['from' => 0.0, 'unit' => 'K', 'label' => 'warmth'], 'points' => 'apart', 'bars' => true, 'coloursBy' => 'condition', 'caption' => 'Dead volume of the tubing left in.',
    ];

    public function test_comes_back_as_it_was_kept_and_what_is_usual_is_not_kept(): void
    {
        self::assertSame(self::FULL, FigureDrawing::fromArray(self::FULL)->toArray());
        $plain = ['x' => 'V', 'panels' => [['y' => ['pH']]]];
        self::assertSame($plain, FigureDrawing::fromArray($plain)->toArray());
        self::assertSame($plain, FigureDrawing::fromArray([
            'x' => 'V', 'axis' => ['scale' => 'linear', 'from' => null, 'unit' => '', 'label' => ' '], 'points' => '', 'bars' => false, 'coloursBy' => '', 'caption' => '  ',
            'panels' => [['y' => ['pH'], 'axis' => [], 'right' => [], 'rightAxis' => ['unit' => 'L']]],
        ])->toArray());
        self::assertSame(['T', 'p', 'V', 'c', 'd'], FigureDrawing::fromArray(self::FULL)->columns());
    }

    public function test_a_column_with_another_symbol_is_renamed_wherever_it_is_drawn(): void
    {
        $drawing = FigureDrawing::fromArray(self::FULL);

        self::assertSame(['theta', 'p', 'V', 'c', 'd'], $drawing->renamed('T', 'theta')->columns());
        self::assertSame(['T', 'p', 'vol', 'c', 'd'], $drawing->renamed('V', 'vol')->columns());
        self::assertSame(['rate.slope'], array_slice(FigureDrawing::fromArray(['x' => 'k.slope', 'panels' => [['y' => ['c']]]])->renamed('k', 'rate')->columns(), 0, 1));
        self::assertSame(self::FULL, $drawing->renamed('T', 'theta')->renamed('theta', 'T')->toArray());
    }

    public function test_its_columns_must_be_there_and_fit_the_units_of_their_axes(): void
    {
        $units = array_map(Unit::ofHeader(...), ['T' => 'degC', 'p' => 'Pa', 'V' => 'mL', 'c' => 'mol/L', 'd' => '']);
        FigureDrawing::fromArray(self::FULL)->check($units);
        foreach (['T' => 'kg', 'p' => 'V', 'V' => 's'] as $symbol => $unit) {
            try {
                FigureDrawing::fromArray(self::FULL)->check([$symbol => Unit::ofHeader($unit)] + $units);
                self::fail("{$symbol} in {$unit} was drawn.");
            } catch (UnitMismatch) {
                $this->addToAssertionCount(1);
            }
        }
        foreach ([['points' => 'dashed'], ['coloursBy' => 'mood']] as $wrong) {
            try {
                FigureDrawing::fromArray($wrong + self::FULL);
                self::fail(array_key_first($wrong).' was taken.');
            } catch (InvalidQuantity $refused) {
                self::assertStringContainsString((string) current($wrong), $refused->getMessage());
            }
        }
        $this->expectExceptionObject(new InvalidQuantity('"V" is no column here.'));
        FigureDrawing::fromArray(self::FULL)->check(array_diff_key($units, ['V' => 0]));
    }

    /** Absolute zero and 25 mL by their definitions. */
    #[TestWith(['degC', 'K', -273.15, 0.0])]
    #[TestWith(['degC', 'K', 20.0, 293.15])]
    #[TestWith(['mL', 'L', 25.0, 0.025])]
    #[TestWith(['kPa', 'Pa', 101.325, 101325.0])]
    #[TestWith(['kPa', '', 101.325, 101.325])]
    public function test_values_are_shown_in_the_unit_of_the_axis(string $own, string $unit, float $value, float $shown): void
    {
        $axis = FigureDrawing::fromArray(['x' => 'T', 'panels' => [['y' => ['p']]], 'axis' => ['unit' => $unit]])->axis;
        ['factor' => $factor, 'offset' => $offset] = $axis->conversion(Unit::ofHeader($own));

        // Three roundings of numbers below 300.
        self::assertEqualsWithDelta($shown, $factor * $value + $offset, 1e-12 * max(1.0, abs($shown), 300.0));
    }

    /** @param  array<string, mixed>  $change */
    #[TestWith([['axis' => ['scale' => 'cubic']], 'An axis is linear or log, not "cubic".'])]
    #[TestWith([['axis' => ['from' => 5.0, 'to' => 3.0]], 'An axis that ends at 3 cannot begin at 5. Begin it lower, or end it higher.'])]
    #[TestWith([['axis' => ['from' => 3.0, 'to' => 3.0]], 'An axis that ends at 3 cannot begin at 3. Begin it lower, or end it higher.'])]
    #[TestWith([['axis' => ['from' => INF]], 'An axis goes from a number to a number.'])]
    #[TestWith([['axis' => ['to' => NAN]], 'An axis goes from a number to a number.'])]
    #[TestWith([['axis' => ['scale' => 'log', 'from' => 0.0]], 'A logarithmic axis has no place for 0 and what is below. Begin it above 0.'])]
    #[TestWith([['axis' => ['scale' => 'log', 'to' => -1.0]], 'A logarithmic axis has no place for 0 and what is below. Begin it above 0.'])]
    #[TestWith([['points' => 'dashed'], 'Points are joined or apart, not "dashed".'])]
    #[TestWith([['x' => ''], 'Choose what is drawn along x.'])]
    #[TestWith([['panels' => []], 'A figure has one to 4 panels.'])]
    #[TestWith([['panels' => [['y' => ['a']], ['y' => ['b']], ['y' => ['c']], ['y' => ['d']], ['y' => ['e']]]], 'A figure has one to 4 panels.'])]
    #[TestWith([['panels' => [['y' => []]]], 'Choose what is drawn upwards.'])]
    #[TestWith([['panels' => [['y' => ['a', 'b', 'c', 'd', 'e']]]], 'Along one axis at most 4 columns are drawn.'])]
    #[TestWith([['panels' => [['y' => ['a'], 'right' => ['p', 'q', 'r', 's', 't']]]], 'Along one axis at most 4 columns are drawn.'])]
    #[TestWith([['panels' => [['y' => ['a', 'p'], 'right' => ['p']]]], '"p" is drawn at the left and cannot be at the right, too.'])]
    #[TestWith([['panels' => [['y' => ['a'], 'axis' => ['from' => 1.0, 'to' => 0.0]]]], 'An axis that ends at 0 cannot begin at 1. Begin it lower, or end it higher.'])]
    public function test_what_cannot_be_drawn_is_refused_with_what_to_do(array $change, string $sentence): void
    {
        $this->expectExceptionObject(new InvalidQuantity($sentence));
        FigureDrawing::fromArray($change + ['x' => 'V', 'panels' => [['y' => ['pH']]]]);
    }

    public function test_what_is_chosen_twice_is_drawn_once(): void
    {
        self::assertSame(['x' => 'V', 'panels' => [['y' => ['a', 'b'], 'right' => ['p']]]], FigureDrawing::fromArray(['x' => 'V', 'panels' => [['y' => ['a', 'b', 'a'], 'right' => ['p', 'p']]]])->toArray());
    }

    public function test_as_much_as_is_allowed_is_drawn(): void
    {
        $most = ['x' => 'V', 'panels' => array_fill(0, 4, ['y' => ['a', 'b', 'c', 'd'], 'right' => ['e', 'f', 'g', 'h']])];

        self::assertSame($most, FigureDrawing::fromArray($most)->toArray());
        self::assertSame(['scale' => 'log', 'to' => 0.5], FigureDrawing::fromArray(['x' => 'V', 'axis' => ['scale' => 'log', 'to' => 0.5], 'panels' => [['y' => ['a']]]])->toArray()['axis'] ?? null);
    }
}

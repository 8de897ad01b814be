<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Working;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\CommonSources;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\KnowsItsSources;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;
use Welkion\Core\Working\SlotKind;

/** A column whose rows have a source in common, and what methods make of it. */
final class ColumnInputTest extends TestCase
{
    private static function column(): ColumnInput
    {
        return new ColumnInput('T', Unit::parse('K'), [10.0, 20.0, 30.0], [0.3, 0.6, 0.0], [
            [Source::named('calibration 1', 'calibration'), [0.4, 0.8, 0.1]], [Source::named('bath', 'bath'), [0.0, 0.0, -0.2]],
        ]);
    }

    public function test_a_row_is_as_uncertain_as_its_scatter_and_all_it_shares_make_it(): void
    {
        self::assertEqualsWithDelta(0.5, self::column()->uncertainty(0), 1e-12);
        self::assertEqualsWithDelta(1.0, self::column()->uncertainty(1), 1e-12);
        self::assertEqualsWithDelta(sqrt(0.05), self::column()->uncertainty(2), 1e-12);
        self::assertEqualsWithDelta(1.0, self::column()->largestUncertainty(), 1e-12);
        self::assertSame(0.0, (new ColumnInput('x', Unit::one(), [1.0]))->largestUncertainty());
    }

    public function test_it_is_moved_by_a_source_it_has_and_by_no_other(): void
    {
        self::assertSame([10.4, 20.8, 30.1], self::column()->movedBy(Source::named('calibration 1', 'other words'))->values);
        self::assertSame([10.0, 20.0, 29.8], self::column()->movedBy(Source::named('bath', 'bath'))->values);
        self::assertSame([10.0, 20.0, 30.0], self::column()->movedBy(Source::named('calibration 2', 'calibration'))->values);
        self::assertNull(self::column()->sharesOf(Source::unnamed('calibration')));
    }

    public function test_some_of_its_rows_keep_what_is_theirs(): void
    {
        $some = self::column()->only([2, 0]);

        self::assertSame([[30.0, 10.0], [0.0, 0.3]], [$some->values, $some->scatter]);
        self::assertEqualsWithDelta([sqrt(0.05), 0.5], [$some->uncertainty(0), $some->uncertainty(1)], 1e-12);
        self::assertNull((new ColumnInput('x', Unit::one(), [1.0, 2.0]))->only([1])->scatter);
    }

    public function test_a_stretch_of_its_rows_keeps_what_is_theirs(): void
    {
        $told = static fn (ColumnInput $c): array => [$c->values, $c->scatter, array_column($c->common, 1)];

        self::assertSame([[20.0, 30.0], [0.6, 0.0], [[0.8, 0.1], [0.0, -0.2]]], $told(self::column()->stretch(1, 2)));
        self::assertSame([[20.0], [0.6], [[0.8], [0.0]]], $told(self::column()->stretch(1, 2, [0, 2])));
        self::assertSame([[10.0, 30.0], [0.3, 0.0], [[0.4, 0.1], [0.0, -0.2]]], $told(self::column()->stretch(0, 3, [1])));
        self::assertSame($told(self::column()), $told(self::column()->stretch(0, 3)));
        self::assertSame([[10.0], [0.3], [[0.4], [0.0]]], $told(self::column()->stretch(0, 1)));
        self::assertNull((new ColumnInput('x', Unit::one(), [1.0, 2.0]))->stretch(1, 1)->scatter);
    }

    public function test_a_stretch_of_what_rises_does_too_and_one_of_what_does_not_may(): void
    {
        $column = static fn (float ...$values): ColumnInput => new ColumnInput('x', Unit::one(), array_values($values));
        $mixed = $column(1.0, 3.0, 2.0, 4.0);

        self::assertSame([false, true, false], [$mixed->isRising(), $mixed->stretch(2, 2)->isRising(), $mixed->stretch(1, 2)->isRising()]);
        $rising = $column(1.0, 3.0, 4.0);
        self::assertSame([true, true, true], [$rising->isRising(), $rising->stretch(1, 2)->isRising(), $rising->stretch(0, 3, [1])->isRising()]);
    }

    public function test_its_ends_are_its_smallest_and_its_largest_value_however_it_goes(): void
    {
        $ends = static fn (float ...$values): array => (new ColumnInput('x', Unit::one(), array_values($values)))->ends();

        self::assertSame([[1.0, 4.0], [1.0, 4.0], [2.0, 2.0]], [$ends(1.0, 3.0, 4.0), $ends(3.0, 4.0, 1.0, 2.0), $ends(2.0)]);
        self::assertNan($ends()[0]);
        self::assertNan($ends()[1]);
    }

    public function test_a_result_gets_its_share_of_what_all_rows_have_in_common(): void
    {
        $total = CommonSources::work(new Total, new Inputs(['x' => self::column()]))->values['total'];

        // The sum moves by 0.4 + 0.8 + 0.1 and by -0.2; what the method knows itself, 0.5, stays.
        self::assertSame(60.0, $total->value);
        self::assertEqualsWithDelta(sqrt(1.3 ** 2 + 0.2 ** 2 + 0.5 ** 2), $total->uncertainty, 1e-12);
        self::assertEqualsWithDelta(100.0 * 1.69 / 1.98, $total->shares->percent()['calibration'], 1e-6);
    }

    public function test_a_method_that_knows_its_sources_is_left_alone(): void
    {
        self::assertEqualsWithDelta(0.5, CommonSources::work(new TotalThatKnows, new Inputs(['x' => self::column()]))->values['total']->uncertainty, 1e-12);
    }

    public function test_a_source_by_which_nothing_can_be_worked_out_has_no_share(): void
    {
        // Moved by the calibration the total passes 61, and then there is no answer.
        $total = CommonSources::work(new Total(61.0), new Inputs(['x' => self::column()]))->values['total'];

        self::assertEqualsWithDelta(sqrt(0.2 ** 2 + 0.5 ** 2), $total->uncertainty, 1e-12);
    }

    public function test_slots_say_what_may_be_left_out(): void
    {
        $slots = [
            [Slot::column('x', 'X', 'mL'), SlotKind::Column, true], [Slot::number('a', 'A', 'x'), SlotKind::Number, true], [Slot::maybeNumber('b', 'B', unit: 'mL'), SlotKind::Number, false],
            [Slot::text('c', 'C'), SlotKind::Text, true], [Slot::text('d', 'D', ['u', 'v'], 'u'), SlotKind::Text, false], [Slot::maybe('e', 'E'), SlotKind::Text, false],
            [Slot::span('s', 'S'), SlotKind::Span, false], [Slot::values('V'), SlotKind::Values, false],
        ];
        foreach ($slots as [$slot, $kind, $isRequired]) {
            self::assertSame([$kind, $isRequired], [$slot->kind, $slot->isRequired], $slot->name);
        }
        self::assertSame(['mL', 'x', 'mL'], [$slots[0][0]->unit, $slots[1][0]->unitOf, $slots[2][0]->unit]);
    }
}

readonly class Total implements Method
{
    public function __construct(private float $most = INF)
    {
    }

    public function declaration(): Declaration
    {
        return new Declaration('total', 'Total', 'All together.', 'Arithmetic.', [Slot::column('x', 'A column')], ['total' => 'Total']);
    }

    public function work(Inputs $inputs): Outcome
    {
        $total = array_sum($inputs->column('x')->values);
        if ($total > $this->most) {
            throw new InvalidQuantity('Too much.');
        }

        return Outcome::of(['total' => Measured::of($total, 0.5, $inputs->column('x')->unit, Source::unnamed('sum'))], 'sum');
    }
}

final readonly class TotalThatKnows extends Total implements KnowsItsSources
{
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\PointNumbers;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

final class PointNumbersTest extends TestCase
{
    public function test_a_place_tells_its_value_its_tangent_and_the_change_from_another(): void
    {
        $told = PointNumbers::of($this->notebook(), 1, 't', 'h', 3.0, 1.0);

        self::assertSame(['value-at', 'tangent', 'difference'], array_keys($told));
        $value = static fn (string $method, string $name): float => ($told[$method]->outcome->values[$name] ?? self::fail("There is no {$name}."))->value;
        // h = t²: its slope at 3 is 6, and from 1 to 3 it comes from 1 to 9.
        self::assertEqualsWithDelta([9.0, 6.0, 8.0, 2.0], [$value('value-at', 'value'), $value('tangent', 'slope'), $value('difference', 'dy'), $value('difference', 'dx')], 1e-9);
        self::assertSame('mm/min', $told['tangent']->outcome?->values['slope']->unit->symbol);
    }

    public function test_no_change_is_told_from_nowhere_or_from_the_very_place(): void
    {
        self::assertSame(['value-at', 'tangent'], array_keys(PointNumbers::of($this->notebook(), 1, 't', 'h', 3.0)));
        self::assertSame(['value-at', 'tangent'], array_keys(PointNumbers::of($this->notebook(), 1, 't', 'h', 3.0, 3.0)));
        self::assertSame([], PointNumbers::of($this->notebook(), 1, 'gone', 'h', 3.0));
        self::assertNotNull(PointNumbers::of($this->notebook(), 1, 't', 'gone', 3.0)['tangent']->problem);
    }

    public function test_where_the_curve_has_a_height_is_told_on_the_line_between_two_points(): void
    {
        $told = PointNumbers::of($this->notebook(), 1, 't', 'h', 3.0, null, 6.0);

        self::assertSame(['value-at', 'tangent', 'x-at'], array_keys($told));
        // Between 2 and 3 min h goes from 4 to 9 mm.
        self::assertEqualsWithDelta(2.4, $told['x-at']->result()?->value, 1e-12);
        self::assertSame('min', $told['x-at']->result()?->unit->symbol);
        self::assertStringStartsWith('The points never reach this y.', (string) PointNumbers::of($this->notebook(), 1, 't', 'h', 3.0, null, 26.0)['x-at']->needs);
    }

    private function notebook(): WorkedNotebook
    {
        $t = [0.0, 1.0, 2.0, 3.0, 4.0, 5.0];
        $rows = ['t' => new ColumnInput('t', Unit::parse('min'), $t), 'h' => new ColumnInput('h', Unit::parse('mm'), array_map(static fn (float $v): float => $v * $v, $t))];

        return new WorkedNotebook(Notebooks::of([], [Notebooks::column('t', 'min'), Notebooks::column('h', 'mm')], [], Notebooks::run(1, $rows)));
    }
}

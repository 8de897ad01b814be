<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Series\Baseline;
use Welkion\Core\Series\Methods\Points;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;

final class PointsTest extends TestCase
{
    public function test_points_of_the_same_columns_are_put_together_once_and_of_others_anew(): void
    {
        [$time, $back, $height] = [self::column('t', [0.0, 1.0, 3.0]), self::column('s', [3.0, 2.0, 0.0]), self::column('h', [2.0, 4.0, 4.0])];
        $points = static fn (ColumnInput $x, ColumnInput $y) => Points::of(new Inputs(['x' => $x, 'y' => $y]));

        self::assertSame($points($time, $height), $points($time, $height));
        self::assertSame([0.0, 2.0, 3.0], $points($back, $height)->x);
        self::assertSame([4.0, 4.0, 2.0], $points($back, $height)->y);
        self::assertSame([2.0, 4.0, 4.0], $points($time, $height)->y);
        self::assertSame([3.0, 2.0, 0.0], $points($time, $back)->y);
    }

    public function test_the_same_points_have_their_area_down_to_each_baseline(): void
    {
        $series = Points::of(new Inputs(['x' => self::column('t', [0.0, 1.0, 3.0]), 'y' => self::column('h', [2.0, 4.0, 4.0])]));

        // Trapezia: 3 + 8; less 3 · 2; less 3 · 3.
        self::assertSame([11.0, 5.0, 2.0, 11.0], [$series->area(), $series->area(Baseline::FirstPoint), $series->area(Baseline::Ends), $series->area(Baseline::Zero)]);
    }

    /** @param  list<float>  $values */
    private static function column(string $name, array $values): ColumnInput
    {
        return new ColumnInput($name, Unit::one(), $values);
    }
}

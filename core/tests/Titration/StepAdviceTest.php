<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Series\Series;
use Welkion\Core\Titration\StepAdvice;

final class StepAdviceTest extends TestCase
{
    public function test_advises_finer_steps_before_the_jump_and_neither_at_the_start_nor_after_it(): void
    {
        // A weak acid with its jump at 10.45 mL, to two decimals, every millilitre.
        $ph = [2.63, 3.00, 3.27, 3.48, 3.66, 3.84, 4.01, 4.19, 4.39, 4.65, 5.21, 11.16, 11.60];
        $advised = [];
        for ($n = 1; $n <= count($ph); $n++) {
            $taken = Series::of(array_map(floatval(...), range(0, $n - 1)), array_slice($ph, 0, $n));
            $advice = StepAdvice::for($taken, [$n, $n + 1.0, 20.0]);
            if ($advice !== null) {
                $advised[] = $n - 1;
                self::assertSame(0.1, $advice->step);
                self::assertSame((float) ($n - 1), $advice->from);
            }
        }

        self::assertSame([10], array_values(array_intersect($advised, [10])));
        self::assertSame([], array_values(array_intersect($advised, [0, 1, 2, 3, 4, 5, 6, 7, 12])));
    }

    public function test_advises_nothing_where_steps_are_fine_or_nothing_is_left(): void
    {
        $taken = Series::of([0.0, 1.0, 2.0, 3.0, 4.0, 5.0], [4.0, 4.1, 4.2, 4.4, 4.8, 5.8]);

        self::assertNotNull(StepAdvice::for($taken, [6.0, 7.0]));
        self::assertNotNull(StepAdvice::for($taken, [5.2, 5.4]), 'Twice the fine step is worth halving.');
        self::assertNull(StepAdvice::for($taken, [5.1, 5.2]));
        self::assertNull(StepAdvice::for($taken, []));
    }
}

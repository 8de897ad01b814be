<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Uncertainty;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Uncertainty\Median;

/** However many values there are and however they lie, the median is the middle one of the sorted ones. */
final class MedianTest extends TestCase
{
    /** @return iterable<string, array{int, float}> how many values, and how many of them are different */
    public static function samples(): iterable
    {
        foreach ([1, 2, 5, 999, 1000, 1001, 1002, 5000, 5001] as $count) {
            foreach ([0.0, 1.0, 4.0, 1e6] as $different) {
                yield "{$count} values of up to ".($different + 1) => [$count, $different];
            }
        }
    }

    #[DataProvider('samples')]
    public function test_is_the_middle_of_the_sorted_values(int $count, float $different): void
    {
        $chance = new Chance($count);
        $values = array_map(static fn (): float => round($chance->between(-$different, $different)), range(1, $count));
        $sorted = $values;
        sort($sorted);
        $middle = ($sorted[intdiv($count - 1, 2)] + $sorted[intdiv($count, 2)]) / 2.0;

        self::assertSame($middle, Median::of($values));
        self::assertSame($middle, Median::of($sorted));
        self::assertSame($middle, Median::of(array_reverse($sorted)));
    }
}

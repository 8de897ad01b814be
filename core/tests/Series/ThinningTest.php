<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Series\Thinning;

final class ThinningTest extends TestCase
{
    #[TestWith([801])]
    #[TestWith([1000])]
    #[TestWith([1601])]
    #[TestWith([100_000])]
    public function test_one_of_each_stretch_is_drawn_with_both_ends(int $count): void
    {
        $places = Thinning::places($count, 800);

        self::assertSame([0, $count - 1], [$places[0], end($places)]);
        self::assertContains(count($places), [799, 800]);
        self::assertSame($places, array_values(array_unique($places)));
        foreach (array_keys($places) as $i) {
            // No two lie further apart than two stretches.
            self::assertLessThan(2 * $count / 798 + 2, ($places[$i + 1] ?? $count) - $places[$i]);
            self::assertGreaterThan(0, ($places[$i + 1] ?? $count) - $places[$i]);
        }
        self::assertSame($places, Thinning::places($count, 800), 'Twice the same.');
    }

    public function test_few_rows_are_all_drawn(): void
    {
        self::assertSame([], Thinning::places(0, 800));
        self::assertSame([0], Thinning::places(1, 800));
        self::assertSame(range(0, 799), Thinning::places(800, 800));
        self::assertSame([0, 9], Thinning::places(10, 2));
    }

    /** Of even steps of 125 rows a wave of 124 would be drawn as one of 15,500: six waves, eleven times through zero. */
    public function test_a_quick_wave_is_not_drawn_as_a_slow_one(): void
    {
        $wave = array_map(static fn (int $place): int => sin(2 * M_PI * $place / 124) <=> 0.0, Thinning::places(100_000, 800));
        $turns = 0;
        foreach ($wave as $i => $sign) {
            $turns += $i > 0 && $sign !== $wave[$i - 1] ? 1 : 0;
        }

        // Signs at random change at every second point: 400 of 800, with a standard deviation of 14.
        self::assertGreaterThan(400 - 6 * 14, $turns);
    }
}

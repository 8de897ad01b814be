<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Series\EventKind;
use Welkion\Core\Series\EventWatch;

final class EventWatchTest extends TestCase
{
    public function test_a_level_is_crossed_by_the_first_sample_beyond_it(): void
    {
        self::assertSame([3], self::seen(new EventWatch(EventKind::Above, 5.0), [1.0, 4.9, 5.0, 5.1]));
        self::assertSame([2], self::seen(new EventWatch(EventKind::Below, 5.0), [6.0, 5.0, 4.9]));
    }

    public function test_a_signal_that_is_beyond_already_comes_back_first_unless_that_is_not_asked(): void
    {
        self::assertSame([3, 4], self::seen(new EventWatch(EventKind::Above, 5.0), [9.0, 8.0, 5.0, 6.0, 7.0]));
        self::assertSame([0, 1], self::seen(new EventWatch(EventKind::Above, 5.0, crosses: false), [9.0, 8.0, 5.0]));
    }

    public function test_a_quick_change_is_seen_either_way_and_a_slow_one_is_not(): void
    {
        $ramp = static fn (float $perSample): array => array_map(static fn (int $i): float => $i * $perSample, range(0, 40));
        $watch = static fn (): EventWatch => new EventWatch(EventKind::Change, 2.0, 1.0);

        // 0.1 s apart: ten steps in the second it may take.
        self::assertSame([], self::seen($watch(), $ramp(0.2)), 'Just 2 in a second is not more than 2.');
        self::assertSame(10, self::seen($watch(), $ramp(0.201))[0] ?? null);
        self::assertSame(10, self::seen($watch(), $ramp(-0.201))[0] ?? null);
        self::assertSame([2, 3], array_slice(self::seen($watch(), [7.0, 7.0, 4.9, 4.9]), 0, 2));
        self::assertSame([1], self::seen($watch(), [0.0, 2.5, ...array_fill(0, 30, 2.5)], 1.0), 'What is older than a second counts no more.');
    }

    public function test_the_extremes_of_the_last_moments_are_those_of_a_plain_search(): void
    {
        mt_srand(11);
        $values = array_map(static fn (): float => mt_rand(0, 1000) / 100.0, range(1, 500));
        $expected = [];
        foreach ($values as $i => $value) {
            $window = array_slice($values, max(0, $i - 7), min(8, $i + 1));
            max($window) - min($window) > 9.0 && $expected[] = $i;
        }

        self::assertSame($expected, self::seen(new EventWatch(EventKind::Change, 9.0, 0.7 + 1e-9), $values));
        self::assertNotSame([], $expected);
    }

    public function test_what_is_no_number_happens_to_nothing(): void
    {
        self::assertSame([3], self::seen(new EventWatch(EventKind::Above, 5.0), [NAN, 1.0, NAN, 6.0]));
        self::assertSame([], self::seen(new EventWatch(EventKind::Change, 1.0), [NAN, 1.0, NAN, 1.5]));
        self::assertSame([], self::seen(new EventWatch(EventKind::Steady, 0.0), [1.0, 1.0]));
        self::assertSame([], self::seen(new EventWatch(EventKind::Marker, 0.0), [1.0, 1.0]));
    }

    public function test_says_what_cannot_be_waited_for(): void
    {
        foreach ([[EventKind::Above, NAN, 1.0], [EventKind::Change, 0.0, 1.0], [EventKind::Change, 1.0, 0.0], [EventKind::Change, 1.0, INF]] as [$kind, $level, $within]) {
            try {
                new EventWatch($kind, $level, $within);
                self::fail('It was taken.');
            } catch (InvalidQuantity $refused) {
                self::assertMatchesRegularExpression('/ordinary number|above 0/', $refused->getMessage());
            }
        }
    }

    /**
     * @param  list<float>  $values
     * @return list<int> where it was seen to happen
     */
    private static function seen(EventWatch $watch, array $values, float $interval = 0.1): array
    {
        $seen = [];
        foreach ($values as $i => $value) {
            $watch->sees($i * $interval, $value) && $seen[] = $i;
        }

        return $seen;
    }
}

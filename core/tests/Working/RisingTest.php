<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Working;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Working\Rising;

final class RisingTest extends TestCase
{
    public function test_rising_is_each_a_number_above_the_one_before(): void
    {
        foreach ([[], [2.0], [-3.0, 0.0, 1e-9], [1.0, 2.0, 1e308]] as $values) {
            self::assertTrue(Rising::is($values));
        }
        foreach ([[1.0, 1.0], [1.0, 2.0, 1.5], [2.0, 1.0], [NAN], [NAN, 1.0], [1.0, NAN, 3.0], [1.0, 2.0, NAN], [-INF, 1.0], [1.0, 2.0, INF], [INF]] as $values) {
            self::assertFalse(Rising::is($values));
        }
    }

    public function test_what_lies_within_ends_has_them_in_it(): void
    {
        $values = [1.0, 2.0, 4.0, 8.0, 16.0];
        foreach ([[2.0, 8.0], [1.5, 9.0], [0.0, 20.0], [1.0, 16.0], [4.0, 4.0], [5.0, 7.0], [17.0, 18.0], [-2.0, 0.5], [-INF, INF], [16.0, 99.0], [9.0, 3.0]] as [$from, $to]) {
            [$first, $count] = Rising::within($values, $from, $to);
            $expected = array_values(array_filter($values, static fn (float $v): bool => $v >= $from && $v <= $to));
            self::assertSame($expected, array_slice($values, $first, $count), "{$from} to {$to}");
        }
        self::assertSame([0, 0], Rising::within([], 0.0, 1.0));
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Samples;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Samples\Moments;
use Welkion\Core\Samples\Packed;

final class PackedTest extends TestCase
{
    public function test_numbers_come_back_to_the_last_bit_however_many(): void
    {
        $numbers = array_map(static fn (int $i): float => sin($i) * 10 ** ($i % 40 - 20), range(1, 10_000));

        self::assertSame($numbers, Packed::numbers(Packed::of($numbers)));
        self::assertSame(80_000, strlen(Packed::of($numbers)));
        self::assertSame(["\0\0\0\0\0\0\xF0\x3F", ''], [Packed::of([1.0]), Packed::of([])], 'Little-endian, after IEEE 754.');
        self::assertSame([], Packed::numbers(''));
        foreach ([1, 51, 52, 53, 104, 105] as $count) {
            $some = array_slice($numbers, 0, $count);
            self::assertSame($some, Packed::numbers(Packed::of($some)), "All of {$count}, in order.");
        }
    }

    public function test_moments_stand_one_after_the_other(): void
    {
        $moments = [Moments::of([0.0, 1.0, 2.0], [3.0, 4.0, 6.0]), Moments::none()];

        self::assertEquals($moments, Moments::ofNumbers(Packed::numbers(Packed::moments($moments))));
        self::assertSame('', Packed::moments([]));
    }
}

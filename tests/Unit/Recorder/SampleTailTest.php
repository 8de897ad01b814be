<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\SampleTail;
use PHPUnit\Framework\TestCase;

final class SampleTailTest extends TestCase
{
    public function test_gives_what_is_later_than_a_moment(): void
    {
        $tail = new SampleTail(60.0);
        foreach ([1.0, 2.0, 2.0, 3.5] as $i => $time) {
            $tail->add($time, 10.0 * $i);
        }

        self::assertSame([[3.5], [30.0]], $tail->since(2.0));
        self::assertSame([[2.0, 2.0, 3.5], [10.0, 20.0, 30.0]], $tail->since(1.0));
        self::assertSame([[], []], $tail->since(3.5));
        self::assertCount(4, $tail->since(-INF)[0]);
    }

    public function test_always_holds_the_stretch_it_is_for_and_never_much_more(): void
    {
        $tail = new SampleTail(10.0);
        for ($i = 0; $i < 20_000; $i++) {
            $tail->add($i / 50.0, (float) $i);
            self::assertLessThanOrEqual(2 * 10 * 50 + 1, $tail->count());
        }

        [$times, $values] = $tail->since($tail->latestTime() - 10.0);
        self::assertCount(500, $times);
        self::assertSame(19_999.0, $tail->latestValue());
        self::assertSame(19_500.0, $values[0]);
    }

    public function test_knows_nothing_before_the_first(): void
    {
        $tail = new SampleTail(10.0);

        self::assertNull($tail->latestTime());
        self::assertNull($tail->latestValue());
        self::assertSame([[], []], $tail->since(0.0));
    }
}

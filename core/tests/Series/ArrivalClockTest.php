<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Series;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Series\ArrivalClock;

final class ArrivalClockTest extends TestCase
{
    private const WALL = 1_790_000_000.0;

    public function testSamplesThatAllTakeTheSameWayTellTheClockExactly(): void
    {
        $behind = self::clock(1000.0, 20.0, 5.0, static fn (): float => 0.003)->behind();
        self::assertNotNull($behind);
        // Doubles of Unix times are no truer than 2e-7 s.
        self::assertEqualsWithDelta(self::WALL - 1000.0 + 0.003, $behind->value, 1e-6);
        self::assertEqualsWithDelta(0.0, $behind->uncertainty, 1e-6);
        self::assertSame('s', $behind->unit->symbol);
    }

    public function testTwoClocksAreSetBesideEachOtherWithinTheirUncertainty(): void
    {
        $good = 0;
        $spreads = [];
        for ($seed = 1; $seed <= 100; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            // Each sample needs 2 ms and, by chance, a few more; now and then one waits long.
            $way = static fn (): float => 0.002 - 0.004 * log($random->getInt(1, 1000) / 1000.0) + ($random->getInt(1, 20) === 1 ? 0.15 : 0.0);
            $one = self::clock(1000.0, 20.0, 12.0, $way)->behind();
            $other = self::clock(5003.25, 4.0, 12.0, $way)->behind();
            self::assertNotNull($one);
            self::assertNotNull($other);
            $apart = $one->minus($other);
            $spreads[] = $apart->uncertainty;
            $good += abs($apart->value - 4003.25) <= 2.0 * $apart->uncertainty ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(95, $good);
        // Not by saying too much: the usual sample is 2.8 ms later than the quickest.
        self::assertLessThan(0.004, max($spreads));
        self::assertGreaterThan(0.0005, min($spreads));
    }

    public function testOneQuickSampleAmongSlowOnesCounts(): void
    {
        $count = 0;
        $behind = self::clock(0.0, 10.0, 8.0, static function () use (&$count): float {
            return ++$count % 40 === 5 ? 0.001 : 0.060;
        })->behind();
        self::assertEqualsWithDelta(self::WALL + 0.001, $behind->value ?? NAN, 1e-6);
        self::assertEqualsWithDelta(0.0295, $behind->uncertainty ?? NAN, 1e-6);
    }

    public function testAClockAtAnotherPaceIsNotTold(): void
    {
        foreach ([60.0, 10.0, 1.01, 0.99] as $pace) {
            self::assertNull(self::clock(0.0, 10.0, 8.0, static fn (): float => 0.001, $pace)->behind(), "{$pace}");
        }
        // The worst of quartzes, 200 millionths, is one.
        self::assertNotNull(self::clock(0.0, 10.0, 8.0, static fn (): float => 0.001, 1.0002)->behind());
    }

    public function testNothingIsToldBeforeThereIsEnough(): void
    {
        self::assertNull((new ArrivalClock)->behind());
        self::assertNull(self::clock(0.0, 20.0, 0.9, static fn (): float => 0.001)->behind());
        self::assertNull(self::clock(0.0, 1.0, 2.5, static fn (): float => 0.001)->behind());
        self::assertNotNull(self::clock(0.0, 20.0, 1.2, static fn (): float => 0.001)->behind());
    }

    public function testWhatIsLongPastDoesNotCount(): void
    {
        $clock = self::clock(0.0, 10.0, 3.0, static fn (): float => 0.001);
        // Half a minute later its clock has been put right by 2 s, which somebody saw.
        $clock->forget();
        self::assertNull($clock->behind());
        self::feed($clock, 28.0, self::WALL + 30.0, 10.0, 3.0, static fn (): float => 0.001);
        self::assertEqualsWithDelta(self::WALL + 2.001, $clock->behind()->value ?? NAN, 1e-6);
        // Without having been told, it is clear once the window has passed.
        self::feed($clock, 0.0, self::WALL + 60.0, 10.0, 25.0, static fn (): float => 0.001);
        self::assertEqualsWithDelta(self::WALL + 60.001, $clock->behind()->value ?? NAN, 1e-6);
    }

    public function testASilenceInBetweenIsNoDrift(): void
    {
        $clock = new ArrivalClock;
        self::feed($clock, 0.0, self::WALL, 10.0, 2.0, static fn (): float => 0.001);
        self::feed($clock, 8.0, self::WALL + 8.0, 10.0, 1.0, static fn (): float => 0.001);
        self::assertEqualsWithDelta(self::WALL + 0.001, $clock->behind()->value ?? NAN, 1e-6);
    }

    public function testFourArrivalsAreEnough(): void
    {
        foreach ([3 => false, 4 => true] as $count => $isTold) {
            $clock = new ArrivalClock;
            for ($i = 0; $i < $count; $i++) {
                $clock->saw(1.0 * $i, self::WALL + $i + 0.001);
            }
            self::assertSame($isTold, $clock->behind() !== null, "{$count}");
        }
    }

    public function testAFastChannelIsThinnedToItsQuickest(): void
    {
        $count = 0;
        $behind = self::clock(0.0, 500.0, 20.0, static function () use (&$count): float {
            return ++$count % 10 === 7 ? 0.001 : 0.004;
        })->behind();
        // It waits for the one before it, which was measured 2 ms earlier and needs 4 ms.
        self::assertEqualsWithDelta(self::WALL + 0.002, $behind->value ?? NAN, 1e-6);
        self::assertEqualsWithDelta(0.0, $behind->uncertainty ?? NAN, 1e-6);
    }

    /** @param  \Closure(): float  $way  s from measured to arrived */
    private static function clock(float $from, float $rate, float $seconds, \Closure $way, float $pace = 1.0): ArrivalClock
    {
        $clock = new ArrivalClock;
        self::feed($clock, $from, self::WALL, $rate, $seconds, $way, $pace);

        return $clock;
    }

    /** @param  \Closure(): float  $way */
    private static function feed(ArrivalClock $clock, float $from, float $wall, float $rate, float $seconds, \Closure $way, float $pace = 1.0): void
    {
        $last = 0.0;
        for ($i = 0; $i < $rate * $seconds; $i++) {
            // What comes over one line stays in order.
            $last = max($last, $wall + $i / $rate + $way());
            $clock->saw($from + $pace * $i / $rate, $last);
        }
    }
}

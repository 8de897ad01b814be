<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Samples;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Samples\LongSeries;
use Welkion\Core\Samples\Segment;
use Welkion\Core\Samples\SegmentsInMemory;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Uncertainty\Sample;

/** What is worked out from summaries, against the same worked out from every sample. */
final class LongSeriesTest extends TestCase
{
    /** @return iterable<string, array{list<int>, float, float}> samples of each segment, s between them, how uneven */
    public static function runs(): iterable
    {
        yield 'one short segment' => [[300], 0.5, 0.0];
        yield 'one that is full' => [[Segment::SAMPLES], 0.001, 0.0];
        yield 'two and a bit' => [[Segment::SAMPLES, Segment::SAMPLES, 777], 0.002, 0.0];
        yield 'pieces with gaps between' => [[5000, 16, 1, 9000], 0.01, 0.0];
        yield 'uneven times' => [[6000, 4200], 0.05, 0.3];
    }

    /** @param  list<int>  $counts */
    #[DataProvider('runs')]
    public function test_any_span_has_the_statistics_and_the_line_of_its_samples(array $counts, float $step, float $uneven): void
    {
        $chance = new Chance(5);
        [$times, $values, $series] = self::made($chance, $counts, $step, $uneven);
        $last = count($times) - 1;
        $spans = [[0, $last], [0, $last - 1], [1, $last]];
        for ($i = 0; $i < 12; $i++) {
            $ends = [(int) $chance->between(0.0, $last), (int) $chance->between(0.0, $last)];
            $spans[] = [min($ends), max($ends)];
        }
        foreach ($spans as [$first, $end]) {
            [$x, $y] = [array_slice($times, $first, $end - $first + 1), array_slice($values, $first, $end - $first + 1)];
            $moments = $series->moments($times[$first], $times[$end]);
            self::assertSame(count($y), $moments->count, "samples {$first} to {$end}");
            self::assertEqualsWithDelta(Sample::of($y)->mean, $moments->meanValue, 1e-11 * 1000.0);
            if (count($y) > 2) {
                // Doubles keep sixteen digits; sums of a hundred thousand lose three of them.
                self::assertEqualsWithDelta(Sample::of($y)->sd, $moments->sd(), 1e-11 * $moments->sd());
                $line = StraightLine::through(array_map(static fn (float $t): float => $t - $times[$first], $x), $y);
                self::assertEqualsWithDelta($line->slope, $moments->line()->slope, 1e-10 * abs($line->slope) + 1e-9 * $line->slopeError);
                self::assertEqualsWithDelta($line->at(0.0), $moments->line()->at(0.0), 1e-11 * 1000.0);
                self::assertEqualsWithDelta($line->slopeError, $moments->line()->slopeError, 1e-7 * $line->slopeError);
            }
        }
    }

    /** @param  list<int>  $counts */
    #[DataProvider('runs')]
    public function test_a_picture_holds_every_peak_and_nothing_that_is_not_there(array $counts, float $step, float $uneven): void
    {
        $chance = new Chance(6);
        [$times, $values, $series] = self::made($chance, $counts, $step, $uneven);
        $last = count($times) - 1;
        foreach ([[$times[0], $times[$last], 100], [$times[0], $times[$last], 1000], [$times[intdiv($last, 3)], $times[intdiv($last, 2)], 40], [$times[10], $times[40], 500]] as [$from, $to, $columns]) {
            $picture = $series->picture($from, $to, $columns);
            $seen = array_filter($values, static fn (int $i): bool => $times[$i] >= $from && $times[$i] <= $to, ARRAY_FILTER_USE_KEY);
            self::assertSame(count($seen) <= 2 * $columns, $picture->showsSamples);
            if ($picture->showsSamples) {
                self::assertSame(array_values($seen), $picture->lows);
                self::assertEqualsWithDelta(array_values(array_intersect_key($times, $seen)), $picture->times, 1e-9);

                continue;
            }
            $width = ($to - $from) / $columns;
            self::assertCount($columns, $picture->lows);
            self::assertCount($columns, $picture->highs);
            self::assertLessThanOrEqual(min($seen), min(array_filter($picture->lows, is_finite(...))));
            self::assertGreaterThanOrEqual(max($seen), max(array_filter($picture->highs, is_finite(...))));
            foreach ($picture->lows as $i => $low) {
                $middle = $from + ($i + 0.5) * $width;
                if (is_nan($low)) {
                    self::assertNan($picture->highs[$i]);
                    self::assertSame([], self::between($times, $values, $middle - 0.49 * $width, $middle + 0.49 * $width));

                    continue;
                }
                self::assertLessThanOrEqual($picture->highs[$i], $low);
                // Each column shows samples of itself or its neighbours, and no others.
                $near = self::between($times, $values, $middle - 1.5 * $width, $middle + 1.5 * $width);
                self::assertGreaterThanOrEqual(min($near), $low);
                self::assertLessThanOrEqual(max($near), $picture->highs[$i]);
            }
        }
    }

    public function test_a_single_spike_is_seen_from_afar(): void
    {
        $values = array_fill(0, 2 * Segment::SAMPLES, 1.0);
        $values[70_001] = 9.0;
        $values[99_999] = -9.0;
        $times = array_map(static fn (int $i): float => 1000.0 + 0.001 * $i, array_keys($values));
        $series = self::series(self::cut($times, $values, [Segment::SAMPLES, Segment::SAMPLES]));
        foreach ([30, 700, 5000] as $columns) {
            $picture = $series->picture(1000.0, 1131.071, $columns);
            self::assertSame([-9.0, 9.0], [min($picture->lows), max($picture->highs)]);
            $at = 1000.0 + (array_search(9.0, $picture->highs, true) + 0.5) * 131.071 / $columns;
            self::assertEqualsWithDelta(1070.001, $at, 1.1 * 131.071 / $columns);
        }
    }

    public function test_a_gap_stays_empty(): void
    {
        $times = [...array_map(static fn (int $i): float => 0.01 * $i, range(0, 4999)), ...array_map(static fn (int $i): float => 100.0 + 0.01 * $i, range(0, 4999))];
        $series = self::series(self::cut($times, array_fill(0, 10_000, 2.0), [5000, 5000]));

        $empty = array_keys(array_filter($series->picture(0.0, 150.0, 300)->lows, is_nan(...)));
        self::assertSame(range(100, 199), $empty);
        self::assertSame(0, $series->moments(60.0, 90.0)->count);
        self::assertSame(2, $series->moments(49.99, 100.0)->count);
        self::assertSame([0.0, 149.99], $series->extent());
        self::assertSame(10_000, $series->count());
    }

    public function test_a_falling_calibration_turns_lowest_into_highest(): void
    {
        $times = array_map(static fn (int $i): float => 0.01 * $i, range(0, 999));
        $series = self::series(self::cut($times, array_map(floatval(...), range(0, 999)), [1000]));
        $turned = static fn (array $v): array => array_map(static fn (float $raw): float => 10.0 - 2.0 * $raw, $v);
        $columns = $series->picture(0.0, 10.0, 10)->mapped($turned);
        $samples = $series->picture(0.0, 0.05, 10)->mapped($turned);

        self::assertEqualsWithDelta([10.0 - 2.0 * 99.0, 10.0 - 2.0 * 199.0], array_slice($columns->lows, 0, 2), 32.0);
        self::assertCount(10, $columns->lows);
        foreach ($columns->lows as $i => $low) {
            self::assertLessThanOrEqual($columns->highs[$i], $low);
        }
        self::assertSame([10.0, 8.0, 6.0, 4.0, 2.0, 0.0], $samples->lows);
        self::assertSame($samples->lows, $samples->highs);
        self::assertNan($series->picture(0.0, 30.0, 3)->mapped($turned)->lows[2]);
    }

    public function test_large_numbers_close_together_keep_their_scatter(): void
    {
        $chance = new Chance(7);
        $values = array_map(static fn (): float => 1e9 + $chance->normal(), range(1, 20_000));
        $times = array_map(static fn (int $i): float => 1.8e9 + 0.25 * $i, range(0, 19_999));
        $moments = self::series(self::cut($times, $values, [20_000]))->moments($times[3], $times[19_990]);
        $less = Sample::of(array_map(static fn (float $v): float => $v - 1e9, array_slice($values, 3, 19_988)));

        self::assertEqualsWithDelta($less->mean, $moments->meanValue - 1e9, 1e-6);
        self::assertEqualsWithDelta($less->sd, $moments->sd(), 1e-7);
    }

    public function test_nothing_and_nonsense(): void
    {
        $empty = self::series([]);
        self::assertNull($empty->extent());
        self::assertSame([0, 0], [$empty->count(), $empty->moments(0.0, 1.0)->count]);
        self::assertSame([], $empty->picture(0.0, 1.0, 10)->lows);
        self::assertNan($empty->moments(0.0, 1.0)->sd());
        $one = self::series(self::cut([5.0], [3.0], [1]));
        self::assertSame([[5.0], [3.0]], [$one->picture(0.0, 10.0, 10)->times, $one->picture(0.0, 10.0, 10)->lows]);
        foreach ([static fn () => $one->moments(2.0, 1.0), static fn () => $one->picture(NAN, 1.0, 10), static fn () => $one->picture(0.0, 1.0, 0)] as $wrong) {
            try {
                $wrong();
                self::fail('Accepted.');
            } catch (InvalidQuantity $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
        $this->expectException(NotEnoughPoints::class);
        $one->moments(0.0, 10.0)->line();
    }

    /**
     * @param  list<int>  $counts
     * @return array{list<float>, list<float>, LongSeries}
     */
    private static function made(Chance $chance, array $counts, float $step, float $uneven): array
    {
        $times = $values = [];
        // Small times, so that what doubles leave of a time by the calendar (0.24 µs) does not hide what is compared.
        $t = 64.0;
        foreach ($counts as $count) {
            for ($i = 0; $i < $count; $i++) {
                $times[] = $uneven === 0.0 ? $t + $i * $step : $t + ($i + $chance->between(0.0, $uneven)) * $step;
                $values[] = 1000.0 + 30.0 * sin(0.001 * count($times)) + $chance->normal();
            }
            $t += ($count + 50) * $step;
        }

        return [$times, $values, self::series(self::cut($times, $values, $counts))];
    }

    /**
     * @param  list<float>  $times
     * @param  list<float>  $values
     * @param  list<int>  $counts
     * @return list<Segment>
     */
    private static function cut(array $times, array $values, array $counts): array
    {
        $segments = [];
        $from = 0;
        foreach ($counts as $count) {
            $segments[] = Segment::of(array_slice($times, $from, $count), array_slice($values, $from, $count));
            $from += $count;
        }

        return $segments;
    }

    /** @param  list<Segment>  $segments */
    private static function series(array $segments): LongSeries
    {
        return new LongSeries(new SegmentsInMemory($segments));
    }

    /**
     * @param  list<float>  $times
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function between(array $times, array $values, float $from, float $to): array
    {
        [$low, $high] = [0, count($times)];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            $times[$middle] < $from ? $low = $middle + 1 : $high = $middle;
        }
        $found = [];
        for ($i = $low; $i < count($times) && $times[$i] <= $to; $i++) {
            $found[] = $values[$i];
        }

        return $found;
    }
}

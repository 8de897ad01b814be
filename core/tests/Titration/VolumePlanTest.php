<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Titration;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Series\Series;
use Welkion\Core\Titration\StepAdvice;
use Welkion\Core\Titration\VolumePlan;
use Welkion\Core\Titration\VolumeRange;

final class VolumePlanTest extends TestCase
{
    public function test_lists_each_volume_once_and_always_reaches_the_end(): void
    {
        self::assertSame([0.0, 0.5, 1.0, 1.25, 1.5, 1.6], self::plan([0, 1, 0.5], [1, 1.6, 0.25])->volumes());
    }

    public function test_tenths_stay_tenths_over_a_whole_burette(): void
    {
        $volumes = self::plan([0, 30, 0.1])->volumes();

        self::assertCount(301, $volumes);
        self::assertSame(23.7, $volumes[237]);
    }

    public function test_what_remains_lies_above_what_was_taken(): void
    {
        $plan = self::plan([0, 2, 0.5]);

        self::assertSame([0.0, 0.5, 1.0, 1.5, 2.0], $plan->remaining([]));
        self::assertSame([1.5, 2.0], $plan->remaining([0.0, 0.5, 1.0]));
        self::assertSame([1.5, 2.0], $plan->remaining([0.0, 1.2]));
        self::assertSame([], $plan->remaining([2.0]));
    }

    public function test_finer_steps_leave_what_lies_before_and_after(): void
    {
        $refined = self::plan([0, 9, 1], [9, 12, 0.5])->refined(8.0, 10.0, 0.25);

        self::assertSame(
            [0.0, 1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0, 8.25, 8.5, 8.75, 9.0, 9.25, 9.5, 9.75, 10.0, 10.5, 11.0, 11.5, 12.0],
            $refined->volumes(),
        );
    }

    /** @return iterable<string, array{list<array{float|int, float|int, float|int}>, string}> */
    public static function badPlans(): iterable
    {
        yield 'no range' => [[], 'A plan needs at least one range of volumes.'];
        yield 'backwards' => [[[5, 4, 1]], 'The last volume must lie between 5 and 100 mL, but 4 was given.'];
        yield 'no step' => [[[0, 5, 0]], 'The step must lie between 0.01 and 100 mL, but 0 was given.'];
        yield 'more than a burette' => [[[0, 101, 1]], 'The last volume must lie between 0 and 100 mL, but 101 was given.'];
        yield 'not a number' => [[[NAN, 5, 1]], 'The first volume must lie between 0 and 100 mL, but no ordinary number was given.'];
        yield 'overlapping' => [[[0, 5, 1], [4, 6, 1]], 'Range 2 starts at 4 mL, before the one above it ends at 5 mL. Start it there or later.'];
        yield 'endless' => [[[0, 60, 0.1]], 'This plan has 601 steps; at most 500 fit. Take larger steps.'];
    }

    /** @param  list<array{float|int, float|int, float|int}>  $ranges */
    #[DataProvider('badPlans')]
    public function test_says_what_is_wrong_with_a_plan(array $ranges, string $sentence): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage($sentence);

        self::plan(...$ranges);
    }

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
        self::assertNull(StepAdvice::for($taken, [5.1, 5.2]));
        self::assertNull(StepAdvice::for($taken, []));
    }

    /** @param  array{float|int, float|int, float|int}  ...$ranges */
    private static function plan(array ...$ranges): VolumePlan
    {
        return VolumePlan::of(array_map(
            static fn (array $r): VolumeRange => VolumeRange::of((float) $r[0], (float) $r[1], (float) $r[2]), array_values($ranges),
        ));
    }
}

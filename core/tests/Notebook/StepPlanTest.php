<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Notebook\StepLimits;
use Welkion\Core\Notebook\StepPlan;
use Welkion\Core\Notebook\StepRange;
use Welkion\Core\Units\Unit;

final class StepPlanTest extends TestCase
{
    public function test_lists_each_step_once_and_always_reaches_the_end(): void
    {
        self::assertSame([0.0, 0.5, 1.0, 1.25, 1.5, 1.6], self::plan([0, 1, 0.5], [1, 1.6, 0.25])->steps);
        self::assertSame([5.0, 3.0, 1.0, 0.5], self::plan([5, 0.5, 2])->steps);
    }

    public function test_a_step_is_at_most_as_wide_as_what_can_be_reached(): void
    {
        $limits = new StepLimits(Unit::parse('°C'), -20.0, 60.0, 0.1, 1);
        self::assertSame([-20.0, 50.0, 60.0], StepRange::of(-20.0, 60.0, 70.0, $limits)->values());

        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage('between 0.1 and 80 °C');
        StepRange::of(-20.0, 60.0, 81.0, $limits);
    }

    public function test_tenths_stay_tenths_over_a_whole_burette(): void
    {
        $steps = self::plan([0, 30, 0.1])->steps;

        self::assertCount(301, $steps);
        self::assertSame(23.7, $steps[237]);
    }

    public function test_what_remains_lies_beyond_what_was_taken(): void
    {
        $plan = self::plan([0, 2, 0.5]);
        self::assertSame([0.0, 0.5, 1.0, 1.5, 2.0], $plan->remaining([]));
        self::assertSame([1.5, 2.0], $plan->remaining([0.0, 0.5, 1.0]));
        self::assertSame([1.5, 2.0], $plan->remaining([0.0, 1.2]));
        self::assertSame([1.5, 2.0], $plan->remaining([1.003]), 'As good as one.');
        self::assertSame([], $plan->remaining([2.0]));

        $falling = self::plan([12, 9, 1]);
        self::assertSame(-1, $falling->direction());
        self::assertSame([10.0, 9.0], $falling->remaining([12.0, 11.0]));
        self::assertSame([10.0, 9.0], $falling->remaining([10.6]));
    }

    public function test_words_and_single_values_are_taken_in_any_order(): void
    {
        $words = StepPlan::fromArray(['steps' => ['cellar', 'kitchen', 'oven']], self::limits());
        self::assertSame(0, $words->direction());
        self::assertSame(['cellar', 'oven'], $words->remaining(['kitchen', 'garden']));
        self::assertTrue($words->isIn('oven', ['cellar', 'oven']));
        self::assertFalse($words->isIn('oven', ['Oven']));

        $values = StepPlan::fromArray(['steps' => [80, 20, 40.0]], self::limits());
        self::assertSame(0, $values->direction());
        self::assertSame([80.0, 40.0], $values->remaining([20.001]));
        self::assertSame(['steps' => [80.0, 20.0, 40.0]], $values->toArray());
        self::assertSame([40.0], StepPlan::fromArray(['steps' => [10, 20, 40]], self::limits())->remaining([20.0]));
    }

    public function test_finer_steps_leave_what_lies_before_and_after(): void
    {
        $refined = self::plan([0, 9, 1], [9, 12, 0.5])->refined(8.0, 10.0, 0.25);
        self::assertSame(
            [0.0, 1.0, 2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.0, 8.25, 8.5, 8.75, 9.0, 9.25, 9.5, 9.75, 10.0, 10.5, 11.0, 11.5, 12.0],
            $refined->steps,
        );
        self::assertSame([50.0, 40.0, 35.0, 30.0, 20.0], self::plan([50, 20, 10])->refined(40.0, 30.0, 5.0)->steps);
        self::assertSame(['ranges' => [['from' => 0.0, 'to' => 2.0, 'step' => 1.0]]], self::plan([0, 2, 1])->toArray());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badPlans(): iterable
    {
        $ranges = static fn (array ...$r): array => ['ranges' => array_map(static fn (array $x): array => array_combine(['from', 'to', 'step'], $x), array_values($r))];
        yield 'no range' => [['ranges' => []], 'A plan needs at least one range.'];
        yield 'no step' => [$ranges([0, 5, 0]), 'The step must lie between 0.01 and 100 mL, but 0 was given.'];
        yield 'more than a burette' => [$ranges([0, 101, 1]), 'The last value must lie between 0 and 100 mL, but 101 was given.'];
        yield 'less than nothing' => [$ranges([-1, 5, 1]), 'The first value must lie between 0 and 100 mL, but -1 was given.'];
        yield 'not a number' => [['ranges' => [['from' => 'x', 'to' => 5, 'step' => 1]]], 'The first value must lie between 0 and 100 mL, but no ordinary number was given.'];
        yield 'overlapping' => [$ranges([0, 5, 1], [4, 6, 1]), 'Range 2 starts at 4 mL, before the one above it ends at 5 mL. Start it there or later.'];
        yield 'overlapping downwards' => [$ranges([50, 20, 5], [25, 10, 5]), 'Range 2 starts at 25 mL, before the one above it ends at 20 mL. Start it there or later.'];
        yield 'endless' => [$ranges([0, 60, 0.1]), 'This plan has 601 steps; at most 500 fit. Take larger steps.'];
        yield 'twice' => [['steps' => ['a', 'b', 'a']], 'The step "a" comes twice.'];
        yield 'twice a number' => [['steps' => [1, 2, 1.001]], 'The step 1.001 mL comes twice.'];
        yield 'a step outside' => [['steps' => [200]], 'The step must lie between 0 and 100 mL, but 200 was given.'];
    }

    /** @param  array<string, mixed>  $plan */
    #[DataProvider('badPlans')]
    public function test_says_what_is_wrong_with_a_plan(array $plan, string $sentence): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage($sentence);

        StepPlan::fromArray($plan, self::limits());
    }

    /** @param  array{float|int, float|int, float|int}  ...$ranges */
    private static function plan(array ...$ranges): StepPlan
    {
        return StepPlan::ofRanges(array_map(
            static fn (array $r): StepRange => StepRange::of((float) $r[0], (float) $r[1], (float) $r[2], self::limits()), array_values($ranges),
        ), self::limits());
    }

    private static function limits(): StepLimits
    {
        return new StepLimits(Unit::parse('mL'), 0.0, 100.0, 0.01, 2);
    }
}

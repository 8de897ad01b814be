<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Notebook\Protocol;
use Welkion\Core\Notebook\TimedPlan;
use Welkion\Core\Notebook\TimedPlanCheck;
use Welkion\Core\Warning;

final class TimedPlanTest extends TestCase
{
    private const WHOLE = [
        'rate' => 10.0, 'length' => 90.0, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 99.0, 'before' => 2.0],
        'end' => ['when' => 'change', 'column' => 'T', 'level' => 3.0, 'within' => 0.5],
    ];

    public function test_is_told_as_it_was_read(): void
    {
        $plain = ['rate' => 2.0, 'length' => null, 'begin' => null, 'end' => null];

        self::assertSame(self::WHOLE, TimedPlan::fromArray(self::WHOLE)->toArray());
        self::assertSame($plain, TimedPlan::fromArray(['rate' => 2])->toArray());
        self::assertSame(['when' => 'marker', 'before' => 1.5], TimedPlan::fromArray(['rate' => 2, 'begin' => ['when' => 'marker', 'column' => 'p', 'before' => 1.5]])->toArray()['begin']);
        self::assertSame(['when' => 'steady', 'column' => 'T'], TimedPlan::fromArray(['rate' => 2, 'end' => ['when' => 'steady', 'column' => 'T', 'level' => 7]])->toArray()['end']);
        self::assertSame(1.0, TimedPlan::fromArray(['rate' => 2, 'begin' => ['when' => 'change', 'column' => 'p', 'level' => 1]])->begin?->within);
        self::assertSame(0.1, TimedPlan::fromArray(self::WHOLE)->interval());
        self::assertSame(['p', 'T'], TimedPlan::fromArray(self::WHOLE)->columns());
        self::assertSame([], TimedPlan::fromArray($plain)->columns());
    }

    public function test_goes_on_from_where_it_has_come_to_and_ends_by_nothing_else_then(): void
    {
        $plan = TimedPlan::fromArray(self::WHOLE);

        self::assertSame(340.5, $plan->goingOn(40.5, 300.0)->length);
        self::assertNull($plan->goingOn(40.5, 300.0)->end);
        self::assertEquals($plan->begin, $plan->goingOn(40.5, 300.0)->begin);
        self::assertNull($plan->goingOn(40.5, null)->length);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badPlans(): iterable
    {
        yield 'no rate' => [[], 'The rate must lie between 0.001 and 100000 Hz, but no ordinary number was given.'];
        yield 'too slow' => [['rate' => 0.0009], 'The rate must lie between'];
        yield 'too fast' => [['rate' => 100_001], 'The rate must lie between'];
        yield 'too short' => [['rate' => 10, 'length' => 0.09], 'The length must lie between 0.1 and 604800 s, but 0.09 was given.'];
        yield 'too long' => [['rate' => 10, 'length' => 604_801], 'The length must lie between'];
        yield 'too much before' => [['rate' => 10, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 1, 'before' => 60.5]], 'The time kept from before must lie between 0 and 60 s, but 60.5 was given.'];
        yield 'less than nothing before' => [['rate' => 10, 'begin' => ['when' => 'above', 'column' => 'p', 'level' => 1, 'before' => -1]], 'The time kept from before'];
        yield 'unknown' => [['rate' => 10, 'begin' => ['when' => 'full moon']], 'A run cannot wait for "full moon". Say above, below, change, steady or marker.'];
        yield 'of nothing' => [['rate' => 10, 'begin' => ['when' => 'above', 'level' => 1]], 'Say which column the run waits for.'];
        yield 'without a level' => [['rate' => 10, 'end' => ['when' => 'below', 'column' => 'p', 'level' => 'low']], 'The level to wait for must be an ordinary number.'];
        yield 'a slow change' => [['rate' => 10, 'begin' => ['when' => 'change', 'column' => 'p', 'level' => 1, 'within' => 61]], 'The time a quick change may take must lie between 0 and 60 s, but 61 was given.'];
        yield 'a change in no time' => [['rate' => 10, 'begin' => ['when' => 'change', 'column' => 'p', 'level' => 1, 'within' => 0]], 'The time a quick change may take'];
        yield 'begun by rest' => [['rate' => 10, 'begin' => ['when' => 'steady', 'column' => 'p']], 'A run begins when something happens, and not by rest'];
        yield 'ended by a marker' => [['rate' => 10, 'end' => ['when' => 'marker']], 'it ends by hand, without a marker'];
    }

    /** @param  array<string, mixed>  $plan */
    #[DataProvider('badPlans')]
    public function test_says_what_is_wrong_with_a_plan(array $plan, string $sentence): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage($sentence);

        TimedPlan::fromArray($plan);
    }

    public function test_the_widest_plans_are_taken(): void
    {
        self::assertSame(0.001, TimedPlan::fromArray(['rate' => 0.001, 'length' => 604_800])->rate);
        self::assertSame(0.1, TimedPlan::fromArray(['rate' => 10, 'length' => 0.1])->length);
        self::assertSame(60.0, TimedPlan::fromArray(['rate' => 100_000, 'begin' => ['when' => 'change', 'column' => 'p', 'level' => 1, 'within' => 60, 'before' => 60]])->before);
    }

    public function test_warns_of_a_heart_recorded_twice_a_second_and_of_a_probe_that_cannot_follow(): void
    {
        $heart = ['title' => 'ECG lead', 'kind' => ProbeKind::EcgLead, 'fastestHz' => 500.0];
        $warnings = static fn (array $plan, array ...$probes): array => array_map(static fn (Warning $w): string => $w->code, TimedPlanCheck::warnings(TimedPlan::fromArray($plan), array_values($probes)));

        self::assertSame(['too-slow'], $warnings(['rate' => 2, 'length' => 10], $heart));
        self::assertStringContainsString('Record at least 100 a second.', TimedPlanCheck::warnings(TimedPlan::fromArray(['rate' => 2]), [$heart])[0]->text);
        self::assertSame([], $warnings(['rate' => 100, 'length' => 10], $heart));
        self::assertSame([], $warnings(['rate' => 500, 'length' => 10], $heart));
        self::assertSame(['too-fast'], $warnings(['rate' => 501, 'length' => 10], $heart));
        self::assertSame([], $warnings(['rate' => 0.01, 'length' => 3000], ['title' => 'Thermometer', 'kind' => ProbeKind::Thermometer, 'fastestHz' => 20.0]));
        self::assertSame(['too-long'], $warnings(['rate' => 1, 'length' => 3001]));
        self::assertSame(['too-many'], $warnings(['rate' => 5000, 'length' => 2001]));
        self::assertSame([], $warnings(['rate' => 5000, 'length' => 2000]));
    }

    public function test_warns_when_the_disk_would_be_half_full_of_it(): void
    {
        $probes = [['title' => 'Gas pressure', 'kind' => ProbeKind::PressureSensor, 'fastestHz' => 1000.0], ['title' => 'Gas temperature', 'kind' => ProbeKind::Thermometer, 'fastestHz' => 1000.0]];
        $plan = TimedPlan::fromArray(['rate' => 1000, 'length' => 1000]);

        // A million rows of two channels, 11 bytes each.
        self::assertSame([], TimedPlanCheck::warnings($plan, $probes, 44e6));
        self::assertSame('disk', TimedPlanCheck::warnings($plan, $probes, 43.9e6)[0]->code);
        self::assertSame([], TimedPlanCheck::warnings(TimedPlan::fromArray(['rate' => 1000]), $probes, 1.0));
        // Once a second is stored as often as it is shown live, 20 times a second.
        $slow = TimedPlan::fromArray(['rate' => 1, 'length' => 1000]);
        self::assertSame([], TimedPlanCheck::warnings($slow, $probes, 880e3));
        self::assertSame('disk', TimedPlanCheck::warnings($slow, $probes, 879e3)[0]->code);
    }

    public function test_every_kind_of_probe_is_recorded_as_a_lesson_needs_it(): void
    {
        foreach (ProbeKind::cases() as $kind) {
            $plan = TimedPlan::fromArray(['rate' => $kind->recordedHz(), 'length' => $kind->recordedS()]);
            self::assertSame([], TimedPlanCheck::warnings($plan, [['title' => $kind->value, 'kind' => $kind, 'fastestHz' => 1000.0]]), $kind->value);
        }
        self::assertSame([200.0, 10.0], [ProbeKind::EcgLead->recordedHz(), ProbeKind::EcgLead->recordedS()]);
        self::assertSame([20.0, 15.0], [ProbeKind::GripBulb->recordedHz(), ProbeKind::GripBulb->recordedS()]);
        self::assertSame([20.0, 60.0], [ProbeKind::BreathingBelt->recordedHz(), ProbeKind::BreathingBelt->recordedS()]);
        self::assertSame([10.0, 60.0], [ProbeKind::PressureSensor->recordedHz(), ProbeKind::PressureSensor->recordedS()]);
        self::assertSame([2.0, 600.0], [ProbeKind::Thermometer->recordedHz(), ProbeKind::Thermometer->recordedS()]);
    }

    public function test_a_protocol_of_timed_runs_has_a_time_and_waits_for_what_it_measures(): void
    {
        $protocol = static fn (array $columns, array $plan): array => [
            'title' => 'Air', 'sentence' => 'Of air.', 'roles' => [['role' => 'pressure', 'kind' => 'pressure-sensor', 'name' => 'Pressure']], 'entries' => [], 'lines' => [],
            'columns' => $columns, 'run' => ['kind' => 'timed', 'plan' => $plan],
        ];
        $time = ['symbol' => 't', 'name' => 'Time', 'unit' => 's', 'kind' => 'time'];
        $pressure = ['symbol' => 'p', 'name' => 'Pressure', 'unit' => 'kPa', 'kind' => 'measured', 'role' => 'pressure'];
        self::assertNull(Protocol::of($protocol([$time, $pressure], ['rate' => 10]))->stepLimits());
        self::assertNull(Protocol::of($protocol([$time, $pressure], []))->stepLimits());

        foreach ([
            [[$pressure], ['rate' => 10], 'Its runs are timed, so it needs a column of kind "time".'],
            [[$time, $pressure], ['rate' => 10, 'end' => ['when' => 'steady', 'column' => 't']], 'In the plan: "t" is no measured column, so a run cannot wait for it.'],
            [[$time, $pressure], ['rate' => -1], 'In the plan: The rate must lie between'],
        ] as [$columns, $plan, $sentence]) {
            try {
                Protocol::of($protocol($columns, $plan));
                self::fail('It was taken.');
            } catch (InvalidQuantity $refused) {
                self::assertStringContainsString($sentence, $refused->getMessage());
            }
        }
    }
}

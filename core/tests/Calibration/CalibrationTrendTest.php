<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\CalibrationTrend;
use Welkion\Core\Calibration\KeyFigure;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

final class CalibrationTrendTest extends TestCase
{
    public function test_an_electrode_that_loses_a_tenth_of_a_percent_a_day_is_useless_when_it_reaches_the_limit(): void
    {
        // 95 % falling by 0.1 % a day: 92 % after 30 days, 85 % 70 days later.
        $figures = self::percents(95.0, 94.0, 93.0, 92.0);
        $trend = CalibrationTrend::of([0.0, 10.0, 20.0, 30.0], $figures);

        self::assertNotNull($trend);
        self::assertEqualsWithDelta(-3.0, $trend->perMonth, 1e-9);
        self::assertEqualsWithDelta(70.0, $trend->daysLeft ?? NAN, 1e-6);
        self::assertTrue($trend->isReplacedSoon());
        self::assertSame('Falls about 3.0 % a month: below 85 % in about 10 weeks.', $trend->sentence($figures[3]));
    }

    public function test_a_slow_change_is_told_without_alarm(): void
    {
        $figures = self::percents(99.0, 98.8, 98.6, 98.4);
        $trend = CalibrationTrend::of([0.0, 14.0, 28.0, 42.0], $figures);

        self::assertFalse($trend?->isReplacedSoon());
        self::assertSame('Falls about 0.4 % a month.', $trend?->sentence($figures[3]));
    }

    public function test_what_is_past_the_limit_already_is_told_so(): void
    {
        $figures = self::percents(90.0, 87.0, 84.0);
        $trend = CalibrationTrend::of([0.0, 10.0, 20.0], $figures);

        self::assertSame(0.0, $trend?->daysLeft);
        self::assertSame('Falls about 9.0 % a month, and is below 85 % by now.', $trend?->sentence($figures[2]));
    }

    public function test_a_cell_constant_that_rises_runs_into_its_upper_limit(): void
    {
        $figures = array_map(static fn (float $k): KeyFigure => new KeyFigure(
            'cell constant', Measured::of($k, 0.005, Unit::parse('1/cm')), 0.9, 1.1, 0.8, 1.2,
        ), [1.00, 1.05, 1.10]);
        $trend = CalibrationTrend::of([0.0, 30.0, 60.0], $figures);

        self::assertEqualsWithDelta(60.0, $trend->daysLeft ?? NAN, 1e-6);
        self::assertStringStartsWith('Rises about 0.050 1/cm a month: above 1.2 1/cm in about 9 weeks.', $trend?->sentence($figures[2]) ?? '');
    }

    public function test_says_nothing_of_scatter_of_too_few_or_too_short_a_time(): void
    {
        self::assertNull(CalibrationTrend::of([0.0, 20.0], self::percents(98.0, 90.0)));
        self::assertNull(CalibrationTrend::of([0.0, 1.0, 2.0], self::percents(98.0, 96.0, 94.0)));
        self::assertNull(CalibrationTrend::of([0.0, 10.0, 20.0, 30.0], self::percents(98.0, 97.2, 98.1, 97.6)));
        self::assertNull(CalibrationTrend::of([], []));
    }

    /** @return list<KeyFigure> */
    private static function percents(float ...$values): array
    {
        return array_map(static fn (float $v): KeyFigure => new KeyFigure(
            'of the ideal slope', Measured::of($v, 0.2, Unit::parse('%')), 95.0, 102.0, 85.0,
        ), array_values($values));
    }
}

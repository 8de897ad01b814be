<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\StandardRange;

final class StandardRangeTest extends TestCase
{
    public function test_every_standard_that_a_recipe_begins_with_lies_in_its_range(): void
    {
        foreach (ProbeKind::cases() as $kind) {
            foreach (Recipe::for($kind) as $recipe) {
                foreach ($recipe->standards($kind, $kind->unit()) as $standard) {
                    $range = StandardRange::in($standard->unit);
                    $where = "{$recipe->value}: {$standard->label}";
                    self::assertGreaterThanOrEqual($range->least, $standard->value, $where);
                    self::assertLessThanOrEqual($range->most, $standard->value, $where);
                    self::assertLessThanOrEqual($range->largestUncertainty(), $standard->uncertainty, $where);
                }
            }
        }
    }

    public function test_the_ranges_are_those_of_the_quantities(): void
    {
        self::assertSame([0.0, 14.0, 7.0], [StandardRange::in('pH')->least, StandardRange::in('pH')->most, StandardRange::in('pH')->largestUncertainty()]);
        self::assertSame([-1e6, 1e6, 'V'], [StandardRange::in('V')->least, StandardRange::in('V')->most, StandardRange::in('V')->unit]);
        self::assertSame([0.001, 200.0, 'kg'], [StandardRange::ofWeights()->least, StandardRange::ofWeights()->most, StandardRange::ofWeights()->unit]);
    }

    public function test_a_line_is_usable_when_a_signal_says_something_by_it(): void
    {
        $line = static fn (float $slope, float $offset = 1.0, float $uncertainty = 0.1): CalibrationLine => CalibrationLine::kept($slope, $uncertainty, $offset, 0.1, 0.0, 7.0);

        self::assertTrue($line(-59.16)->isUsable());
        self::assertTrue($line(1e-9, 0.0, 0.0)->isUsable());
        foreach ([$line(0.0), $line(1e-320), $line(INF), $line(NAN), $line(1.0, INF), $line(1.0, 0.0, NAN)] as $broken) {
            self::assertFalse($broken->isUsable());
        }
    }
}

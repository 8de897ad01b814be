<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Uncertainty;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Uncertainty\BetaDistribution;

/** Chances that have a closed form. */
final class BetaDistributionTest extends TestCase
{
    public function test_whole_numbers_give_polynomials(): void
    {
        foreach ([0.01, 0.3, 0.5, 0.77, 0.999] as $x) {
            self::assertEqualsWithDelta($x, BetaDistribution::probabilityBelow($x, 1.0, 1.0), 1e-14);
            self::assertEqualsWithDelta($x ** 3, BetaDistribution::probabilityBelow($x, 3.0, 1.0), 1e-14);
            self::assertEqualsWithDelta(6.0 * $x ** 2 - 8.0 * $x ** 3 + 3.0 * $x ** 4, BetaDistribution::probabilityBelow($x, 2.0, 3.0), 1e-14);
            // The arcsine law.
            self::assertEqualsWithDelta(2.0 / M_PI * asin(sqrt($x)), BetaDistribution::probabilityBelow($x, 0.5, 0.5), 1e-13);
        }
        self::assertSame([0.0, 0.0, 1.0, 1.0], array_map(static fn (float $x): float => BetaDistribution::probabilityBelow($x, 2.0, 3.0), [-0.1, 0.0, 1.0, 1.3]));
    }
}

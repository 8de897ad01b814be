<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Uncertainty;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Uncertainty\Sample;
use Welkion\Core\Uncertainty\Spread;

final class SpreadTest extends TestCase
{
    public function test_it_agrees_with_what_is_summed_exactly(): void
    {
        // Far from zero and close together: 1e9 + sin(i), where plain sums of squares keep no digit.
        foreach ([0.0, 37.0, 1e9] as $offset) {
            $values = array_map(static fn (int $i): float => $offset + sin($i), range(1, 5000));
            [$spread, $sample] = [Spread::of($values), Sample::of($values)];
            self::assertNotNull($spread);
            self::assertSame([$sample->n, $sample->min, $sample->max], [$spread->n, $spread->least, $spread->most]);
            self::assertEqualsWithDelta($sample->mean, $spread->mean, 1e-15 * max(1.0, $offset) * 10.0);
            self::assertEqualsWithDelta($sample->sd, $spread->sd, 1e-9 * $sample->sd);
        }
        // 2, 4, 4, 4, 5, 5, 7, 9: mean 5, sum of squares about it 32.
        $spread = Spread::of([2.0, 4.0, 4.0, 4.0, 5.0, 5.0, 7.0, 9.0]);
        self::assertSame([8, 5.0, 2.0, 9.0], [$spread?->n, $spread?->mean, $spread?->least, $spread?->most]);
        self::assertEqualsWithDelta(sqrt(32.0 / 7.0), $spread?->sd, 1e-15);
    }

    public function test_blanks_and_what_is_set_aside_do_not_count(): void
    {
        $spread = Spread::of([NAN, 3.0, 100.0, 5.0, INF], [2 => 'spilled']);

        self::assertSame([2, 4.0, 3.0, 5.0], [$spread?->n, $spread?->mean, $spread?->least, $spread?->most]);
        self::assertEqualsWithDelta(sqrt(2.0), $spread?->sd, 1e-15);
        self::assertNull(Spread::of([NAN]));
        self::assertNull(Spread::of([]));
        self::assertNan(Spread::of([7.0])?->sd);
        self::assertSame(0.0, Spread::of([7.0, 7.0])?->sd);
    }
}

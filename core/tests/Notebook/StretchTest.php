<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\Stretch;
use Welkion\Core\Notebook\WorkedNotebook;

final class StretchTest extends TestCase
{
    public function test_rows_within_the_ends_count_wherever_they_stand(): void
    {
        $run = Notebooks::run(1, ['t' => [0.0, 1.0, 2.0, 3.0, 4.0], 'p' => [5.0, 1.0, NAN, 2.0, 1.5]]);
        $worked = new WorkedNotebook(Notebooks::of([], array_map(Notebooks::column(...), ['t', 'p']), [], $run));
        $places = static fn (string $symbol, float $from, float $to): array => Stretch::places($worked, 1, $symbol, $from, $to);

        self::assertSame([1, 2, 3], $places('t', 1.0, 3.0));
        self::assertSame([], $places('t', 1.2, 1.8));
        self::assertSame([], $places('t', 9.0, 12.0));
        self::assertSame([1, 3, 4], $places('p', 1.0, 2.0), 'In the order they stand; what is no number lies nowhere.');
        self::assertSame([], $places('gone', 0.0, 9.0));
    }
}

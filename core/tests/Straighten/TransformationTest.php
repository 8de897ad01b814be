<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Straighten;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Straighten\Transformation;

final class TransformationTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<float>, list<float>, string|null}> */
    public static function plots(): iterable
    {
        [$good, $zero, $negative] = [[1.0, 2.0], [0.0, 2.0], [-1.0, 2.0]];
        yield 'any points as they are' => ['x', 'y', $negative, $zero, null];
        yield 'one over nothing' => ['1/x', 'y', $zero, $good, 'x is 0 in some points.'];
        yield 'one over nothing, squared' => ['1/x^2', 'y', $zero, $good, 'x is 0 in some points.'];
        yield 'one over less than nothing' => ['1/x', 'y', $negative, $good, null];
        yield 'a root of less than nothing' => ['sqrt(x)', 'y', $negative, $good, 'x is negative in some points.'];
        yield 'a root of nothing' => ['sqrt(x)', 'y', $zero, $good, null];
        yield 'a logarithm of nothing' => ['ln(x)', 'y', $zero, $good, 'x is 0 or negative in some points.'];
        yield 'a logarithm of y' => ['x', 'ln(y)', $good, $negative, 'y is 0 or negative in some points.'];
        yield 'a logarithm of y that is 0' => ['x', 'ln(y)', $good, $zero, 'y is 0 or negative in some points.'];
        yield 'one over y' => ['x', '1/y', $good, $zero, 'y is 0 in some points.'];
        yield 'one over y that is negative' => ['x', '1/y', $zero, $negative, null];
        yield 'a square that hides a sign' => ['x', 'y^2', $good, $negative, 'y is negative in some points.'];
        yield 'a square of nothing' => ['x', 'y^2', $good, $zero, null];
    }

    /**
     * @param  list<float>  $xs
     * @param  list<float>  $ys
     */
    #[DataProvider('plots')]
    public function test_says_why_points_cannot_be_plotted(string $x, string $y, array $xs, array $ys, ?string $why): void
    {
        $all = array_values(array_filter(Transformation::all(), static fn (Transformation $t): bool => [$t->x, $t->y] === [$x, $y]));

        self::assertNotSame([], $all);
        self::assertSame($why, $all[0]->obstacle($xs, $ys));
    }
}

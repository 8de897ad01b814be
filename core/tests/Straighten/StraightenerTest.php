<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Straighten;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Straighten\Candidate;
use Welkion\Core\Straighten\Straightener;
use Welkion\Core\Tests\Chance;
use Welkion\Core\Tests\Fitting\CurveFitterTest;
use Welkion\Core\Tests\Reference;

final class StraightenerTest extends TestCase
{
    /** @return iterable<string, array{string, Relation}> */
    public static function files(): iterable
    {
        yield from CurveFitterTest::relationFiles();
    }

    #[DataProvider('files')]
    public function test_names_the_relation_of_every_reference_file_first(string $file, Relation $relation): void
    {
        $result = (new Straightener)->straighten(...Reference::columns('relations', $file));

        self::assertSame($relation, $result->best()->relation);
        self::assertFalse($result->best()->bends());
        self::assertGreaterThan(0.98, $result->best()->line->rSquared);
    }

    /** @return iterable<string, array{Relation, array<string, array{float, float}>, bool}> ranges of the constants, and whether errors grow with y */
    public static function relations(): iterable
    {
        yield 'proportional' => [Relation::Proportional, ['a' => [1.0, 10.0]], true];
        yield 'line' => [Relation::Linear, ['a' => [0.5, 3.0], 'b' => [3.0, 8.0]], false];
        yield 'inverse' => [Relation::Inverse, ['a' => [50.0, 100.0]], true];
        yield 'inverse square' => [Relation::InverseSquare, ['a' => [50.0, 200.0]], true];
        yield 'square' => [Relation::Quadratic, ['a' => [0.1, 1.0]], true];
        yield 'square root' => [Relation::SquareRoot, ['a' => [0.2, 1.0]], true];
        yield 'logarithm' => [Relation::Logarithmic, ['a' => [-30.0, -10.0], 'b' => [100.0, 200.0]], false];
        yield 'growth' => [Relation::ExponentialGrowth, ['a' => [1.0, 2.0], 'b' => [0.2, 0.4]], true];
        yield 'decay to a limit' => [Relation::ExponentialDecay, ['a' => [30.0, 50.0], 'b' => [0.2, 0.45], 'c' => [10.0, 20.0]], false];
        yield 'power' => [Relation::Power, ['a' => [0.3, 1.0], 'b' => [2.5, 2.8]], true];
    }

    /** @param  array<string, array{float, float}>  $ranges */
    #[DataProvider('relations')]
    public function test_names_it_first_nearly_always(Relation $relation, array $ranges, bool $isRelative): void
    {
        $chance = new Chance(crc32($relation->value));
        $right = 0;
        for ($i = 0; $i < 20; $i++) {
            $x = array_map(static fn (int $k): float => 1.0 + 9.0 * $k / 11.0, range(0, 11));
            $curve = $relation->curve();
            $heights = $curve->over($x)->at(array_map(static fn (string $n): float => $chance->between(...$ranges[$n]), $curve->constants))[0];
            $range = max($heights) - min($heights);
            $y = array_map(static fn (float $h): float => $h + $chance->normal() * ($isRelative ? 0.018 * $h : 0.006 * $range), $heights);
            $right += (new Straightener)->straighten($x, $y)->best()->relation === $relation ? 1 : 0;
        }

        // Twelve points with 1 to 2 % of noise sometimes speak for a neighbour.
        self::assertGreaterThanOrEqual(18, $right);
    }

    public function test_slope_and_intercept_are_those_of_the_plotted_line(): void
    {
        $x = range(1.0, 12.0);
        $result = (new Straightener)->straighten($x, array_map(static fn (float $v): float => 3.0 * exp(0.25 * $v), $x));
        $growth = array_values(array_filter($result->candidates, static fn (Candidate $c): bool => $c->relation === Relation::ExponentialGrowth))[0];

        self::assertSame(['x', 'ln(y)'], [$growth->x, $growth->y]);
        self::assertEqualsWithDelta(0.25, $growth->slope(), 1e-12);
        self::assertEqualsWithDelta(log(3.0), $growth->intercept(), 1e-12);
    }

    public function test_a_high_r_squared_that_bends_is_not_taken_for_the_answer(): void
    {
        $x = range(5.0, 15.0);
        $result = (new Straightener)->straighten($x, array_map(static fn (float $v): float => 0.2 * $v * $v, $x));
        $line = array_values(array_filter($result->candidates, static fn (Candidate $c): bool => $c->relation === Relation::Linear))[0];

        self::assertGreaterThan(0.97, $line->line->rSquared);
        self::assertTrue($line->bends());
        self::assertSame(Relation::Quadratic, $result->best()->relation);
    }

    public function test_what_cannot_be_plotted_is_skipped_with_its_reason(): void
    {
        $result = (new Straightener)->straighten(range(0.0, 8.0), [-1.0, 0.5, 2.2, 3.4, 5.1, 6.4, 8.1, 9.4, 11.0]);

        self::assertSame('x is 0 in some points.', $result->skipped['inverse']);
        self::assertSame('x is 0 or negative in some points.', $result->skipped['power']);
        self::assertSame('y is 0 or negative in some points.', $result->skipped['exponential_growth']);
        self::assertSame('not-comparable', $result->warnings()[0]->code);
    }

    public function test_too_few_points_are_refused(): void
    {
        $this->expectException(NotEnoughPoints::class);
        $this->expectExceptionMessage('Straightening needs at least 5 points at different places, but there are 3.');

        (new Straightener)->straighten([1.0, 2.0, 3.0, 3.0], [1.0, 2.0, 3.0, 3.1]);
    }
}

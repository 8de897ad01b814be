<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Fitting\ConstantValues;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Ranking;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Fitting\RelationSearch;
use Welkion\Core\Fitting\TriedRelation;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** Exact curves whose relation is known, and what is said of those that do not fit. */
final class RelationsTest extends TestCase
{
    /** @return iterable<string, array{Relation, list<float>, callable(float): float}> */
    public static function known(): iterable
    {
        $few = array_map(floatval(...), range(1, 12));
        $many = array_map(static fn (int $i): float => $i / 8.0, range(0, 99));
        yield 'proportional' => [Relation::Proportional, $few, static fn (float $x): float => 2.5 * $x];
        yield 'line' => [Relation::Linear, $few, static fn (float $x): float => 2.5 * $x - 4.0];
        yield 'square' => [Relation::Quadratic, $few, static fn (float $x): float => 4.9 * $x ** 2];
        yield 'inverse' => [Relation::Inverse, $few, static fn (float $x): float => 100.0 / $x];
        yield 'inverse with an added part' => [Relation::InverseOffset, $few, static fn (float $x): float => 100.0 / $x + 30.0];
        yield 'decay' => [Relation::ExponentialDecay, $few, static fn (float $x): float => 60.0 * exp(-0.3 * $x) + 20.0];
        yield 'saturation' => [Relation::MichaelisMenten, $few, static fn (float $x): float => 9.0 * $x / (2.0 + $x)];
        yield 'sine' => [Relation::Sine, $many, static fn (float $x): float => 3.0 * sin(2.0 * M_PI * $x / 4.0 + 0.5) + 1.0];
        yield 'peak' => [Relation::GaussianOnLine, $many, static fn (float $x): float => 5.0 * exp(-0.5 * (($x - 6.0) / 0.8) ** 2) + 0.1 * $x + 1.0];
    }

    /**
     * @param  list<float>  $x
     * @param  callable(float): float  $curve
     */
    #[DataProvider('known')]
    public function test_the_relation_points_come_from_is_offered_first(Relation $relation, array $x, callable $curve): void
    {
        $y = array_map($curve, $x);
        $tried = (new RelationSearch)->among(self::column('x', '', $x), self::column('y', '', $y));

        self::assertSame($relation, $tried[0]->relation);
        self::assertCount(count(Relation::cases()), $tried);
        self::assertNotNull($tried[0]->fit);
        self::assertSame('no pattern is left over', $tried[0]->verdict($tried[0]->fit, $y));
        foreach ($tried as $one) {
            self::assertNotSame('', $one->fit === null ? $one->reason : 'fitted', "{$one->relation->value} says why it could not be fitted.");
        }
    }

    public function test_what_differs_by_an_added_part_alone_comes_next_if_it_is_about_as_good(): void
    {
        $x = array_map(floatval(...), range(1, 8));
        $names = static fn (float $added): array => array_slice(array_map(static fn (TriedRelation $t): string => $t->relation->value, (new RelationSearch)->among(
            self::column('x', '', $x), self::column('y', '', array_map(static fn (float $at, int $i): float => 2.0 * $at + $added + 0.05 * [1, -1, -1, 1, 1, -1, 0, 0][$i], $x, array_keys($x))))), 0, 2);

        self::assertSame(['proportional', 'linear'], $names(0.0));
        self::assertSame('linear', $names(3.0)[0]);
        self::assertNotSame('proportional', $names(3.0)[1]);
    }

    public function test_what_leaves_more_over_or_bends_is_told_so(): void
    {
        $x = array_map(floatval(...), range(1, 12));
        $y = array_map(static fn (float $at): float => 100.0 / $at, $x);
        $tried = array_column(array_map(static fn (TriedRelation $t): array => [$t->relation->value, $t], (new RelationSearch)->among(self::column('x', '', $x), self::column('y', '', $y))), 1, 0);
        $best = $tried['inverse']->fit;
        self::assertNotNull($best);
        self::assertSame('what is left over still bends', $tried['linear']->verdict($best, $y));

        // Of six points a pattern cannot be shown, that ten times as much is left over can.
        $some = [[1.0, 2.0, 3.0, 4.0, 5.0, 6.0], [1.01, 1.99, 3.01, 3.99, 5.01, 5.99]];
        $line = (new CurveFitter)->fit(Relation::Linear->curve(), ...$some);
        $worse = (new CurveFitter)->fit(Relation::Linear->curve(), $some[0], array_map(static fn (float $v, int $i): float => $v + 0.05 * [1, -1, -1, 1, 1, -1][$i], $some[1], array_keys($some[1])));
        self::assertMatchesRegularExpression('/^leaves [4-9](\.\d)? times as much over$/', (new TriedRelation(Relation::Linear, $worse))->verdict($line, $some[1]));
        self::assertSame('no pattern is left over', (new TriedRelation(Relation::Linear, $line))->verdict($worse, $some[1]));
        self::assertSame('not fitted', (new TriedRelation(Relation::Sine, null, 'why'))->verdict($line, $some[1]));
    }

    public function test_what_cannot_be_meant_says_why(): void
    {
        $x = array_map(floatval(...), range(0, 9));
        $reasons = [];
        $inKelvin = [];
        foreach ((new RelationSearch)->among(self::column('t', 'min', $x), self::column('T', 'degC', array_map(static fn (float $t): float => 20.0 + 3.0 * $t, $x))) as $tried) {
            $reasons[$tried->relation->value] = $tried->reason;
            $inKelvin[$tried->relation->value] = $tried->inKelvin;
        }
        self::assertSame(['', 'y is in °C, which does not start at zero; this needs kelvin.', 'x is 0 or negative in some points.', 'x is 0 in some points.'],
            [$reasons['linear'], $reasons['proportional'], $reasons['logarithmic'], $reasons['inverse_offset']]);
        self::assertSame([null, 'y', null], [$inKelvin['linear'], $inKelvin['proportional'], $inKelvin['logarithmic']]);

        self::assertNotSame('x is 0 in some points.', $reasons['logistic']);
        self::assertStringNotContainsString('x is', $reasons['damped_oscillation'], 'A swing may well be told at 0.');

        $cold = (new RelationSearch)->among(self::column('T', 'degC', [1.0, 2.0, 3.0]), self::column('V', 'mL', [1.0, 2.1, 2.9]));
        $why = array_column(array_map(static fn (TriedRelation $t): array => [$t->relation->value, $t->reason], $cold), 1, 0);
        self::assertSame('x is in °C, which does not start at zero; this needs kelvin.', $why['power']);
        self::assertSame('It has 3 constants; so few points cannot tell them.', $why['parabola']);
        self::assertSame('', $why['linear']);

        $this->expectException(NotEnoughPoints::class);
        $this->expectExceptionMessage('A relation needs at least 3 points');
        (new RelationSearch)->among(self::column('x', '', [1.0, 1.0, 2.0]), self::column('y', '', [1.0, 2.0, 3.0]));
    }

    public function test_of_about_equally_good_curves_the_simplest_is_put_first_and_the_others_keep_their_order(): void
    {
        self::assertSame([2, 0, 1, 3], Ranking::simplestOfTheBest([[-50.0, 3], [-48.0, 2], [-47.0, 1], [-20.0, 1]]));
        self::assertSame([0, 1], Ranking::simplestOfTheBest([[-50.0, 3], [-45.9, 1]]), 'A difference of more than four counts.');
        self::assertSame([1, 0], Ranking::simplestOfTheBest([[-50.0, 3], [-46.0, 1]]));
        self::assertSame([1, 0, 2], Ranking::simplestOfTheBest([[INF, 3], [INF, 1], [INF, 2]]), 'Without a criterion all are alike.');
    }

    public function test_each_pair_that_differs_by_an_added_part_leads_to_and_fro(): void
    {
        foreach (Relation::cases() as $relation) {
            $sibling = $relation->sibling();
            self::assertSame($sibling === null, $relation->toSibling() === '');
            self::assertSame($sibling === null, $relation->withHeight() === null);
            if ($sibling !== null) {
                self::assertSame($relation, $sibling->sibling());
                self::assertSame($relation->withHeight(), $sibling->withHeight());
                self::assertSame(1, abs(count($relation->curve()->constants) - count($sibling->curve()->constants)));
            }
            self::assertNotSame('', $relation->title());
        }
        self::assertCount(count(Relation::cases()), array_unique(array_map(static fn (Relation $r): string => $r->title(), Relation::cases())));
        self::assertSame('t is inversely proportional to q.', Relation::Inverse->meaningOf('q', 't'));
        self::assertSame('The square of T changes evenly with t.', Relation::RootOfLine->meaningOf('t', 'T'));
    }

    public function test_values_of_constants_are_read_as_people_write_them(): void
    {
        self::assertSame(['a' => 1.5, 'k' => -0.002, 'b' => 0.0], ConstantValues::parse(' a = 1,5; k=-2e-3 ;b = 0;'));
        self::assertSame(['b' => -3.0], ConstantValues::parse('b = −3'));
        self::assertSame([], ConstantValues::parse('  '));
        foreach (['b', 'b = ', '= 3', 'b = three', 'b = 1e999'] as $bad) {
            try {
                ConstantValues::parse("a = 1; {$bad}");
                self::fail("\"{$bad}\" was read.");
            } catch (InvalidQuantity $why) {
                self::assertSame('"'.trim($bad).'" is no value of a constant. Write it as "b = 0", several with a semicolon between them.', $why->getMessage());
            }
        }
    }

    /** @param  list<float>  $values */
    private static function column(string $name, string $unit, array $values): ColumnInput
    {
        return new ColumnInput($name, Unit::parse($unit), $values);
    }
}

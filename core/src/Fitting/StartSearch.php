<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Linear\PlainLeastSquares;

/**
 * Starting values for a fit: constants that act linearly are solved for, the others are tried on a grid that
 * suits the extent of the data.
 *
 * @internal used by CurveFitter alone
 */
final readonly class StartSearch
{
    /** More points than this add nothing to a guess. */
    private const POINTS = 240;

    /** Tried combinations at most; beyond, grids are thinned. */
    private const COMBINATIONS = 4000;

    /** Guesses handed on to the fit: the best on a grid is not always the one in the right valley. */
    private const KEPT = 3;

    private FormulaModel $model;

    /** @var list<float> */
    private array $x;

    /** @var list<float> */
    private array $y;

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    public function __construct(private Curve $curve, array $x, array $y)
    {
        $every = max(1, intdiv(count($x), self::POINTS));
        $this->x = Thinning::every($x, $every);
        $this->y = Thinning::every($y, $every);
        $this->model = $curve->over($this->x);
    }

    /**
     * The constants that act linearly, solved for the given values of the others.
     *
     * @param  array<string, float>  $given  a value for every constant
     * @return array{list<float>, float}|null all constants and the sum of squares left; null if there is no solution
     */
    public function solved(array $given): ?array
    {
        $part = $this->linearPart($given);
        if ($part === null) {
            return null;
        }
        [$constants, $columns, $rest] = $part;
        if ($columns === []) {
            return [$constants, array_sum(array_map(static fn (float $value): float => $value * $value, $rest))];
        }
        $solution = PlainLeastSquares::solve(array_values($columns), $rest);
        if ($solution === null) {
            return null;
        }
        foreach (array_keys($columns) as $place => $k) {
            $constants[$k] = $solution[0][$place];
        }

        return [array_values($constants), $solution[1]];
    }

    /** Whether the curve has values, but different sets of constants give the same ones: where no start is found, that is why. */
    public function isOpen(): bool
    {
        foreach ($this->combinations($this->grids()) as $given) {
            $part = $this->linearPart($given);
            if ($part !== null && $part[1] !== [] && PlainLeastSquares::solve(array_values($part[1]), $part[2]) === null) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array<string, float>  $given
     * @return array{list<float>, array<int, list<float>>, list<float>}|null the constants with those that act linearly at 0, the slopes by
     *                                                                       those, and what is left of y; null where the curve has no value
     */
    private function linearPart(array $given): ?array
    {
        $constants = [];
        foreach ($this->curve->constants as $name) {
            $constants[] = in_array($name, $this->curve->linear, true) ? 0.0 : $given[$name] ?? 1.0;
        }
        [$ground, $slopes] = $this->model->at($constants);
        $columns = array_filter($slopes, fn (int $k): bool => in_array($this->curve->constants[$k], $this->curve->linear, true), ARRAY_FILTER_USE_KEY);
        $rest = $this->y;
        foreach ($ground as $i => $value) {
            $rest[$i] -= $value;
        }
        $rest = array_values($rest);
        $finite = array_sum(array_map(array_sum(...), $columns)) + array_sum($rest);

        return ! is_finite($finite) || count($columns) > count($rest) ? null : [$constants, $columns, $rest];
    }

    /** @return list<list<float>> a few sets of starting values, the best first */
    public function best(): array
    {
        if ($this->is(Relation::Sine) || $this->is(Relation::DampedOscillation)) {
            return $this->free(PeriodSearch::starts($this->x, $this->y, $this->is(Relation::DampedOscillation), self::KEPT));
        }
        if ($this->is(Relation::InverseOfLine) || $this->is(Relation::RootOfLine)) {
            return $this->free($this->fromStraightened($this->is(Relation::RootOfLine)));
        }
        $found = [];
        foreach ($this->combinations($this->grids()) as $given) {
            $solved = $this->solved($given);
            if ($solved !== null) {
                $found[] = $solved;
            }
        }
        usort($found, static fn (array $a, array $b): int => $a[1] <=> $b[1]);

        return array_map(static fn (array $one): array => $one[0], array_slice($found, 0, self::KEPT));
    }

    /**
     * Starts of a relation without the constants that are held.
     *
     * @param  list<list<float>>  $starts  each with all constants of the relation
     * @return list<list<float>>
     */
    private function free(array $starts): array
    {
        $all = Relation::from($this->curve->name)->curve()->constants;
        $isFree = fn (int $place): bool => in_array($all[$place], $this->curve->constants, true);

        return array_map(static fn (array $start): array => array_values(array_filter($start, $isFree, ARRAY_FILTER_USE_KEY)), $starts);
    }

    /** @return array<string, list<float>> values worth trying, by constant that is not linear */
    private function grids(): array
    {
        $free = array_values(array_diff($this->curve->constants, $this->curve->linear));

        return array_combine($free, array_map($this->grid(...), $free));
    }

    /** @return list<list<float>> the line of y^2, or of 1/y, against x */
    private function fromStraightened(bool $isRoot): array
    {
        $straight = array_map(static fn (float $v): float => $isRoot ? $v * $v : ($v === 0.0 ? INF : 1.0 / $v), $this->y);
        $solution = is_finite(array_sum($straight))
            ? PlainLeastSquares::solve([$this->x, array_fill(0, count($this->x), 1.0)], $straight) : null;

        return $solution === null ? [] : [$solution[0]];
    }

    /** @return list<float> values worth trying for a constant, from its part in the relation */
    private function grid(string $name): array
    {
        $low = min(INF, ...$this->x);
        $high = max(-INF, ...$this->x);
        $range = $high - $low ?: 1.0;
        $rates = self::scaled(1.0 / $range, [0.1, 0.3, 1.0, 2.0, 4.0, 8.0, 16.0, 50.0]);

        return match (true) {
            $this->is(Relation::Power) => [-3.0, -2.0, -1.5, -1.0, -0.5, 0.5, 1.0, 1.5, 2.0, 3.0],
            $this->is(Relation::ExponentialGrowth), $this->is(Relation::ExponentialDecay) => self::bothSigns($rates),
            $this->is(Relation::MichaelisMenten) => self::scaled(abs($high) ?: 1.0, [0.01, 0.03, 0.1, 0.3, 1.0, 3.0, 10.0]),
            $this->is(Relation::GaussianOnLine), $this->is(Relation::Logistic) => match ($name) {
                'm' => array_map(static fn (int $i): float => $low + $range * $i / 20.0, range(-2, 22)),
                's' => self::scaled($range, [0.01, 0.02, 0.04, 0.08, 0.16, 0.32]),
                default => self::bothSigns(self::scaled(1.0 / $range, [2.0, 5.0, 10.0, 20.0, 50.0])),
            },
            default => [...self::bothSigns($rates), 0.5, 1.0, 2.0, -1.0, ...self::scaled($range, [0.05, 0.2, 1.0]), $low + $range / 4.0, $low + $range / 2.0, $low + 0.75 * $range],
        };
    }

    /**
     * @param  list<float>  $factors
     * @return list<float>
     */
    private static function scaled(float $unit, array $factors): array
    {
        return array_map(static fn (float $factor): float => $factor * $unit, $factors);
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function bothSigns(array $values): array
    {
        return [...$values, ...array_map(static fn (float $value): float => -$value, $values)];
    }

    private function is(Relation $relation): bool
    {
        return $this->curve->name === $relation->value;
    }

    /**
     * @param  array<string, list<float>>  $grids
     * @return iterable<array<string, float>>
     */
    private function combinations(array $grids): iterable
    {
        $total = array_product(array_map(count(...), $grids));
        // An even stride through all combinations still touches every part of every grid.
        $stride = max(1, (int) ceil($total / self::COMBINATIONS));
        while ($stride > 1 && array_filter($grids, static fn (array $g): bool => count($g) % $stride === 0) !== []) {
            $stride++;
        }
        for ($i = 0; $i < $total; $i += $stride) {
            $given = [];
            $rest = $i;
            foreach ($grids as $name => $grid) {
                $given[$name] = $grid[$rest % count($grid)];
                $rest = intdiv($rest, count($grid));
            }
            yield $given;
        }
    }
}

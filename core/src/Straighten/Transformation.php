<?php

declare(strict_types=1);

namespace Welkion\Core\Straighten;

use Welkion\Core\Fitting\Fit;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Units\Unit;

/**
 * What to plot against what, so that a relation becomes a straight line.
 *
 * @internal used by Straightener alone
 */
final readonly class Transformation
{
    /** Whose curve may be shifted up and down, so that the zero of y does not matter. */
    private const WITH_HEIGHT = [Relation::Linear, Relation::Logarithmic, Relation::ExponentialDecay];

    private function __construct(public Relation $relation, public string $x, public string $y)
    {
    }

    /** @return list<self> */
    public static function all(): array
    {
        return [
            new self(Relation::Proportional, 'x', 'y'),
            new self(Relation::Linear, 'x', 'y'),
            new self(Relation::Inverse, '1/x', 'y'),
            new self(Relation::InverseSquare, '1/x^2', 'y'),
            new self(Relation::Quadratic, 'x^2', 'y'),
            new self(Relation::SquareRoot, 'sqrt(x)', 'y'),
            new self(Relation::Logarithmic, 'ln(x)', 'y'),
            new self(Relation::ExponentialGrowth, 'x', 'ln(y)'),
            new self(Relation::ExponentialDecay, 'x', 'ln(y - c)'),
            new self(Relation::Power, 'ln(x)', 'ln(y)'),
            new self(Relation::InverseOfLine, 'x', '1/y'),
            new self(Relation::RootOfLine, 'x', 'y^2'),
        ];
    }

    /** Why it means nothing for values in these units; null if it does. A distance from a limit is a difference, which always means something. */
    public function needsZero(?Unit $xUnit, ?Unit $yUnit): ?string
    {
        $isMeant = static fn (?Unit $unit, bool $isPlain): bool => $isPlain || $unit === null || $unit->startsAtZero();
        $isLine = $this->relation !== Relation::Proportional;

        return match (true) {
            ! $isMeant($xUnit, $this->x === 'x' && $isLine) => self::needsKelvin('x', $xUnit),
            ! $isMeant($yUnit, $this->y === 'ln(y - c)' || ($this->y === 'y' && in_array($this->relation, self::WITH_HEIGHT, true))) => self::needsKelvin('y', $yUnit),
            default => null,
        };
    }

    private static function needsKelvin(string $which, ?Unit $unit): string
    {
        return "{$which} is in ".($unit->symbol ?? '').', which does not start at zero; '.Straightener::NEEDS_KELVIN;
    }

    /**
     * Why this cannot be plotted; null if it can.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    public function obstacle(array $x, array $y): ?string
    {
        $lowX = min(INF, ...$x);
        $lowY = min(INF, ...$y);

        return match (true) {
            str_starts_with($this->x, '1/') && min(INF, ...array_map(abs(...), $x)) === 0.0 => 'x is 0 in some points.',
            $this->x === 'sqrt(x)' && $lowX < 0.0 => 'x is negative in some points.',
            $this->x === 'ln(x)' && $lowX <= 0.0 => 'x is 0 or negative in some points.',
            $this->y === 'ln(y)' && $lowY <= 0.0 => 'y is 0 or negative in some points.',
            $this->y === '1/y' && min(INF, ...array_map(abs(...), $y)) === 0.0 => 'y is 0 in some points.',
            $this->y === 'y^2' && $lowY < 0.0 => 'y is negative in some points.',
            default => null,
        };
    }

    /**
     * The points in this plot; one that noise carried beyond a limit has no place in it and is left out.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @return array{list<float>, list<float>}
     */
    public function plotted(array $x, array $y, Fit $fit): array
    {
        $limit = $fit->constant('c')->value ?? 0.0;
        $side = ($fit->constant('a')->value ?? 1.0) < 0.0 ? -1.0 : 1.0;
        $plottedX = [];
        $plottedY = [];
        foreach ($x as $i => $at) {
            $height = match ($this->y) {
                'ln(y)' => log($y[$i]),
                'ln(y - c)' => log($side * ($y[$i] - $limit)),
                '1/y' => 1.0 / $y[$i],
                'y^2' => $y[$i] ** 2,
                default => $y[$i],
            };
            if (is_finite($height)) {
                $plottedX[] = match ($this->x) {
                    '1/x' => 1.0 / $at,
                    '1/x^2' => 1.0 / $at ** 2,
                    'x^2' => $at ** 2,
                    'sqrt(x)' => sqrt($at),
                    'ln(x)' => log($at),
                    default => $at,
                };
                $plottedY[] = $height;
            }
        }

        return [$plottedX, $plottedY];
    }
}

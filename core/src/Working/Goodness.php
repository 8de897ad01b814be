<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Uncertainty\Measured;

/** How well a curve describes the points it was laid through; R² never stands without n and what is left over. */
final readonly class Goodness
{
    /** Fewer points than this cannot show a pattern. */
    private const FEW = 5;

    /**
     * @param  int  $n  points
     * @param  int  $degreesOfFreedom  points less constants
     * @param  float|null  $rSquared  null where y does not scatter
     * @param  Measured  $rmse  root of the mean squared residual
     * @param  array<string, array{float, float}>  $intervals  95 % interval of each value that was fitted, by its name; in its unit
     * @param  bool  $bends  whether what is left over shows a pattern
     * @param  list<float>  $x  where what is left over is told: of many points some
     * @param  list<float>  $residuals  y less the curve there
     * @param  list<array{float, float}>  $far  x and y of points that lie further from the curve than chance lets expect
     * @param  string  $origin  whether the curve goes through the origin, in words; empty where that is no question
     */
    public function __construct(
        public int $n,
        public int $degreesOfFreedom,
        public ?float $rSquared,
        public Measured $rmse,
        public array $intervals,
        public bool $bends,
        public array $x,
        public array $residuals,
        public array $far = [],
        public string $origin = '',
    ) {
    }

    /**
     * The same where values are told by other names, in other units.
     *
     * @param  array<string, array{string, float}>  $names  name and factor of the unit, by the name it has
     */
    public function renamed(array $names): self
    {
        $intervals = [];
        foreach ($this->intervals as $name => [$low, $high]) {
            [$as, $factor] = $names[$name] ?? [$name, 1.0];
            $intervals[$as] = [$low * $factor, $high * $factor];
        }

        return new self($this->n, $this->degreesOfFreedom, $this->rSquared, $this->rmse, $intervals, $this->bends, $this->x, $this->residuals, $this->far, $this->origin);
    }

    /** What the residuals say of the curve, in few words. */
    public function verdict(): string
    {
        return match (true) {
            $this->degreesOfFreedom < 1 => 'goes through every point, which says nothing',
            $this->bends => 'what is left over still bends',
            $this->n < self::FEW => 'too few points to show a pattern',
            default => 'no pattern is left over',
        };
    }
}

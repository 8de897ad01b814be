<?php

declare(strict_types=1);

namespace Welkion\Core\Straighten;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Fitting\FittedConstant;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** A way to plot two columns, told in their symbols and units. */
final readonly class Way
{
    /** From here on R² looks good to most people. */
    private const LOOKS_GOOD = 0.95;

    /** Of seven points the scatter is known to a third: twice as much is no luck. */
    private const MUCH_MORE = 2.0;

    /** Whose plotted line goes through the origin if the relation is what it is taken for. */
    private const THROUGH_ORIGIN = [Relation::Inverse, Relation::InverseSquare, Relation::Quadratic, Relation::SquareRoot, Relation::Linear];

    /**
     * @param  string  $xFormula  of what is plotted along x, in its symbol: "1/q"; the symbol itself where nothing is done to it
     * @param  string  $yFormula  the same for y; it may hold the symbol LIMIT
     * @param  Measured  $slope  of the plotted line
     * @param  Measured|null  $intercept  null for a line through the origin
     * @param  Measured|null  $limit  what y goes to, where its distance from that is plotted
     * @param  float  $moreLeft  how many times as much of y its relation leaves over as that of the best way
     */
    private function __construct(
        public Candidate $candidate,
        public string $xFormula,
        public string $yFormula,
        public Measured $slope,
        public ?Measured $intercept,
        public ?Measured $limit,
        private string $x,
        private string $y,
        private float $moreLeft,
    ) {
    }

    /** Stands in a formula for what y goes to. */
    public const LIMIT = 'limit';

    /** @throws CoreException If its units cannot be worked out. */
    public static function of(Candidate $candidate, Candidate $best, ColumnInput $x, ColumnInput $y): self
    {
        [$xUnit, $yUnit] = [self::unit($candidate->x, $x->unit), self::unit($candidate->y, $y->unit)];
        $measured = static fn (FittedConstant $c, Unit $unit): Measured => Measured::of($c->value, is_finite($c->standardError) ? $c->standardError : 0.0, $unit);
        [$a, $b] = [$candidate->line->constant('a'), $candidate->line->constant('b')];
        $limit = $candidate->y === 'ln(y - c)' ? $candidate->fit->constant('c') : null;

        return new self(
            $candidate, Relation::about($candidate->x, $x->name, $y->name), preg_replace('/\bc\b/', self::LIMIT, Relation::about($candidate->y, $x->name, $y->name)) ?? '',
            $measured($a ?? throw new \LogicException('A line has a slope.'), $yUnit->difference()->per($xUnit->difference()))->in($yUnit->difference()->per($xUnit->difference())->simplified()),
            $b === null ? null : $measured($b, $yUnit), $limit === null ? null : $measured($limit, $y->unit), $x->name, $y->name, $candidate->fit->timesLeft($best->fit, $y->values),
        );
    }

    /** What is drawn against what: "ln t against 1/q". */
    public function title(): string
    {
        return $this->yName().' against '.$this->xName();
    }

    /** "1/q" */
    public function xName(): string
    {
        return self::written($this->xFormula);
    }

    /** "ln(T − limit)" */
    public function yName(): string
    {
        return self::written($this->yFormula);
    }

    /** What the points do about the line, in few words. */
    public function verdict(): string
    {
        if (! $this->candidate->bends()) {
            // Few points cannot show that they bend; that another way leaves much less over they can.
            return $this->moreLeft > self::MUCH_MORE ? 'leaves more over than the best way' : 'straight';
        }
        if ($this->candidate->line->rSquared >= self::LOOKS_GOOD) {
            return 'bends, though R² looks good';
        }

        return $this->doEndsLieAbove() ? 'bends: the ends lie above' : 'bends: the ends lie below';
    }

    /** What it means that this is straight, with its constant. */
    public function meaning(): string
    {
        return $this->candidate->relation->meaningOf($this->x, $this->y);
    }

    /** "The constant is 100.6 ± 0.4 L." */
    public function constant(): string
    {
        $what = match ($this->candidate->relation) {
            Relation::Power => 'power',
            Relation::ExponentialGrowth, Relation::ExponentialDecay => 'slope of the logarithm',
            Relation::Proportional, Relation::Inverse, Relation::InverseSquare, Relation::Quadratic, Relation::SquareRoot => 'constant',
            default => 'slope',
        };

        return "The {$what} is ".Digits::told($this->slope).'.'.($this->limit === null ? '' : " It goes to {$this->y} = ".Digits::told($this->limit).'.');
    }

    /** Whether the line goes through the origin; nothing where that has no meaning. */
    public function origin(): string
    {
        if ($this->intercept === null) {
            return 'The line is drawn through the origin.';
        }
        if (! in_array($this->candidate->relation, self::THROUGH_ORIGIN, true)) {
            return '';
        }
        [$low, $high] = $this->candidate->line->constant('b')?->interval() ?? [NAN, NAN];
        $told = Digits::told($this->intercept);

        return $low <= 0.0 && $high >= 0.0 ? "The line goes through the origin within its ± (intercept {$told})." : "The line does not go through the origin (intercept {$told}).";
    }

    /** What a line leaves over has no part in x; its part in x² tells which way it bends. */
    private function doEndsLieAbove(): bool
    {
        return array_sum(array_map(static fn (float $at, float $left): float => $left * $at ** 2, $this->candidate->plottedX, $this->candidate->line->residuals)) > 0.0;
    }

    private static function unit(string $formula, Unit $unit): Unit
    {
        return match ($formula) {
            'x', 'y' => $unit,
            '1/x', '1/y' => $unit->toPower(-1.0),
            '1/x^2' => $unit->toPower(-2.0),
            'x^2', 'y^2' => $unit->toPower(2.0),
            'sqrt(x)' => $unit->toPower(0.5),
            default => Unit::one(),
        };
    }

    private static function written(string $formula): string
    {
        return strtr(preg_replace('/^(ln|sqrt)\((\S+)\)$/', '$1 $2', $formula) ?? $formula, ['sqrt ' => '√', '^2' => '²', ' - ' => ' − ']);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Formula\Differentiator;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\FormulaError;
use Welkion\Core\Formula\Node\Number;
use Welkion\Core\Formula\PhysicalConstants;
use Welkion\Core\Formula\Tree;

/** A formula in x with free constants, to be fitted. */
final readonly class Curve
{
    public const VARIABLE = 'x';

    /**
     * @param  list<string>  $constants
     * @param  list<string>  $linear  constants the height of the curve is proportional to: given the others, plain
     *                                least squares finds them
     * @param  array<string, float>  $held  constants that are not free, by name
     */
    private function __construct(
        public string $name,
        public Formula $formula,
        public array $constants,
        public array $linear,
        private FormulaModel $model,
        public array $held = [],
    ) {
    }

    /**
     * A typed formula; every name in it but x and the constants of nature is free.
     *
     * @param  list<string>  $free  names that are free even if nature has a constant called so
     *
     * @throws FormulaError If the formula cannot be read or differentiated, or has nothing to fit.
     */
    public static function typed(string $text, array $free = [], string $name = 'typed'): self
    {
        $formula = Formula::parse($text);
        $constants = array_values(array_filter($formula->symbols(), static fn (string $symbol): bool => $symbol !== self::VARIABLE
            && (in_array($symbol, $free, true) || PhysicalConstants::find($symbol) === null)));
        if ($constants === []) {
            throw FormulaError::at(1, 'this formula has no free constant to fit. Write one like a*x + b.');
        }
        foreach ($free as $given) {
            if (! in_array($given, $constants, true)) {
                throw FormulaError::at(1, "\"{$given}\" has a starting value but does not stand in the formula.");
            }
        }

        return new self($name, $formula, $constants, self::linear($formula, $constants), FormulaModel::of($formula, $constants));
    }

    /**
     * The same curve where some of its constants are known.
     *
     * @param  array<string, float>  $values  by constant
     *
     * @throws InvalidQuantity If one is no constant of this curve, or none is left to fit.
     */
    public function holding(array $values): self
    {
        foreach (array_keys($values) as $name) {
            in_array($name, $this->constants, true) || throw new InvalidQuantity("\"{$name}\" is no free constant of {$this->formula->text}. They are: ".implode(', ', $this->constants).'.');
        }
        $free = array_values(array_diff($this->constants, array_keys($values)));
        if ($free === []) {
            throw new InvalidQuantity("All constants of {$this->formula->text} are held. Leave one of them free.");
        }

        return new self($this->name, $this->formula, $free, self::linear($this->formula, $free), FormulaModel::of($this->formula, $free, $values), $values);
    }

    /**
     * Where a curve through points is drawn: evenly from the first of them to the last.
     *
     * @param  list<float>  $x  at least one
     * @return list<float> one more than there are steps
     */
    public static function places(array $x, int $steps): array
    {
        [$from, $to] = [min([INF, ...$x]), max([-INF, ...$x])];

        return array_map(static fn (int $i): float => $from + ($to - $from) * $i / $steps, range(0, $steps));
    }

    /** @param  list<float>  $x */
    public function over(array $x): FormulaModel
    {
        return $this->model->over($x);
    }

    /** Whether this constant is simply added: then it has the zero of y, as an intercept in °C has. */
    public function isAdded(string $constant): bool
    {
        $slope = Differentiator::derivative($this->formula->tree, $constant);

        return $slope instanceof Number && $slope->is(1.0);
    }

    /**
     * @param  list<string>  $constants
     * @return list<string>
     */
    private static function linear(Formula $formula, array $constants): array
    {
        $linear = [];
        foreach ($constants as $candidate) {
            $set = [...$linear, $candidate];
            $fits = true;
            foreach ($set as $constant) {
                $slope = Differentiator::derivative($formula->tree, $constant);
                $fits = $fits && array_intersect($set, Tree::symbols($slope)) === [];
            }
            if ($fits) {
                $linear[] = $candidate;
            }
        }

        return $linear;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Formula\Differentiator;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\FormulaError;
use Welkion\Core\Formula\PhysicalConstants;
use Welkion\Core\Formula\Program;

/** A curve given by a formula in x and its constants, with derivatives found by differentiating the formula. */
final readonly class FormulaModel implements Model
{
    /**
     * @param  list<string>  $names  of the constants
     * @param  array<string, float>  $nature  constants of nature in the formula, and those that are held
     * @param  list<float>  $x
     */
    private function __construct(private Program $program, public array $names, private array $nature, private array $x)
    {
    }

    /**
     * @param  list<string>  $names  of the free constants; every other name but x and those held must be a constant of nature
     * @param  array<string, float>  $held  constants that are known
     *
     * @throws FormulaError If the formula cannot be differentiated.
     */
    public static function of(Formula $formula, array $names, array $held = []): self
    {
        $trees = [$formula->tree];
        foreach ($names as $name) {
            $trees[] = Differentiator::derivative($formula->tree, $name);
        }

        $nature = [];
        foreach (array_diff($formula->symbols(), $names) as $symbol) {
            $nature[$symbol] = $held[$symbol] ?? PhysicalConstants::find($symbol)[0] ?? NAN;
        }

        return new self(new Program($trees), $names, $nature, []);
    }

    /** {@inheritDoc} */
    public function at(array $constants): array
    {
        $values = [Curve::VARIABLE => $this->x] + array_combine($this->names, $constants) + $this->nature;
        $columns = [];
        foreach ($this->program->run($values) as $result) {
            $columns[] = is_float($result) ? array_fill(0, count($this->x), $result) : $result;
        }

        return [$columns[0], array_slice($columns, 1)];
    }

    /**
     * The same curve at other places.
     *
     * @param  list<float>  $x
     */
    public function over(array $x): self
    {
        return new self($this->program, $this->names, $this->nature, $x);
    }

    /** {@inheritDoc} */
    public function thinned(int $every): self
    {
        return $this->over(Thinning::every($this->x, $every));
    }
}

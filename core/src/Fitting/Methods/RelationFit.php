<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting\Methods;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\MissingInput;
use Welkion\Core\Fitting\ConstantValues;
use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Fit;
use Welkion\Core\Fitting\FitGoodness;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\Typeset;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\NamesItsOutcomes;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** A named relation, or a typed formula with free constants, through points. */
final readonly class RelationFit implements Method, NamesItsOutcomes
{
    /** Of a curve that swings many times each swing is still seen. */
    private const DRAWN_POINTS = 240;

    public function declaration(): Declaration
    {
        return new Declaration(
            'relation', 'Relation', 'Fits a curve through the points and gives its constants.',
            'Least squares; curves that are not linear in their constants by a trust-region search (Moré, Lecture Notes in Mathematics 630, 1978).',
            [
                Slot::column('x', 'x'), Slot::column('y', 'y'),
                Slot::text('relation', 'Which relation', array_column(Relation::cases(), 'value'), default: ''),
                Slot::maybe('formula', 'or a formula in x with free constants'),
                Slot::maybe('held', 'Constants that are known, as b = 0'),
                Slot::maybe('start', 'Where the search begins, as a = 1; k = 0.5'),
                Slot::text('band', 'The 95 % band of the curve', ['hidden', 'drawn'], default: 'hidden'),
            ],
            [],
        );
    }

    public function outcomeWords(array $texts): array
    {
        return Relation::tryFrom($texts['relation'] ?? '')?->constants() ?? [];
    }

    public function work(Inputs $inputs): Outcome
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        $curve = self::curve($inputs->text('relation') ?? '', $inputs->text('formula') ?? '', $x->name)->holding(ConstantValues::parse($inputs->text('held') ?? ''));
        // Told of all that are free, or found by itself: of some alone nothing can begin.
        $start = array_intersect_key(ConstantValues::parse($inputs->text('start') ?? ''), array_flip($curve->constants));
        $fit = (new CurveFitter)->fit($curve, $x->values, $y->values, $start, xUnit: $x->unit, yUnit: $y->unit);
        if (! $fit->hasConverged()) {
            return Outcome::needs($fit->outcome->sentence(), $curve->formula->text);
        }
        $values = self::values($fit, $inputs, $y->name);

        return Outcome::of($values, $curve->formula->text, warnings: $fit->warnings(), marks: self::marks($fit, $x, $inputs->text('band') === 'drawn'),
            explanation: self::explained($fit, $values, $x->name, $y->name), method: self::told($curve, $x->name, $y->name), goodness: FitGoodness::of($fit, $x, $y));
    }

    /** What it means, of a relation that has a name. */
    private static function told(Curve $curve, string $x, string $y): ?string
    {
        return Relation::tryFrom($curve->name)?->meaningOf($x, $y);
    }

    /**
     * @param  string  $relation  by name; empty: see $formula
     * @param  string  $formula  in x, or in the symbol of the column along x
     *
     * @throws InvalidQuantity If there is no such relation.
     * @throws MissingInput If none, or both, are given.
     */
    public static function curve(string $relation, string $formula, string $x): Curve
    {
        if (($formula === '') === ($relation === '')) {
            throw MissingInput::slot('relation');
        }
        if ($formula !== '') {
            $parsed = Formula::parse($formula);
            $isInX = in_array(Curve::VARIABLE, $parsed->symbols(), true);

            return Curve::typed($isInX || ! in_array($x, $parsed->symbols(), true) ? $formula : $parsed->renamed($x, Curve::VARIABLE)->text);
        }

        return Relation::tryFrom($relation)?->curve() ?? throw new InvalidQuantity("There is no relation \"{$relation}\". The relations are: "
            .implode(', ', array_column(Relation::cases(), 'value')).'.');
    }

    /** @return non-empty-array<string, Measured> by constant, those that are held last */
    private static function values(Fit $fit, Inputs $inputs, string $y): array
    {
        $values = $fit->degreesOfFreedom() > 0 ? $fit->measured($inputs->source("scatter of {$y}")) : [];
        foreach ([...$fit->constants, ...$fit->held] as $constant) {
            // As many constants as points leave nothing over to tell how far they may be off.
            $values[$constant->name] ??= Measured::of($constant->value, 0.0, $constant->unit ?? Unit::one());
        }

        return $values === [] ? throw new \LogicException('A curve has a free constant.') : $values;
    }

    /** @return list<Mark> */
    private static function marks(Fit $fit, ColumnInput $x, bool $hasBand): array
    {
        $at = Curve::places($x->values, self::DRAWN_POINTS);
        $heights = $fit->at($at);
        $curve = Mark::curve($at, $heights, 'fit');
        if (! $hasBand || $fit->degreesOfFreedom() < 1) {
            return [$curve];
        }
        $half = $fit->band($at);

        return [$curve, Mark::band($at, array_map(static fn (float $y, float $w): float => $y - $w, $heights, $half), array_map(static fn (float $y, float $w): float => $y + $w, $heights, $half), '')];
    }

    /** @param  array<string, Measured>  $values */
    private static function explained(Fit $fit, array $values, string $x, string $y): Explanation
    {
        $formula = $fit->curve->formula;
        $names = [Curve::VARIABLE => $x];

        return new Explanation(Mathematics::equals(Mathematics::symbol($y), Typeset::formula($formula, names: $names)), Typeset::formula($formula, $values, $names));
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting\Methods;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\MissingInput;
use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Fit;
use Welkion\Core\Fitting\Relation;
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
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** A named relation, or a typed formula with free constants, through points. */
final readonly class RelationFit implements Method
{
    private const DRAWN_POINTS = 120;

    public function declaration(): Declaration
    {
        return new Declaration(
            'relation', 'Relation', 'Fits a curve through the points and gives its constants.',
            'Least squares; curves that are not linear in their constants by a trust-region search (see the fitting of this core).',
            [
                Slot::column('x', 'x'), Slot::column('y', 'y'),
                Slot::text('relation', 'Which relation', array_column(Relation::cases(), 'value'), default: ''),
                Slot::maybe('formula', 'or a formula in x with free constants'),
            ],
            [],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        $curve = self::curve($inputs);
        $fit = (new CurveFitter)->fit($curve, $x->values, $y->values, xUnit: $x->unit, yUnit: $y->unit);
        if (! $fit->hasConverged()) {
            return Outcome::needs($fit->outcome->sentence(), $curve->formula->text);
        }
        $values = $fit->degreesOfFreedom() > 0 ? $fit->measured($inputs->source("scatter of {$y->name}")) : [];
        foreach ($fit->constants as $constant) {
            // As many constants as points leave nothing over to tell how far they may be off.
            $values[$constant->name] ??= Measured::of($constant->value, 0.0, $constant->unit ?? Unit::one());
        }

        return $values === [] ? Outcome::needs('The formula has no free constant.', $curve->formula->text)
            : Outcome::of($values, $curve->formula->text, warnings: $fit->warnings(), marks: [self::drawn($fit, $x)],
                explanation: new Explanation(Mathematics::equals(Mathematics::symbol($y->name), Typeset::formula($curve->formula))));
    }

    private static function drawn(Fit $fit, ColumnInput $x): Mark
    {
        [$from, $to] = [min([INF, ...$x->values]), max([-INF, ...$x->values])];
        $at = array_map(static fn (int $i): float => $from + ($to - $from) * $i / self::DRAWN_POINTS, range(0, self::DRAWN_POINTS));

        return Mark::curve($at, $fit->at($at), 'fit');
    }

    private static function curve(Inputs $inputs): Curve
    {
        $formula = $inputs->text('formula') ?? '';
        $name = $inputs->text('relation') ?? '';
        if (($formula === '') === ($name === '')) {
            throw MissingInput::slot('relation');
        }
        if ($formula !== '') {
            return Curve::typed($formula, []);
        }

        return Relation::tryFrom($name)?->curve() ?? throw new InvalidQuantity("There is no relation \"{$name}\". The relations are: "
            .implode(', ', array_column(Relation::cases(), 'value')).'.');
    }
}

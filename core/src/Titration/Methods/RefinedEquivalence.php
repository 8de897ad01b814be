<?php

declare(strict_types=1);

namespace Welkion\Core\Titration\Methods;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Titration\PhTitration;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\KnowsItsSources;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;
use Welkion\Core\Working\ValueList;

/** The equivalence volume from the balance of charges over the whole curve. */
final readonly class RefinedEquivalence implements KnowsItsSources, Method
{
    private const FORMULA = 'balance of charges at every reading';

    public function declaration(): Declaration
    {
        return new Declaration(
            'refined-equivalence', 'Refined equivalence volume', 'Fits the balance of charges to the whole curve; finer than the jump alone when the steps are coarse.',
            'de Levie, Aqueous Acid-Base Equilibria and Titrations, 1999, 4.2.',
            [
                Slot::column('x', 'The added volume', 'mL'), Slot::column('y', 'pH', 'pH'), Slot::span('span', 'Where to look for the jump'),
                Slot::maybeNumber('titrant', 'Concentration of the titrant', unit: 'mol/L'), Slot::maybeNumber('sample', 'Volume of the sample', unit: 'mL'),
            ],
            ['volume' => 'Equivalence volume'],
            ['pKa' => 'pKₐ of the groups that react'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        $millilitres = Unit::parse('mL');
        $explanation = new Explanation(Mathematics::words(self::FORMULA));
        try {
            $titration = PhTitration::of(
                array_map(static fn (float $v): float => $x->unit->convert($v, $millilitres), $x->values), $y->values,
                $inputs->maybeNumber('titrant')?->inUnit('mol/L')->value, $inputs->maybeNumber('sample')?->in($millilitres)->value,
            );
        } catch (NotEnoughPoints) {
            return Outcome::needs('At least '.TitrationCurve::MIN_POINTS.' readings at different volumes are needed. Record a run first.', self::FORMULA, $explanation);
        }
        if ($titration->refined === null) {
            return Outcome::needs($titration->warnings === [] ? 'The balance of charges does not describe this curve.' : $titration->warnings[count($titration->warnings) - 1]->sentence(), self::FORMULA, $explanation);
        }
        $span = $inputs->span('span');
        foreach ($titration->refined->volumes as $volume) {
            $at = Measured::of($volume->value, $volume->uncertainty, $millilitres, $inputs->source('fit of the whole curve'))->in($x->unit);
            if ($span === null || ($at->value >= $span[0] && $at->value <= $span[1])) {
                return Outcome::of(['volume' => $at], self::FORMULA, ['pKa' => new ValueList($titration->refined->pKs, Unit::one())],
                    $titration->warnings, [Mark::vertical($at->value, 'refined')], $explanation);
            }
        }

        return Outcome::needs('No jump lies inside the span. Move it over the steep part, or clear it.', self::FORMULA, $explanation);
    }
}

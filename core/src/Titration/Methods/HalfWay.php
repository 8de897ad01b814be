<?php

declare(strict_types=1);

namespace Welkion\Core\Titration\Methods;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Titration\HalfEquivalence;
use Welkion\Core\Titration\PhTitration;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\KnowsItsSources;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** The pH half way to the equivalence volume: the pKa of a weak acid. */
final readonly class HalfWay implements KnowsItsSources, Method
{
    /** Outside of these the pH half way is that of a strong acid or base, and no pKa. */
    private const WEAK_PH = [2.5, 11.5];

    public function declaration(): Declaration
    {
        return new Declaration(
            'half-equivalence', 'Half-equivalence, pKₐ', 'The pH half way to the equivalence volume, where as much acid has reacted as is left: for a weak acid its pKₐ.',
            'Henderson-Hasselbalch; Skoog, West, Holler and Crouch, Fundamentals of Analytical Chemistry, 9th edition, 14C.',
            [
                Slot::column('x', 'The added volume', 'mL'), Slot::column('y', 'pH', 'pH'), Slot::number('volume', 'The equivalence volume', 'x'),
                Slot::maybeNumber('before', 'The equivalence volume before it', 'x'),
            ],
            ['pH' => 'pH half way', 'volume' => 'Volume half way'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        $millilitres = Unit::parse('mL');
        $volume = $inputs->number('volume')->in($millilitres);
        $formula = 'pKₐ = pH at ½ V(equivalence)';
        $explanation = new Explanation(Mathematics::equals(Mathematics::symbol('pKₐ'), Mathematics::at(Mathematics::symbol($y->name),
            Mathematics::over(Mathematics::value($volume->in($x->unit)), Mathematics::number('2')))));
        try {
            $curve = TitrationCurve::of(array_map(static fn (float $v): float => $x->unit->convert($v, $millilitres), $x->values), $y->values);
        } catch (NotEnoughPoints) {
            return Outcome::needs('At least '.TitrationCurve::MIN_POINTS.' readings at different volumes are needed. Record a run first.', $formula, $explanation);
        }
        // A file tells nothing of its readings: they are as good as a calibrated electrode and the scatter about the curve allow.
        $reading = $y->scatter === null && $y->common === [] ? hypot(PhTitration::ELECTRODE, $curve->noise) : $y->largestUncertainty();
        $half = HalfEquivalence::of($curve, $volume, $reading, $inputs->maybeNumber('before')?->in($millilitres), $inputs->source("reading of {$y->name}"));
        if ($half === null) {
            return Outcome::needs('No reading was taken before half the equivalence volume.', $formula, $explanation);
        }
        $isWeak = $half->ph->value >= self::WEAK_PH[0] && $half->ph->value <= self::WEAK_PH[1];
        $at = $half->volume->in($x->unit);

        return Outcome::of(['pH' => $half->ph, 'volume' => $at], $formula,
            warnings: $isWeak ? [] : [new Warning('not-weak', 'This may be a strong acid or base.', 'Only for a weak one is the pH half way its pKₐ.')],
            marks: [Mark::point($at->value, $half->ph->value, 'half way')],
            explanation: new Explanation($explanation->symbols, Mathematics::at(Mathematics::symbol($y->name), Mathematics::value($at))));
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Methods;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Agreement;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** A result beside the value others have found. */
final readonly class Accepted implements Method
{
    private const FORMULA = '(result − accepted) / accepted';

    public function declaration(): Declaration
    {
        return new Declaration(
            'accepted', 'Compare with an accepted value', 'How far a result is from the accepted value, in percent, and whether that lies inside its ±.',
            'Difference with its standard uncertainty (JCGM 100:2008, 5.1.2); agreement up to 2 of them (95 %, JCGM 106:2012, 7).',
            [Slot::number('result', 'The result, by its symbol'), Slot::number('accepted', 'The accepted value, in the unit of the result')],
            ['percent' => 'Percent difference', 'difference' => 'Difference'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$result, $accepted] = [$inputs->number('result'), $inputs->number('accepted')];
        if ($accepted->unit->isOne() && ! $result->unit->isOne()) {
            // A plain number is one in the unit of the result.
            $accepted = Measured::of($accepted->value, $accepted->uncertainty, $result->unit);
        }
        $accepted = $accepted->in($result->unit);
        $difference = $result->minus($accepted);
        $explanation = new Explanation(
            Mathematics::over(Mathematics::minus(Mathematics::words('result'), Mathematics::words('accepted')), Mathematics::words('accepted')),
            Mathematics::over(Mathematics::minus(Mathematics::value($result), Mathematics::value($accepted)), Mathematics::value($accepted)),
        );
        [$told, $warnings] = self::judged($difference);
        // A percentage of a temperature in °C means nothing.
        $hasPercent = $result->unit->startsAtZero();
        if ($hasPercent && $accepted->value === 0.0) {
            throw new InvalidQuantity('The accepted value is 0: of nothing there is no percentage. Use a formula for the difference.');
        }

        return Outcome::of(
            ($hasPercent ? ['percent' => $difference->dividedBy($accepted)->in(Unit::parse('%'))] : []) + ['difference' => $difference], self::FORMULA, warnings: $warnings, explanation: $explanation, method: $told,
        );
    }

    /** @return array{string, list<Warning>} whether they agree, in words */
    private static function judged(Measured $difference): array
    {
        $where = $difference->value < 0.0 ? 'below' : 'above';
        $agreement = Agreement::of($difference);
        if (! $agreement->isKnown()) {
            return ["The result lies {$where} the accepted value; without a ± nothing tells whether by chance.", [new Warning('no-uncertainty', 'Neither value has a ±.', 'Give the entries it rests on theirs: then it can be said whether they agree.')]];
        }

        return $agreement->isAgreement()
            ? ["The accepted value lies inside the ±: they are {$agreement->told()} apart, and up to 2 is agreement.", []]
            : ["The accepted value lies outside the ±: the result is {$agreement->told()} {$where} it.", [new Warning('disagrees', 'Chance alone hardly explains the difference.', 'Look for what moved all readings the same way: a zero, a calibration, heat that was lost, an entry.')]];
    }
}

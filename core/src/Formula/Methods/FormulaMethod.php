<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Methods;

use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\Typeset;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;
use Welkion\Core\Working\ValueList;

/** Plain arithmetic on values with units and ±. */
final readonly class FormulaMethod implements Method
{
    public function declaration(): Declaration
    {
        return new Declaration(
            'formula', 'Formula', 'Works out a formula; units go through it, and what a symbol that is used twice has in common counts once.',
            'First-order propagation (JCGM 100:2008, 5.1.2 and 5.2.2).',
            [Slot::text('formula', 'The formula, as n/V0'), Slot::maybe('unit', 'in which unit'), Slot::values('A value for each of its symbols')],
            ['value' => 'Value'], ['sources' => 'Where the uncertainty comes from'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        $text = (string) $inputs->text('formula');
        $formula = Formula::parse($text);
        $unit = $inputs->text('unit') ?? '';
        $value = $formula->measured($inputs->numbers(), $unit === '' ? null : Unit::parse($unit));
        $percent = $value->shares->percent();

        return Outcome::of(['value' => $value], $text, [
            'sources' => new ValueList(array_values($percent), Unit::parse('%'), names: array_map(strval(...), array_keys($percent))),
        ], explanation: new Explanation(Typeset::formula($formula), Typeset::formula($formula, $inputs->numbers())));
    }
}

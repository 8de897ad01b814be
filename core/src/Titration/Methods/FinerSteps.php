<?php

declare(strict_types=1);

namespace Welkion\Core\Titration\Methods;

use Welkion\Core\Series\Methods\Points;
use Welkion\Core\Titration\StepAdvice;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\KnowsItsSources;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** Watches a run and proposes smaller steps when the jump is near. */
final readonly class FinerSteps implements KnowsItsSources, Method
{
    private const FORMULA = 'growth of the slope';

    public function declaration(): Declaration
    {
        return new Declaration(
            'finer-steps', 'Finer steps', 'Watches a titration and proposes smaller steps when the jump is near.', 'The slope of a titration curve grows towards its jump; see StepAdvice.',
            [
                Slot::column('x', 'The added volume', 'mL'), Slot::column('y', 'pH', 'pH'),
                Slot::number('next', 'The next planned volume', 'x'), Slot::number('last', 'The last planned volume', 'x'),
            ],
            ['step' => 'Step', 'from' => 'From', 'to' => 'To'],
            isForLines: false,
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        $unit = $inputs->column('x')->unit;
        $remaining = [$inputs->number('next')->in($unit)->value, $inputs->number('last')->in($unit)->value];
        $advice = StepAdvice::for(Points::of($inputs), $remaining);
        $explanation = new Explanation(Mathematics::words(self::FORMULA));
        $exactly = static fn (float $value): Measured => Measured::of($value, 0.0, Unit::parse('mL'));

        return $advice === null ? Outcome::needs('The planned steps are fine enough so far.', self::FORMULA, $explanation) : Outcome::of(
            ['step' => $exactly($advice->step), 'from' => $exactly($advice->from), 'to' => $exactly($advice->to)], self::FORMULA,
            warnings: [new Warning('jump-near', $advice->title(), $advice->sentence())], explanation: $explanation,
        );
    }
}

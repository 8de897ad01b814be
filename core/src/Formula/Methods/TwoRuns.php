<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Methods;

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

/** The same result in two runs: how far they are apart, and whether that is more than chance. */
final readonly class TwoRuns implements Method
{
    public function declaration(): Declaration
    {
        return new Declaration(
            'two-runs', 'Compare two runs', 'By how much a result differs between two runs, and whether that is more than its ±.',
            'Difference and ratio with their standard uncertainties, what both share counted once (JCGM 100:2008, 5.2.2); agreement up to 2 of them (95 %, JCGM 106:2012, 7).',
            [Slot::result('result', 'Which result'), Slot::run('run', 'In run'), Slot::run('other', 'less that in run')],
            ['difference' => 'Difference', 'ratio' => 'Ratio'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$one, $other] = [$inputs->number('run'), $inputs->number('other')];
        $difference = $one->minus($other->in($one->unit));
        // Of temperatures in °C there is no ratio, and none to nothing.
        $hasRatio = $one->unit->startsAtZero() && $other->value !== 0.0;
        $in = static fn (string $slot): Mathematics => Mathematics::in(Mathematics::symbol($inputs->text('result') ?? 'result'), Mathematics::words('run '.($inputs->text($slot) ?? $slot)));
        [$told, $warnings] = self::judged($difference);

        return Outcome::of(
            ['difference' => $difference] + ($hasRatio ? ['ratio' => $one->dividedBy($other)->in(Unit::one())] : []), 'run − other', warnings: $warnings,
            explanation: new Explanation(Mathematics::minus($in('run'), $in('other')), Mathematics::minus(Mathematics::value($one), Mathematics::value($other))),
            method: $told,
        );
    }

    /** @return array{string, list<Warning>} whether they agree, in words */
    private static function judged(Measured $difference): array
    {
        $agreement = Agreement::of($difference);

        return match (true) {
            ! $agreement->isKnown() => ['Without a ± nothing tells whether they differ by more than chance.', [new Warning('no-uncertainty', 'Neither value has a ±.', 'Give the entries it rests on theirs: then it can be said whether they agree.')]],
            $agreement->isAgreement() => ["The two agree within their ±: they are {$agreement->told()} apart, and up to 2 is agreement.", []],
            default => ["The two differ by more than their ±: by {$agreement->told()}.", []],
        };
    }
}

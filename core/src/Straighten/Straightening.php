<?php

declare(strict_types=1);

namespace Welkion\Core\Straighten;

use Welkion\Core\Fitting\Ranking;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Warning;

/** The ways tried to straighten two quantities, ranked. */
final readonly class Straightening
{
    /**
     * @param  non-empty-list<Candidate>  $candidates  the best first
     * @param  array<string, string>  $skipped  relations that could not be tried, and why
     */
    public function __construct(public array $candidates, public array $skipped)
    {
    }

    /** The relation that describes y best for its number of constants. */
    public function best(): Candidate
    {
        return $this->candidates[0];
    }

    /** @return list<Warning> */
    public function warnings(): array
    {
        $warnings = [new Warning('not-comparable', 'R² of differently transformed y are not strictly comparable.',
            'The ranking compares how well each relation describes y itself.')];
        $best = $this->best();
        if ($best->bends()) {
            $warnings[] = new Warning('bends', 'Even the best of these still bends.', 'None of these relations may be the right one.');
        }
        foreach (array_slice($this->candidates, 1) as $other) {
            if ($other->criterion - $best->criterion < Ranking::CLOSE && ! self::isSpecialCase($best->relation, $other->relation)) {
                $warnings[] = new Warning('close', sprintf('"%s" describes these points about as well.', strtr($other->relation->value, '_', ' ')),
                    'More points, or a wider range of x, would tell them apart.');

                break;
            }
        }

        return $warnings;
    }

    /** Whether the first relation is the second one with a constant fixed, so that both describe the same curve. */
    private static function isSpecialCase(Relation $special, Relation $general): bool
    {
        return match ($general) {
            Relation::Power => match ($special) {
                Relation::Proportional, Relation::Inverse, Relation::InverseSquare, Relation::Quadratic, Relation::SquareRoot => true,
                default => false,
            },
            Relation::Linear => $special === Relation::Proportional,
            Relation::RootOfLine => $special === Relation::SquareRoot,
            Relation::InverseOfLine => $special === Relation::Inverse,
            default => false,
        };
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

/** How a search for the best constants ended. */
enum Outcome: string
{
    case Converged = 'converged';
    /** The last steps still changed the constants. */
    case TooManySteps = 'too-many-steps';
    /** The curve or its slopes are not finite where the search began. */
    case NoValueAtStart = 'no-value-at-start';
    /** Some combination of constants may take any value without changing the curve. */
    case NotDetermined = 'not-determined';

    /** What it means and what to do, for people. */
    public function sentence(): string
    {
        return match ($this) {
            self::Converged => 'The fit has settled.',
            self::TooManySteps => 'The fit did not converge. Try starting values nearer to the data, or another relation.',
            self::NoValueAtStart => 'The curve has no value at some points for the starting values. Try others, or leave those points out.',
            self::NotDetermined => 'These data do not determine the constants: several sets of constants give the same curve. '
                .'Take points over a wider range, or a relation with fewer constants.',
        };
    }
}

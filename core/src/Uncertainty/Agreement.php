<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/** Whether two values mean the same, by their difference and its ± (JCGM 106:2012, 7). */
final readonly class Agreement
{
    /** Up to so many standard uncertainties of the difference two values agree: 95 % of those that mean the same do. */
    private const AGREES = 2.0;

    /** @param  float|null  $times  how many standard uncertainties they are apart; null: nothing is known of these */
    private function __construct(private ?float $times)
    {
    }

    public static function of(Measured $difference): self
    {
        return new self($difference->uncertainty <= 0.0 ? null : abs($difference->value) / $difference->uncertainty);
    }

    public function isKnown(): bool
    {
        return $this->times !== null;
    }

    public function isAgreement(): bool
    {
        return $this->times !== null && $this->times <= self::AGREES;
    }

    /** How far they are apart, in words. */
    public function told(): string
    {
        return sprintf('%.1F times the standard uncertainty of their difference', $this->times ?? NAN);
    }
}

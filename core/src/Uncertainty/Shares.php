<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/**
 * The linear shares of an uncertainty: for each independent source how far the value moves, with its sign, when the source
 * moves by its standard uncertainty.
 *
 * First-order propagation with tracked variables (JCGM 100:2008, 5.1.2 and 5.2.2: correlations need no formula of their own
 * when what is common is kept apart).
 */
final readonly class Shares
{
    /** @param  array<string, array{Source, float}>  $of  by identity of the source; in the unit of the value */
    private function __construct(private array $of)
    {
    }

    public static function none(): self
    {
        return new self([]);
    }

    public static function of(Source $source, float $amount): self
    {
        return $amount === 0.0 ? self::none() : new self([$source->identity() => [$source, $amount]]);
    }

    /**
     * The shares of a sum of multiples.
     *
     * @param  list<array{self, float}>  $parts  shares, and what each is multiplied by
     */
    public static function combined(array $parts): self
    {
        $of = [];
        foreach ($parts as [$shares, $factor]) {
            foreach ($shares->of as $identity => [$source, $amount]) {
                $of[$identity] = [$source, ($of[$identity][1] ?? 0.0) + $factor * $amount];
            }
        }

        return new self($of);
    }

    /** @return list<array{Source, float}> each source with how far the value moves with it, in the unit of the value */
    public function amounts(): array
    {
        return array_values($this->of);
    }

    /** Standard uncertainty: the root of the sum of squares. */
    public function uncertainty(): float
    {
        $amounts = array_column($this->of, 1);

        return match (count($amounts)) {
            0 => 0.0,
            1 => abs($amounts[0]),
            // Without the loss of digits at very large and very small numbers.
            default => array_reduce($amounts, hypot(...), 0.0),
        };
    }

    /** Covariance with another value, in the product of their units. */
    public function covarianceWith(self $other): float
    {
        $covariance = 0.0;
        foreach ($this->of as $identity => [, $amount]) {
            $covariance += $amount * ($other->of[$identity][1] ?? 0.0);
        }

        return $covariance;
    }

    /**
     * Where the uncertainty comes from, the largest part first: percent of the variance by the words of the source.
     *
     * @return array<string, float> sums to 100; empty without uncertainty
     */
    public function percent(): array
    {
        $scale = max([0.0, ...array_map(static fn (array $share): float => abs($share[1]), array_values($this->of))]);
        if ($scale === 0.0) {
            return [];
        }
        $variances = [];
        foreach ($this->of as [$source, $amount]) {
            $variances[$source->words] = ($variances[$source->words] ?? 0.0) + ($amount / $scale) ** 2;
        }
        arsort($variances);
        $sum = array_sum($variances);

        return array_map(static fn (float $v): float => 100.0 * $v / $sum, $variances);
    }

    /** @return list<array{Source, float}> */
    public function __serialize(): array
    {
        return $this->amounts();
    }

    /** @param  list<array{Source, float}>  $shares */
    public function __unserialize(array $shares): void
    {
        // An object without a name is another object now, with another identity.
        $of = [];
        foreach ($shares as [$source, $amount]) {
            $of[$source->identity()] = [$source, $amount];
        }
        $this->of = $of;
    }
}

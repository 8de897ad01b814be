<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

/**
 * The physical dimension of a unit: a power for each base quantity.
 *
 * Powers need not be whole: the constant of y = a sqrt(x) has half a power of the unit of x. A unit that only
 * has a name ("counts") is a base of its own.
 */
final readonly class Dimension
{
    /** Powers closer than this are the same; fitted exponents and 0.1 + 0.2 differ by rounding alone. */
    private const SAME = 1e-9;

    /** @param  array<string, float>  $powers  base to power, sorted by base, none of them zero */
    private function __construct(private array $powers)
    {
    }

    /** That of a plain number. */
    public static function none(): self
    {
        return new self([]);
    }

    /** @param  array<string, float|int>  $powers  base symbol (m, kg, s, A, K, mol, cd, pH) to power */
    public static function of(array $powers): self
    {
        $kept = [];
        foreach ($powers as $base => $power) {
            if (abs($power) > self::SAME) {
                $kept[$base] = (float) $power;
            }
        }
        ksort($kept);

        return new self($kept);
    }

    /** The dimension of a product. */
    public function times(self $other): self
    {
        $powers = $this->powers;
        foreach ($other->powers as $base => $power) {
            $powers[$base] = ($powers[$base] ?? 0.0) + $power;
        }

        return self::of($powers);
    }

    /** The dimension of a power. */
    public function toPower(float $power): self
    {
        return self::of(array_map(static fn (float $p): float => $p * $power, $this->powers));
    }

    /** Whether it is that of a plain number. */
    public function isNone(): bool
    {
        return $this->powers === [];
    }

    /** Whether both are the same. */
    public function equals(self $other): bool
    {
        return $this->times($other->toPower(-1.0))->isNone();
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

/** The physical dimension of a unit: a whole-number power for each base quantity. */
final readonly class Dimension
{
    /** Length, mass, time, current, temperature, amount, and pH, which is a base of its own here. */
    private const BASES = ['m', 'kg', 's', 'A', 'K', 'mol', 'pH'];

    /** @param  list<int>  $powers one for each of BASES */
    private function __construct(private array $powers)
    {
    }

    public static function none(): self
    {
        return new self(array_fill(0, count(self::BASES), 0));
    }

    /** @param  array<string, int>  $powers base symbol to power; a base left out has power 0 */
    public static function of(array $powers): self
    {
        return new self(array_map(static fn (string $base): int => $powers[$base] ?? 0, self::BASES));
    }

    public function times(self $other): self
    {
        return new self(array_map(static fn (int $a, int $b): int => $a + $b, $this->powers, $other->powers));
    }

    public function toPower(int $power): self
    {
        return new self(array_map(static fn (int $a): int => $a * $power, $this->powers));
    }

    public function equals(self $other): bool
    {
        return $this->powers === $other->powers;
    }
}

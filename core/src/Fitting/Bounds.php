<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Exception\InvalidQuantity;

/** Lowest and highest value each constant of a fit may take. */
final readonly class Bounds
{
    /**
     * @param  list<float>  $low
     * @param  list<float>  $high
     */
    private function __construct(public array $low, public array $high)
    {
    }

    /** No limit on any of so many constants. */
    public static function none(int $count): self
    {
        return new self(array_fill(0, $count, -INF), array_fill(0, $count, INF));
    }

    /**
     * @param  list<string>  $names  of the constants
     * @param  array<string, array{float|null, float|null}>  $limits  by name; null leaves a side open
     *
     * @throws InvalidQuantity If a name is none of the constants, or a range is empty.
     */
    public static function of(array $names, array $limits): self
    {
        foreach ($limits as $name => [$low, $high]) {
            if (! in_array($name, $names, true)) {
                throw new InvalidQuantity("A bound is given for \"{$name}\", but the constants are ".implode(', ', $names).'.');
            }
            if (($low ?? -INF) >= ($high ?? INF)) {
                throw new InvalidQuantity("The lower bound of {$name} must lie below its upper bound.");
            }
        }

        return new self(
            array_map(static fn (string $name): float => $limits[$name][0] ?? -INF, $names),
            array_map(static fn (string $name): float => $limits[$name][1] ?? INF, $names),
        );
    }

    /** Whether no constant is limited. */
    public function isNone(): bool
    {
        return max(-INF, ...$this->low) === -INF && min(INF, ...$this->high) === INF;
    }

    /**
     * @param  list<float>  $constants
     * @return list<float>
     */
    public function clipped(array $constants): array
    {
        foreach ($constants as $k => $constant) {
            $constants[$k] = max($this->low[$k], min($this->high[$k], $constant));
        }

        return $constants;
    }

    /**
     * Which constants lie on a bound and are pushed against it by a step.
     *
     * @param  list<float>  $constants
     * @param  list<float>  $push
     * @return list<bool>
     */
    public function holding(array $constants, array $push): array
    {
        $held = [];
        foreach ($constants as $k => $constant) {
            $held[] = ($constant <= $this->low[$k] && $push[$k] < 0.0) || ($constant >= $this->high[$k] && $push[$k] > 0.0);
        }

        return $held;
    }
}

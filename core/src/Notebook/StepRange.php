<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;

/** A stretch of a plan: from one value to another in equal steps, up or down. */
final readonly class StepRange
{
    private function __construct(public float $from, public float $to, public float $step, private StepLimits $limits)
    {
    }

    /**
     * @param  float  $step  above zero, whichever way the range goes
     *
     * @throws InvalidQuantity If a number lies outside of the limits.
     */
    public static function of(float $from, float $to, float $step, StepLimits $limits): self
    {
        foreach (['first value' => $from, 'last value' => $to] as $what => $value) {
            if (! ($value >= $limits->least && $value <= $limits->most)) {
                throw InvalidQuantity::outOfRange($what, $value, $limits->least, $limits->most, $limits->unit->symbol);
            }
        }
        $largest = $limits->most - $limits->least;
        if (! ($step >= $limits->finest && $step <= $largest)) {
            throw InvalidQuantity::outOfRange('step', $step, $limits->finest, $largest, $limits->unit->symbol);
        }

        return new self($from, $to, $step, $limits);
    }

    /** +1 where it rises, -1 where it falls, 0 for a single value. */
    public function direction(): int
    {
        return $this->to <=> $this->from;
    }

    /** How many values it has, without making them. */
    public function count(): int
    {
        return 1 + (int) ceil(abs($this->to - $this->from) / $this->step - 1e-6);
    }

    /** @return list<float> from the first value in whole steps; the last one is always reached */
    public function values(): array
    {
        $values = [];
        $count = (int) floor(abs($this->to - $this->from) / $this->step + 1e-6);
        for ($i = 0; $i <= $count; $i++) {
            $values[] = $this->rounded($this->from + $this->direction() * $i * $this->step);
        }
        if (abs($this->to - $values[$count]) > $this->limits->same()) {
            $values[] = $this->rounded($this->to);
        }

        return $values;
    }

    private function rounded(float $value): float
    {
        return round($value, $this->limits->decimals + 1);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Exception\UnknownUnit;

/**
 * A unit of measurement: named units with their powers, its dimension, and how a value in it becomes one in SI.
 *
 * Temperatures that do not start at zero (°C, °F) stand alone; in a product only their differences make sense,
 * and difference() gives the unit of those.
 */
final readonly class Unit
{
    public string $symbol;

    /**
     * @internal use parse(), one() or named()
     *
     * @param  array<string, float>  $parts  named unit to power, in the order written, none of them zero
     */
    public function __construct(
        public array $parts,
        public Dimension $dimension,
        public float $factor,
        public float $offset = 0.0,
    ) {
        $this->symbol = UnitSymbol::of($parts);
    }

    /**
     * The unit a person wrote, for example "mL", "cm³", "mmol/L", "J/(g K)", "mol dm-3" or "°C".
     *
     * @throws UnknownUnit If a part of the text names no unit.
     */
    public static function parse(string $text): self
    {
        // The same few units are read again and again; a unit never changes, so one of each is enough.
        /** @var array<string, self> $known */
        static $known = [];

        return $known[$text] ??= UnitParser::parse($text);
    }

    /** The unit of a plain number. */
    public static function one(): self
    {
        return new self([], Dimension::none(), 1.0);
    }

    /** A unit that is only a name: it converts to nothing but itself. For headers like "Intensity (counts)". */
    public static function named(string $name): self
    {
        return new self([$name => 1.0], Dimension::of(["\"{$name}\"" => 1]), 1.0);
    }

    /** The unit written in a header: parsed, or only a name when Welkion does not know it; that of a plain number where none is. */
    public static function ofHeader(string $text): self
    {
        try {
            return self::parse($text);
        } catch (UnknownUnit) {
            return self::named($text);
        }
    }

    /** @throws UnitMismatch If either unit does not start at zero, as °C. */
    public function times(self $other): self
    {
        return $this->combined($other, 1.0);
    }

    /** @throws UnitMismatch If either unit does not start at zero, as °C. */
    public function per(self $other): self
    {
        return $this->combined($other, -1.0);
    }

    /** @throws UnitMismatch If the unit does not start at zero, as °C. */
    public function toPower(float $power): self
    {
        $this->requireAbsolute();

        return new self(
            $power === 0.0 ? [] : array_map(static fn (float $p): float => $p * $power, $this->parts),
            $this->dimension->toPower($power),
            $this->factor ** $power,
        );
    }

    /** The unit of differences: K for °C, and the unit itself where it starts at zero. */
    public function difference(): self
    {
        return match (true) {
            $this->offset === 0.0 => $this,
            $this->factor === 1.0 => self::parse('K'),
            default => new self(['Δ'.$this->symbol => 1.0], $this->dimension, $this->factor),
        };
    }

    /**
     * A unit of the same dimension that people would rather read: N for kg m/s^2, mmol for mL mol/L.
     *
     * Its factor may differ (mm^2 cm becomes mm^3): convert the value.
     */
    public function simplified(): self
    {
        return UnitSimplifier::simplify($this);
    }

    /** Whether values in one can be given in the other. */
    public function measuresTheSameAs(self $other): bool
    {
        return $this->dimension->equals($other->dimension);
    }

    /** Whether it is the unit of a plain number. */
    public function isOne(): bool
    {
        return $this->parts === [];
    }

    /** Whether its zero is a true zero, as of K but not of °C. */
    public function startsAtZero(): bool
    {
        return $this->offset === 0.0;
    }

    /**
     * A value in this unit, given in another.
     *
     * @throws UnitMismatch If the two measure different things.
     */
    public function convert(float $value, self $to): float
    {
        return $value * $this->ratioTo($to) + ($this->offset - $to->offset) / $to->factor;
    }

    /**
     * A difference in this unit, given in another: 5 °C of warming is 5 K.
     *
     * @throws UnitMismatch If the two measure different things.
     */
    public function convertDifference(float $difference, self $to): float
    {
        return $difference * $this->ratioTo($to);
    }

    private function combined(self $other, float $sign): self
    {
        $this->requireAbsolute();
        $other->requireAbsolute();
        $parts = $this->parts;
        foreach ($other->parts as $name => $power) {
            $parts[$name] = ($parts[$name] ?? 0.0) + $sign * $power;
            if (abs($parts[$name]) < 1e-9) {
                unset($parts[$name]);
            }
        }

        return new self(
            $parts,
            $this->dimension->times($other->dimension->toPower($sign)),
            $sign > 0.0 ? $this->factor * $other->factor : $this->factor / $other->factor,
        );
    }

    private function ratioTo(self $to): float
    {
        if (! $this->measuresTheSameAs($to)) {
            throw UnitMismatch::converting($this->symbol, $to->symbol);
        }

        return $this->factor / $to->factor;
    }

    private function requireAbsolute(): void
    {
        if ($this->offset !== 0.0) {
            throw UnitMismatch::ratioNeedsAbsolute($this->symbol);
        }
    }
}

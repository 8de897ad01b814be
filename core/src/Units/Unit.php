<?php

declare(strict_types=1);

namespace Welkion\Core\Units;

use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Exception\UnknownUnit;

/** A unit of measurement: its symbol, its dimension, and how a value in it becomes a value in SI. */
final readonly class Unit
{
    /** @internal use parse() or one() */
    public function __construct(
        public string $symbol,
        public Dimension $dimension,
        public float $factor,
        public float $offset = 0.0,
    ) {
    }

    /**
     * The unit a person wrote, for example "mL", "mmol/L", "J/(g K)" or "°C".
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
        return new self('', Dimension::none(), 1.0);
    }

    /** @throws UnitMismatch If either unit does not start at zero, as °C. */
    public function times(self $other): self
    {
        $this->requireAbsolute();
        $other->requireAbsolute();

        return new self(
            trim($this->symbol.' '.$other->symbol),
            $this->dimension->times($other->dimension),
            $this->factor * $other->factor,
        );
    }

    /** @throws UnitMismatch If either unit does not start at zero, as °C. */
    public function per(self $other): self
    {
        $this->requireAbsolute();
        $other->requireAbsolute();
        $below = str_contains($other->symbol, ' ') ? "({$other->symbol})" : $other->symbol;

        return new self(
            ($this->symbol === '' ? '1' : $this->symbol).'/'.$below,
            $this->dimension->times($other->dimension->toPower(-1)),
            $this->factor / $other->factor,
        );
    }

    /** @throws UnitMismatch If the unit does not start at zero, as °C. */
    public function toPower(int $power): self
    {
        $this->requireAbsolute();

        return new self($this->symbol.'^'.$power, $this->dimension->toPower($power), $this->factor ** $power);
    }

    /** The same unit under another symbol, for showing. */
    public function calledAs(string $symbol): self
    {
        return new self($symbol, $this->dimension, $this->factor, $this->offset);
    }

    public function measuresTheSameAs(self $other): bool
    {
        return $this->dimension->equals($other->dimension);
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

<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** Something of a result that a figure of two columns shows; whoever draws it needs to know no method. */
final readonly class Mark
{
    /**
     * @param  string  $xSlot  the column it is measured along, by its slot
     * @param  list<float>  $x  in the unit of that column
     * @param  list<float>  $y
     * @param  list<float>|null  $low  lower edge of a band, whose upper edge is $y
     */
    private function __construct(
        public MarkKind $kind,
        public string $label,
        public string $xSlot,
        public string $ySlot,
        public array $x,
        public array $y,
        public ?array $low = null,
    ) {
    }

    public static function point(float $x, float $y, string $label, string $xSlot = 'x', string $ySlot = 'y'): self
    {
        return new self(MarkKind::Point, $label, $xSlot, $ySlot, [$x], [$y]);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     */
    public static function curve(array $x, array $y, string $label, string $xSlot = 'x', string $ySlot = 'y'): self
    {
        return new self(MarkKind::Curve, $label, $xSlot, $ySlot, $x, $y);
    }

    public static function vertical(float $x, string $label, string $xSlot = 'x', string $ySlot = 'y'): self
    {
        return new self(MarkKind::Vertical, $label, $xSlot, $ySlot, [$x], []);
    }

    public static function horizontal(float $y, string $label, string $xSlot = 'x', string $ySlot = 'y'): self
    {
        return new self(MarkKind::Horizontal, $label, $xSlot, $ySlot, [], [$y]);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $low
     * @param  list<float>  $high
     */
    public static function band(array $x, array $low, array $high, string $label, string $xSlot = 'x', string $ySlot = 'y'): self
    {
        return new self(MarkKind::Band, $label, $xSlot, $ySlot, $x, $high, $low);
    }
}

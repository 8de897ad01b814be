<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/**
 * Gathers the smallest and largest value of each column of pixels.
 *
 * @internal used by LongSeries alone
 */
final class ColumnDrawing
{
    /** s in one column. */
    public readonly float $width;

    /** @var array<int, float> */
    private array $lows = [];

    /** @var array<int, float> */
    private array $highs = [];

    public function __construct(private readonly float $from, float $to, private readonly int $columns)
    {
        $this->width = ($to - $from) / $columns;
    }

    /** Something seen at a moment; what lies beside the picture counts in its nearest column. */
    public function add(float $time, float $low, float $high): void
    {
        $column = $this->width > 0.0 ? max(0, min($this->columns - 1, (int) floor(($time - $this->from) / $this->width))) : 0;
        $this->lows[$column] = min($this->lows[$column] ?? $low, $low);
        $this->highs[$column] = max($this->highs[$column] ?? $high, $high);
    }

    public function picture(): Picture
    {
        ksort($this->lows);
        ksort($this->highs);
        $times = array_map(fn (int $column): float => $this->from + ($column + 0.5) * $this->width, array_keys($this->lows));

        return Picture::ofColumns($times, array_values($this->lows), array_values($this->highs));
    }
}

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

    /** @var list<float> */
    private array $lows;

    /** @var list<float> */
    private array $highs;

    /** @param  int<1, max>  $columns */
    public function __construct(private readonly float $from, private readonly float $to, private readonly int $columns)
    {
        $this->width = ($to - $from) / $columns;
        $this->lows = array_fill(0, $columns, INF);
        $this->highs = array_fill(0, $columns, -INF);
    }

    /** Something seen at a moment; what lies beside the picture counts in its nearest column. */
    public function add(float $time, float $low, float $high): void
    {
        $column = $this->width > 0.0 ? max(0, min($this->columns - 1, (int) floor(($time - $this->from) / $this->width))) : 0;
        if ($low < $this->lows[$column]) {
            $this->lows[$column] = $low;
        }
        if ($high > $this->highs[$column]) {
            $this->highs[$column] = $high;
        }
    }

    public function picture(): Picture
    {
        $seen = static fn (float $v): float => is_infinite($v) ? NAN : $v;

        return Picture::ofColumns($this->from, $this->to, array_map($seen, $this->lows), array_map($seen, $this->highs));
    }
}

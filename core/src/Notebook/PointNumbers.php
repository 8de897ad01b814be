<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Measured;

/** What one place of a run comes to before anybody keeps a line of it: shown while a point is picked or followed. */
final class PointNumbers
{
    /**
     * @param  string  $x  symbol of the column the place lies along
     * @param  string  $y  symbol of the column it is asked of
     * @param  float  $at  in the unit of x, as the other one
     * @param  float|null  $from  a change is told from there
     * @param  float|null  $height  in the unit of y: where along x y has it is told, too
     * @return array<string, WorkedLine> by method, in the order a person reads them; one that cannot be worked out says why
     */
    public static function of(WorkedNotebook $in, int $run, string $x, string $y, float $at, ?float $from = null, ?float $height = null): array
    {
        $unit = ($in->notebook->columns[$x] ?? null)?->unit;
        $upwards = ($in->notebook->columns[$y] ?? null)?->unit;
        if ($unit === null) {
            return [];
        }
        $given = static fn (float $value): Measured => Measured::of($value, 0.0, $unit);
        $numbers = ['value-at' => ['at' => $given($at)], 'tangent' => ['at' => $given($at)]]
            + ($from === null || $from === $at ? [] : ['difference' => ['from' => $given($from), 'to' => $given($at)]])
            + ($height === null || $upwards === null ? [] : ['x-at' => ['value' => Measured::of($height, 0.0, $upwards)]]);
        $lines = array_map(static fn (string $method, array $of): Line => new Line('', '', $method, true, ['x' => $x, 'y' => $y], [], $of), array_keys($numbers), $numbers);

        return array_combine(array_keys($numbers), $in->tried($lines, $run));
    }
}

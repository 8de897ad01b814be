<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Goodness;

/** How well a curve describes its points, in the shape of the HTTP API, without what is left over: that is long. */
final class GoodnessShape
{
    /**
     * @param  array<string, Measured>  $values  the constants, by name
     * @return array<string, mixed>
     */
    public static function of(Goodness $goodness, array $values): array
    {
        $intervals = [];
        foreach ($goodness->intervals as $name => [$low, $high]) {
            $decimals = Digits::of($values[$name])->decimals;
            $written = static fn (float $end): string => $decimals > 0 || $values[$name]->uncertainty > 1.0 ? Digits::fixed($end, $decimals) : Digits::round($end);
            $intervals[] = ['name' => (string) $name, 'low' => $low, 'high' => $high, 'shownLow' => $written($low), 'shownHigh' => $written($high)];
        }

        return [
            'n' => $goodness->n, 'degreesOfFreedom' => $goodness->degreesOfFreedom, 'rSquared' => $goodness->rSquared,
            'rmse' => $goodness->rmse->value, 'shownRmse' => Digits::round((float) sprintf('%.2g', $goodness->rmse->value)), 'unit' => $goodness->rmse->unit->symbol,
            'verdict' => $goodness->verdict(), 'bends' => $goodness->bends, 'origin' => $goodness->origin, 'intervals' => $intervals,
            'far' => array_map(static fn (array $point): array => ['x' => $point[0], 'y' => $point[1]], $goodness->far),
        ];
    }
}

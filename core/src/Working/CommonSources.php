<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Shares;
use Welkion\Core\Uncertainty\Source;

/**
 * What moves all rows of a column together, as the slope of a calibration, moves a result too: each source is moved by its
 * standard uncertainty, the method works once more, and the change is the share of the result (JCGM 100:2008, 5.1.4 and its
 * note 2: sensitivity coefficients found by changing one input).
 */
final class CommonSources
{
    /**
     * @return Outcome with the shares of what the columns have in common
     *
     * @throws CoreException If there is no answer in these inputs.
     */
    public static function work(Method $method, Inputs $inputs): Outcome
    {
        $outcome = $method->work($inputs);
        if ($method instanceof KnowsItsSources || $outcome->values === []) {
            return $outcome;
        }
        $values = $outcome->values;
        foreach (self::sources($inputs) as $source) {
            try {
                $moved = $method->work($inputs->withColumns(array_map(static fn (ColumnInput $c): ColumnInput => $c->movedBy($source), $inputs->columns())));
            } catch (CoreException) {
                // At the edge of what can be worked out nothing is known of this share.
                continue;
            }
            foreach ($values as $name => $value) {
                $other = $moved->values[$name] ?? $outcome->values[$name];
                $change = $other->value - $outcome->values[$name]->value;
                $values[$name] = Measured::with($value->value, $value->unit, Shares::combined([[$value->shares, 1.0], [Shares::of($source, $change), 1.0]]));
            }
        }

        return $outcome->withValues($values);
    }

    /** @return array<string, Source> by identity */
    private static function sources(Inputs $inputs): array
    {
        $sources = [];
        foreach ($inputs->columns() as $column) {
            foreach ($column->common as [$source]) {
                $sources[$source->identity()] = $source;
            }
        }

        return $sources;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Linear;

/**
 * Puts weights on columns: least squares of rows times the roots of their weights is weighted least squares.
 *
 * @internal
 */
final class Weighting
{
    /**
     * A column times the roots of the weights, row by row.
     *
     * @param  list<float>  $column
     * @param  list<float>  $roots  same length as $column
     * @return list<float>
     */
    public static function on(array $column, array $roots): array
    {
        foreach ($column as $i => $value) {
            $column[$i] = $value * $roots[$i];
        }

        return $column;
    }
}

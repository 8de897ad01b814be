<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

/**
 * Every so-manieth value of a long column.
 *
 * @internal for starting a fit of very many points on a few of them
 */
final class Thinning
{
    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    public static function every(array $values, int $every): array
    {
        $kept = [];
        for ($i = 0, $n = count($values); $i < $n; $i += $every) {
            $kept[] = $values[$i];
        }

        return $kept;
    }
}

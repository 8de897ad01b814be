<?php

declare(strict_types=1);

namespace Welkion\Core\Linear;

/**
 * Least squares by QR without refinement: enough for a guess that a fit will improve.
 *
 * @internal used by StartSearch alone
 */
final class PlainLeastSquares
{
    /**
     * @param  non-empty-list<list<float>>  $columns
     * @param  list<float>  $y
     * @return array{list<float>, float}|null constants and sum of squares left; null if undetermined
     */
    public static function solve(array $columns, array $y): ?array
    {
        $qr = new QrDecomposition($columns);
        $triangle = Triangle::ofQr($qr);
        if (! $triangle->isIndependent(1e-10)) {
            return null;
        }
        $rotated = $qr->rotated($y);
        $squares = 0.0;
        for ($i = count($columns), $n = count($y); $i < $n; $i++) {
            $squares += $rotated[$i] * $rotated[$i];
        }

        return [$triangle->solved($rotated), $squares];
    }
}

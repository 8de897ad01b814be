<?php

declare(strict_types=1);

namespace App\Http;

use App\Recording\RunPicture;

/**
 * Pictures of a run in as few bytes as they need, little-endian: from and to in s as float64; then for each column that
 * was asked for, in that order, whether samples are shown (1) or columns of pixels (0) and how many as
 * uint32, and that many pairs of float32: s after "from" and value of a sample, or smallest and largest of a column
 * (NaN where it has none).
 */
final class PackedPoints
{
    public const TYPE = 'application/octet-stream';

    public static function of(RunPicture $run): string
    {
        $bytes = pack('e2', $run->from, $run->to);
        foreach ($run->pictures as $picture) {
            $pairs = [];
            foreach ($picture->lows as $i => $low) {
                $pairs[] = $picture->showsSamples ? $picture->times[$i] - $picture->from : $low;
                $pairs[] = $picture->showsSamples ? $low : $picture->highs[$i];
            }
            $bytes .= pack('V2', $picture->showsSamples ? 1 : 0, count($picture->lows)).pack('g*', ...$pairs);
        }

        return $bytes;
    }
}

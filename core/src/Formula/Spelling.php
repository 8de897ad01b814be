<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

/**
 * Finds the name that was probably meant.
 *
 * @internal for messages
 */
final class Spelling
{
    /** @param  list<string>  $known */
    public static function nearest(string $typed, array $known): ?string
    {
        $best = null;
        // One slip in a short word, two in a longer one; more would be guessing.
        $allowed = strlen($typed) <= 3 ? 1 : 2;
        foreach ($known as $name) {
            $slips = strcasecmp($name, $typed) === 0 ? 0 : levenshtein(mb_strtolower($name), mb_strtolower($typed));
            if ($slips <= $allowed && $slips < max(strlen($name), strlen($typed))) {
                [$best, $allowed] = [$name, $slips - 1];
            }
        }

        return $best;
    }
}

<?php

declare(strict_types=1);

namespace App\Storage;

use Illuminate\Database\MariaDbConnection;

/** Hands numbers to MariaDB with all their digits: made texts as PHP shows them they would keep 14, and a moment its tenth of a millisecond. */
final class ExactConnection extends MariaDbConnection
{
    /**
     * @param  array<array-key, mixed>  $bindings
     * @return array<array-key, mixed>
     */
    public function prepareBindings(array $bindings): array
    {
        return array_map(
            // The shortest text that is read as the same number.
            static fn (mixed $value): mixed => is_float($value) && is_finite($value) ? json_encode($value, JSON_THROW_ON_ERROR) : $value, parent::prepareBindings($bindings),
        );
    }
}

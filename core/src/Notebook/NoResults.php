<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Working\Outcome;

/** Nothing is kept: everything is worked out afresh. */
final class NoResults implements Results
{
    public function find(string $key): ?Outcome
    {
        return null;
    }

    public function keep(string $key, Outcome $outcome): void
    {
    }
}

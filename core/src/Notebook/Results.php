<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Working\Outcome;

/** Outcomes that were worked out before, by the key of their inputs. */
interface Results
{
    public function find(string $key): ?Outcome;

    public function keep(string $key, Outcome $outcome): void;
}

<?php

declare(strict_types=1);

namespace App\Recorder;

use Welkion\Core\Uncertainty\Measured;

/** The other benches of this recorder, as one of them may know them. */
interface Neighbours
{
    /** @param  list<int>  $benches  that are written down otherwise now; those of other recorders are left out */
    public function reload(array $benches): void;

    /** By how much the clock of a bench is ahead of that of another, in s; null while it cannot be told. */
    public function apart(int $first, int $ahead): ?Measured;

    /** Clock of a bench when it began a timed run, in s; null while the run waits, and of a bench that is not here. */
    public function zeroOf(int $bench, int $run): ?float;
}

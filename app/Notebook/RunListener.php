<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Bench;

/** Who keeps what open runs record, and must know when one is opened, planned anew or finished. */
interface RunListener
{
    /** What is open at a bench is other than it was; told once it is stored. */
    public function reload(Bench $bench): void;
}

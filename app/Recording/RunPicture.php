<?php

declare(strict_types=1);

namespace App\Recording;

use Welkion\Core\Samples\Picture;

/** Pictures of some columns of a run over the same span. */
final readonly class RunPicture
{
    /**
     * @param  float  $from  s after the run began
     * @param  array<string, Picture>  $pictures  by symbol, in quantities; times by the clock of the bench
     * @param  string  $fingerprint  another one whenever the pictures may be others
     */
    public function __construct(public float $from, public float $to, public array $pictures, public string $fingerprint)
    {
    }
}

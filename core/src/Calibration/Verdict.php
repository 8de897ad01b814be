<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** What a calibration says about a probe, and what to do about it, in words to read out. */
final readonly class Verdict
{
    /**
     * @param  string  $code  one word or a few joined by underscores, for programs
     * @param  string  $title  the verdict in a word or two
     * @param  string  $advice  what to do with the probe
     */
    public function __construct(public string $code, public Grade $grade, public string $title, public string $advice)
    {
    }

    /** Whether one may go on with it. */
    public function isUsable(): bool
    {
        return $this->grade !== Grade::Poor;
    }
}

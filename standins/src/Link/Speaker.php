<?php

declare(strict_types=1);

namespace Welkion\Standins\Link;

/** Speaks the probe link (docs/probe-link.md) for one bench: answers control lines, and has readings to send. */
interface Speaker
{
    /**
     * @param  string  $line  one control line
     * @param  float  $now  clock on the wall, s
     * @return list<array<array-key, mixed>> messages for the one who asked
     */
    public function answer(string $line, float $now): array;

    /** @return list<array<string, mixed>> what everyone who listens must hear: probes were plugged in or pulled out */
    public function announcements(): array;

    /** @return list<list<array<string, mixed>>> a SenML pack for each channel with readings that fell due */
    public function due(float $now): array;

    /** Someone who listens cannot take more at present: nothing falls due until it can, where time can be made to wait. */
    public function wait(float $now): void;
}

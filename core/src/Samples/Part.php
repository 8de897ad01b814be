<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** So many samples, or stretches, of a segment from one of them on. */
final readonly class Part
{
    public function __construct(public SegmentHead $head, public int $from, public int $count)
    {
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

/** What an area is measured down to. */
enum Baseline
{
    case Zero;
    /** The height of the first point, as of a signal that starts from rest. */
    case FirstPoint;
    /** The straight line from the first point to the last. */
    case Ends;
}

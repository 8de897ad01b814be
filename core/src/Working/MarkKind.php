<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** How a figure draws a mark. */
enum MarkKind: string
{
    case Point = 'point';
    /** Straight from point to point. */
    case Curve = 'curve';
    /** A rule across the figure at one x. */
    case Vertical = 'vertical';
    /** A rule across the figure at one y. */
    case Horizontal = 'horizontal';
    /** Between two curves over the same x. */
    case Band = 'band';
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** How far a probe can be trusted after its calibration. */
enum Grade: string
{
    /** Record with it. */
    case Good = 'good';
    /** Usable; the result is less sure, and the run says so. */
    case Fair = 'fair';
    /** Results would be too uncertain to teach with. */
    case Poor = 'poor';
}

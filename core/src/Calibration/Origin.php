<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** Where a calibration's line comes from. */
enum Origin: string
{
    /** Read in standards. */
    case Read = 'read';
    /** Another probe's, set on this one. */
    case Copied = 'copied';
    /** Its maker's. */
    case Factory = 'factory';
}

<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Calibration;
use App\Models\User;

/** A calibration belongs to whoever the bench of its probe belongs to. */
final class CalibrationPolicy
{
    public function use(User $user, Calibration $calibration): bool
    {
        return $calibration->loadMissing('probe.bench')->probe->bench->user_id === $user->id;
    }
}

<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use App\Models\Zero;

/** A zero belongs to whoever the bench of its probe belongs to. */
final class ZeroPolicy
{
    public function use(User $user, Zero $zero): bool
    {
        return $zero->loadMissing('probe.bench')->probe->bench->user_id === $user->id;
    }
}

<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Probe;
use App\Models\User;

/** A probe belongs to whoever its bench belongs to. */
final class ProbePolicy
{
    public function use(User $user, Probe $probe): bool
    {
        return $probe->loadMissing('bench')->bench->user_id === $user->id;
    }
}

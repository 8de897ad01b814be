<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Run;
use App\Models\User;

/** A run belongs to whoever its experiment belongs to. */
final class RunPolicy
{
    public function use(User $user, Run $run): bool
    {
        return $run->loadMissing('experiment')->experiment->user_id === $user->id;
    }
}

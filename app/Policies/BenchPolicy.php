<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Bench;
use App\Models\User;

/** Teachers see and use what is their own. */
final class BenchPolicy
{
    public function use(User $user, Bench $bench): bool
    {
        return $bench->user_id === $user->id;
    }
}

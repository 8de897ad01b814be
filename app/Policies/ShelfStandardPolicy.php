<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\ShelfStandard;
use App\Models\User;

/** A shelf belongs to its teacher. */
final class ShelfStandardPolicy
{
    public function use(User $user, ShelfStandard $standard): bool
    {
        return $standard->user_id === $user->id;
    }
}

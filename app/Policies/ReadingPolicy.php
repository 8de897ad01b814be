<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Reading;
use App\Models\User;

/** A reading belongs to whoever the experiment of its run belongs to. */
final class ReadingPolicy
{
    public function use(User $user, Reading $reading): bool
    {
        return $reading->loadMissing('run.experiment')->run->experiment->user_id === $user->id;
    }
}

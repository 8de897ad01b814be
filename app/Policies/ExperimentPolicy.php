<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Experiment;
use App\Models\User;

/** Teachers see and use what is their own. */
final class ExperimentPolicy
{
    public function use(User $user, Experiment $experiment): bool
    {
        return $experiment->user_id === $user->id;
    }
}

<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\SignIn;
use App\Models\User;

/** Teachers see and end their own. */
final class SignInPolicy
{
    public function use(User $user, SignIn $signIn): bool
    {
        return $signIn->user_id === $user->id;
    }
}

<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use App\Notebook\LibraryProtocol;

/** What comes with Welkion is for everybody; an own protocol belongs to its teacher. */
final class LibraryProtocolPolicy
{
    public function use(User $user, LibraryProtocol $protocol): bool
    {
        return $protocol->own === null || $protocol->own->user_id === $user->id;
    }
}

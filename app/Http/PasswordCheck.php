<?php

declare(strict_types=1);

namespace App\Http;

use App\Auth\EmailAddress;
use App\Models\User;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Support\Str;

/** Whether a password belongs to an address, taking as long for an address nobody has as for one somebody has. */
final readonly class PasswordCheck
{
    private const NOBODY = 'sign-in.hash-of-nobody';

    public function __construct(private Hasher $hasher, private Repository $cache)
    {
    }

    public function userOf(string $email, string $password): ?User
    {
        $user = User::query()->where('email', EmailAddress::normalised($email))->first();
        $isRight = $this->hasher->check($password, $user->password ?? $this->hashOfNobody());
        if ($user === null || ! $isRight) {
            return null;
        }
        if ($this->hasher->needsRehash($user->password)) {
            $user->update(['password' => $password]);
        }

        return $user;
    }

    /** Of a password nobody knows, made with the cost of all others. */
    private function hashOfNobody(): string
    {
        $hash = $this->cache->get(self::NOBODY);
        if (is_string($hash) && ! $this->hasher->needsRehash($hash)) {
            return $hash;
        }
        $hash = $this->hasher->make(Str::random(40));
        $this->cache->forever(self::NOBODY, $hash);

        return $hash;
    }
}

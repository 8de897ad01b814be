<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\User;
use App\Notebook\Sender;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Who asks for a change, as the headers of a request say it. */
final class SenderOf
{
    /** Made by the screen for one act; the same key again is the same act. */
    public const KEY = 'Request-Key';

    /** Which window it comes from. */
    public const SCREEN = 'Screen';

    /** Revision of the notebook that was on the screen. */
    public const SEEN = 'Seen-Revision';

    private const LONGEST_SCREEN = 40;

    public static function request(Request $request): Sender
    {
        $user = $request->user();
        $key = $request->headers->get(self::KEY) ?? (string) Str::uuid();
        $seen = $request->headers->get(self::SEEN) ?? '';
        if (! $user instanceof User) {
            throw new AuthenticationException;
        }
        if (! Str::isUuid($key)) {
            throw ValidationException::withMessages([self::KEY => 'The header '.self::KEY.' must be a UUID.']);
        }
        if (preg_match('/^\d{0,9}$/', $seen) !== 1) {
            throw ValidationException::withMessages([self::SEEN => 'The header '.self::SEEN.' must be a whole number.']);
        }

        return new Sender($user, $key, mb_substr(mb_scrub($request->headers->get(self::SCREEN) ?? ''), 0, self::LONGEST_SCREEN), $seen === '' ? null : (int) $seen);
    }
}

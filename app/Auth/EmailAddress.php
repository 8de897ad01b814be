<?php

declare(strict_types=1);

namespace App\Auth;

/** An e-mail address in the one form in which it is stored, looked up and counted. */
final class EmailAddress
{
    /** Full-width and other letters that only look different become the plain ones (Unicode NFKC), capitals small ones. */
    public static function normalised(string $typed): string
    {
        $plain = \Normalizer::normalize(mb_scrub(trim($typed)), \Normalizer::FORM_KC);

        return mb_strtolower($plain === false ? $typed : $plain);
    }
}

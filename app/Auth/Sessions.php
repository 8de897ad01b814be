<?php

declare(strict_types=1);

namespace App\Auth;

use Illuminate\Contracts\Encryption\Encrypter;
use Illuminate\Session\SessionManager;

/** Makes the sessions of the application. */
final class Sessions extends SessionManager
{
    /** @param  \SessionHandlerInterface  $handler */
    protected function buildEncryptedSession($handler): RestingSession
    {
        return new RestingSession(config()->string('session.cookie'), $handler, $this->container->make(Encrypter::class), null, config()->string('session.serialization', 'php'));
    }
}

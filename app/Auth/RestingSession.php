<?php

declare(strict_types=1);

namespace App\Auth;

use Illuminate\Session\EncryptedStore;

/**
 * A session that is written only where something in it is another: thirty screens that follow a bench and hands that drag read it
 * with each request, and each writing would wait for the disk.
 */
final class RestingSession extends EncryptedStore
{
    /** Pages that were looked at, which nothing asks for. */
    private const PASSING = ['_previous' => true];

    /** @var array{string, array<array-key, mixed>}|null whose it is, and what was read */
    private ?array $read = null;

    public function save(): void
    {
        $isAsRead = $this->read === [$this->getId(), array_diff_key($this->attributes, self::PASSING)];
        if ($isAsRead && $this->get('_flash.old', []) === []) {
            $this->started = false;

            return;
        }
        parent::save();
    }

    /** @return array<array-key, mixed> */
    protected function readFromHandler(): array
    {
        $read = parent::readFromHandler();
        $this->read = [$this->getId(), array_diff_key($read, self::PASSING)];

        return $read;
    }
}

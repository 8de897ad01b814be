<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\User;

/** Who asks for a change, from which window, and what they saw of the notebook. */
final readonly class Sender
{
    /**
     * @param  string  $key  the same key again is the same request
     * @param  string  $screen  which window it comes from
     * @param  int|null  $revision  of the notebook that was on the screen; null: does not matter
     */
    public function __construct(public User $user, public string $key, public string $screen = '', public ?int $revision = null)
    {
    }
}

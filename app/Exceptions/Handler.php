<?php

declare(strict_types=1);

namespace App\Exceptions;

use Illuminate\Foundation\Exceptions\Handler as FrameworkHandler;

final class Handler extends FrameworkHandler
{
    /**
     * Nothing of the request: the framework would ask who is signed in, and asking anew after a query has failed makes
     * a new session in place of the one that could not be read.
     *
     * @return array<string, mixed>
     */
    protected function context(): array
    {
        return [];
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** Something to know about a result: what, why it matters, and what to do. */
final readonly class Warning
{
    public function __construct(public string $code, public string $title, public string $text)
    {
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core;

/** Something to know about a result: what, why it matters, and what to do. */
final readonly class Warning
{
    public function __construct(public string $code, public string $title, public string $text)
    {
    }

    /** Both parts in one. */
    public function sentence(): string
    {
        return trim("{$this->title} {$this->text}");
    }
}

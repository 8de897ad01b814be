<?php

declare(strict_types=1);

namespace Welkion\Core\Uncertainty;

/**
 * Where a part of an uncertainty comes from: a typed ±, the scatter of a reading, a calibration, a fit.
 *
 * What two results have in common is the same source in both, so that it is not counted twice. A named source is known again
 * by its key, also after it was stored; one without a name only by being the very same object.
 */
final readonly class Source
{
    private function __construct(private string $key, public string $words)
    {
    }

    /**
     * @param  string  $key  the same for the same source, as "entry c"
     * @param  string  $words  what people call it, as "± of the titrant"
     */
    public static function named(string $key, string $words): self
    {
        return new self("named {$key}", $words);
    }

    /** One that nothing else shares, unless it gets the very value that came of it. */
    public static function unnamed(string $words = ''): self
    {
        return new self('', $words);
    }

    /** One of several independent parts of it, as a fit has as many as constants. */
    public function part(int $number): self
    {
        return $this->key === '' ? self::unnamed($this->words) : new self("{$this->key} / {$number}", $this->words);
    }

    /** Whether it is known again wherever it comes, and not only as this very object. */
    public function isNamed(): bool
    {
        return $this->key !== '';
    }

    /** What it is known again by, while it lives. */
    public function identity(): string
    {
        return $this->key === '' ? 'object '.spl_object_id($this) : $this->key;
    }
}

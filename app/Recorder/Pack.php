<?php

declare(strict_types=1);

namespace App\Recorder;

/** A SenML pack (RFC 8428) of one channel, read from a line of the probe link. */
final readonly class Pack
{
    /**
     * @param  non-empty-list<Sample>  $samples
     * @param  float|null  $madeAt  when a stand-in made the last sample, wall clock in s
     */
    private function __construct(public string $channel, public array $samples, public ?float $madeAt)
    {
    }

    /**
     * @param  array<array-key, mixed>  $records
     * @return self|null null when the records are no readings of a numbered channel
     */
    public static function from(array $records): ?self
    {
        $base = 0.0;
        $channel = null;
        $madeAt = null;
        $samples = [];
        foreach ($records as $record) {
            if (! is_array($record)) {
                return null;
            }
            $base = self::number($record['bt'] ?? null) ?? $base;
            $value = self::number($record['v'] ?? null);
            $name = $record['n'] ?? null;
            $seq = $record['seq'] ?? null;
            if ($value === null || ! is_string($name) || ! is_int($seq) || ($channel !== null && $name !== $channel)) {
                return null;
            }
            $channel = $name;
            $madeAt = self::number($record['wall'] ?? null);
            $samples[] = new Sample($seq, $base + (self::number($record['t'] ?? null) ?? 0.0), $value);
        }

        return $channel === null ? null : new self($channel, $samples, $madeAt);
    }

    private static function number(mixed $value): ?float
    {
        return is_int($value) || is_float($value) ? (float) $value : null;
    }
}

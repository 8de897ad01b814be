<?php

declare(strict_types=1);

namespace App\Recorder\Link;

use Welkion\Core\Uncertainty\Digits;

/** A SenML pack (RFC 8428) of one channel, read from a line of the probe link. */
final readonly class Pack
{
    /** Two minutes at 1000 Hz; a device that has more to tell of what was missed tells it in several packs. */
    public const MOST_SAMPLES = 120_000;

    /** Numbers above this are not whole any more in JSON as most programs read it (RFC 8259, section 6). */
    private const LARGEST_SEQ = 2 ** 53 - 1;

    /** Raw signals are volts, siemens, counts; nothing a probe puts out comes near this in any unit. */
    private const LARGEST_VALUE = 1e12;

    /** Unix seconds; the year 5138. */
    private const LATEST_TIME = 1e11;

    /**
     * @param  non-empty-list<Sample>  $samples
     * @param  float|null  $madeAt  when a stand-in made the last sample, wall clock in s
     */
    private function __construct(public string $channel, public array $samples, public ?float $madeAt)
    {
    }

    /**
     * @param  list<mixed>  $records
     *
     * @throws DeviceFault If the records are no readings of one numbered channel.
     */
    public static function from(array $records): self
    {
        if ($records === [] || count($records) > self::MOST_SAMPLES) {
            throw DeviceFault::because('sent a pack of '.count($records).' readings; it must hold 1 to '.self::MOST_SAMPLES);
        }
        $base = 0.0;
        $channel = null;
        $madeAt = null;
        $samples = [];
        foreach ($records as $record) {
            if (! is_array($record)) {
                throw DeviceFault::because('sent a reading that is no JSON object');
            }
            $base = self::number($record, 'bt', self::LATEST_TIME) ?? $base;
            $name = $record['n'] ?? null;
            if (! is_string($name) || ($channel !== null && $name !== $channel)) {
                throw DeviceFault::because('sent a pack whose readings do not all name the same channel "n"');
            }
            $channel = $name;
            $madeAt = self::number($record, 'wall', self::LATEST_TIME);
            $lastSeq = $samples === [] ? 0 : $samples[count($samples) - 1]->seq;
            array_push($samples, ...self::samples($record, $base, $lastSeq));
            if (count($samples) > self::MOST_SAMPLES) {
                throw DeviceFault::because('sent a pack of more than '.self::MOST_SAMPLES.' readings');
            }
        }

        return new self($channel, $samples, $madeAt);
    }

    /**
     * One reading, or a series of them: the first number and time, the step, and the values.
     *
     * @param  array<array-key, mixed>  $record
     * @return non-empty-list<Sample>
     *
     * @throws DeviceFault If it is none.
     */
    private static function samples(array $record, float $base, int $lastSeq): array
    {
        $values = $record['vs'] ?? null;
        if ($values === null) {
            $values = [self::number($record, 'v', self::LARGEST_VALUE) ?? throw DeviceFault::because('sent a reading without a value "v"')];
        } elseif (! is_array($values) || ! array_is_list($values) || $values === [] || count($values) > self::MOST_SAMPLES) {
            throw DeviceFault::because('sent a series "vs" that is no list of 1 to '.self::MOST_SAMPLES.' values');
        }
        $seq = $record['seq'] ?? null;
        if (! is_int($seq) || $seq <= $lastSeq || $seq > self::LARGEST_SEQ - count($values) + 1) {
            throw DeviceFault::because('sent readings whose numbers "seq" do not rise from 1 to at most '.self::LARGEST_SEQ);
        }
        $step = self::number($record, 'dt', self::LATEST_TIME) ?? (count($values) === 1 ? 0.0 : throw DeviceFault::because('sent a series "vs" without its step "dt"'));
        $first = $base + (self::number($record, 't', self::LATEST_TIME) ?? 0.0);
        if ($step < 0.0 || $first < 0.0 || $first + $step * count($values) > self::LATEST_TIME) {
            throw DeviceFault::because('sent a reading for a time that is no moment in Unix seconds');
        }
        $samples = [];
        foreach ($values as $i => $value) {
            if ((! is_float($value) && ! is_int($value)) || ! ($value <= self::LARGEST_VALUE && $value >= -self::LARGEST_VALUE)) {
                throw DeviceFault::because('sent a "vs" that holds no number from '.Digits::round(-self::LARGEST_VALUE).' to '.Digits::round(self::LARGEST_VALUE));
            }
            $samples[] = new Sample($seq + $i, $first + $i * $step, (float) $value);
        }

        return $samples;
    }

    /** @param  array<array-key, mixed>  $record */
    private static function number(array $record, string $name, float $largest): ?float
    {
        $value = $record[$name] ?? null;
        if ($value === null) {
            return null;
        }
        if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) || abs($value) > $largest) {
            throw DeviceFault::because("sent a \"{$name}\" that is no number from ".Digits::round(-$largest).' to '.Digits::round($largest));
        }

        return (float) $value;
    }
}

<?php

declare(strict_types=1);

namespace App\Recorder\Link;

use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Uncertainty\Digits;

/** A channel as a device tells of it: what is plugged in, and the maker's line. */
final readonly class ToldChannel
{
    private const MOST = 64;

    /** From here to there a number that a maker states can mean anything; and its inverse can still be worked with. */
    private const SMALLEST = 1e-9;

    private const LARGEST = 1e9;

    private const FASTEST_HZ = 1e6;

    private function __construct(
        public string $name,
        public ProbeKind $kind,
        public string $title,
        public string $serial,
        public string $unit,
        public float $resolution,
        public float $fastestHz,
        public ?float $statedSlope,
        public ?float $statedOffset,
        public ?string $statedUnit,
    ) {
    }

    /**
     * All channels in a message of a device. One of a kind that is not known here measures any quantity.
     *
     * @return list<self>
     *
     * @throws DeviceFault If one is not described as the probe link says.
     */
    public static function allIn(mixed $told): array
    {
        if (! is_array($told) || ! array_is_list($told) || count($told) > self::MOST) {
            throw DeviceFault::because('told of no list of channels, or of more than '.self::MOST);
        }
        $channels = array_map(self::one(...), $told);
        foreach (['name', 'serial'] as $own) {
            $all = array_map(static fn (self $c): string => $c->{$own}, $channels);
            if (count(array_unique($all)) < count($all)) {
                throw DeviceFault::because("told of two channels with the same {$own}");
            }
        }

        return $channels;
    }

    private static function one(mixed $told): self
    {
        if (! is_array($told)) {
            throw DeviceFault::because('told of a channel that is no JSON object');
        }
        $kind = ProbeKind::tryFrom(self::text($told, 'kind', 40)) ?? ProbeKind::AnyQuantity;
        $name = self::text($told, 'name', 40);
        $stated = $told['stated'] ?? null;
        if ($stated !== null && ! is_array($stated)) {
            throw DeviceFault::because("states a line of \"{$name}\" that is no JSON object");
        }

        return new self(
            $name, $kind, self::text($told, 'title', 80, $name), self::text($told, 'serial', 80), self::text($told, 'unit', 20, ''),
            self::number($told, 'resolution', 0.0) ?? 0.0, self::rate($told), self::slope($stated ?? [], $name), self::number($stated ?? [], 'offset', -self::LARGEST),
            isset($told['quantityUnit']) ? self::text($told, 'quantityUnit', 30) : null,
        );
    }

    /** @param  array<array-key, mixed>  $told */
    private static function text(array $told, string $field, int $longest, ?string $without = null): string
    {
        $text = $told[$field] ?? $without;
        if (! is_string($text) || ($text === '' && $without !== '') || mb_strlen($text) > $longest || preg_match('/[\x00-\x1F\x7F]/', $text) === 1) {
            throw DeviceFault::because("told of a channel whose {$field} is no text of 1 to {$longest} letters");
        }

        return $text;
    }

    /** @param  array<array-key, mixed>  $told */
    private static function number(array $told, string $field, float $least): ?float
    {
        $value = $told[$field] ?? null;
        if ($value === null) {
            return null;
        }
        if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) || $value < $least || $value > self::LARGEST) {
            throw DeviceFault::because("told of a channel whose {$field} is no number from ".Digits::round($least).' to '.Digits::round(self::LARGEST));
        }

        return (float) $value;
    }

    /** @param  array<array-key, mixed>  $told */
    private static function rate(array $told): float
    {
        $rate = self::number($told, 'fastestHz', 1e-6) ?? 1.0;

        return $rate <= self::FASTEST_HZ ? $rate : throw DeviceFault::because('told of a channel that is read more than a million times a second');
    }

    /** @param  array<array-key, mixed>  $stated */
    private static function slope(array $stated, string $name): ?float
    {
        $slope = self::number($stated, 'slope', -self::LARGEST);
        if ($slope !== null && abs($slope) < self::SMALLEST) {
            throw DeviceFault::because("states a slope of \"{$name}\" that is as good as nothing, so that its signal would mean nothing");
        }

        return $slope;
    }
}

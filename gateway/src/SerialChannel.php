<?php

declare(strict_types=1);

namespace Welkion\Gateway;

/** What one number of a line is. */
final readonly class SerialChannel
{
    private const KINDS = [
        'ph-electrode', 'conductivity-cell', 'thermometer', 'pressure-sensor', 'plunger', 'ecg-lead', 'grip-bulb', 'breathing-belt', 'finger-pulse', 'any-quantity',
    ];

    /**
     * @param  array{float, float}  $range
     * @param  array{slope: float, offset: float}|null  $stated  the maker's line; null if there is none
     */
    private function __construct(
        public string $name,
        public string $kind,
        public string $title,
        public string $serial,
        public string $unit,
        public float $resolution,
        public array $range,
        public float $fastestHz,
        public ?array $stated,
        public ?string $quantityUnit,
    ) {
    }

    /**
     * @param  array<array-key, mixed>  $data
     * @param  int  $place  on the line, from 1
     *
     * @throws SerialProblem If something does not fit.
     */
    public static function of(array $data, int $place, string $bench): self
    {
        $text = static fn (string $name, string $else): string => is_string($data[$name] ?? null) && trim($data[$name]) !== '' ? trim($data[$name]) : $else;
        $number = static fn (string $name, float $else): float => is_int($data[$name] ?? null) || is_float($data[$name] ?? null) ? (float) $data[$name] : $else;
        $kind = $text('kind', '');
        if (! in_array($kind, self::KINDS, true)) {
            throw new SerialProblem("Channel {$place} needs a kind: one of ".implode(', ', self::KINDS).'.');
        }
        if ($text('unit', '') === '') {
            throw new SerialProblem("Channel {$place} needs the unit of its numbers, as \"°C\" or \"mV\".");
        }
        $resolution = $number('resolution', 0.0);
        if ($resolution <= 0.0) {
            throw new SerialProblem("Channel {$place} needs its resolution: the step of its last digit, as 0.01.");
        }
        $range = is_array($data['range'] ?? null) ? array_values($data['range']) : [-1e6, 1e6];
        if (count($range) !== 2 || ! is_numeric($range[0]) || ! is_numeric($range[1]) || $range[0] >= $range[1]) {
            throw new SerialProblem("The range of channel {$place} is its lowest and its highest number, as [-20, 120].");
        }
        $stated = is_array($data['stated'] ?? null) ? $data['stated'] : null;

        return new self(
            $text('name', "channel-{$place}"), $kind, $text('title', ucfirst($text('name', "Channel {$place}"))), $text('serial', "{$bench}-{$place}"), $text('unit', ''), $resolution,
            [(float) $range[0], (float) $range[1]], max(0.01, $number('fastestHz', 10.0)),
            $stated === null ? null : ['slope' => is_numeric($stated['slope'] ?? null) ? (float) $stated['slope'] : 1.0, 'offset' => is_numeric($stated['offset'] ?? null) ? (float) $stated['offset'] : 0.0],
            $text('quantityUnit', '') === '' ? null : $text('quantityUnit', ''),
        );
    }

    /** @return array<string, mixed> as "hello" tells it */
    public function told(): array
    {
        return [
            'name' => $this->name, 'kind' => $this->kind, 'title' => $this->title, 'serial' => $this->serial, 'unit' => $this->unit,
            'resolution' => $this->resolution, 'range' => $this->range, 'fastestHz' => $this->fastestHz, 'stated' => $this->stated,
        ] + ($this->quantityUnit === null ? [] : ['quantityUnit' => $this->quantityUnit]);
    }
}

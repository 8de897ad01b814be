<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** What a device says of one of its channels. */
final readonly class ChannelDescription implements \JsonSerializable
{
    /**
     * @param  string  $unit  unit of the raw signal
     * @param  float  $resolution  in that unit
     * @param  array{float, float}  $range  in that unit
     * @param  array{slope: float, offset: float}|null  $stated  the maker's line: raw unit per unit of the quantity, raw at nothing
     */
    public function __construct(
        public string $name,
        public string $kind,
        public string $title,
        public string $serial,
        public string $unit,
        public float $resolution,
        public array $range,
        public float $fastestHz,
        public ?array $stated = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'name' => $this->name,
            'kind' => $this->kind,
            'title' => $this->title,
            'serial' => $this->serial,
            'unit' => $this->unit,
            'resolution' => $this->resolution,
            'range' => $this->range,
            'fastestHz' => $this->fastestHz,
            'stated' => $this->stated,
        ];
    }
}

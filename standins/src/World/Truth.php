<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** Something that is exactly so at a simulated bench. */
final readonly class Truth implements \JsonSerializable
{
    public function __construct(public string $key, public string $label, public float $value, public string $unit)
    {
    }

    /** @return array<string, string|float> */
    public function jsonSerialize(): array
    {
        return ['key' => $this->key, 'label' => $this->label, 'value' => $this->value, 'unit' => $this->unit];
    }
}

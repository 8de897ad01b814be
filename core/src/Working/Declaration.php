<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** What a method is, takes and gives. */
final readonly class Declaration
{
    /**
     * @param  string  $key  as others name it
     * @param  string  $sentence  what it does, for someone who chooses it
     * @param  string  $source  where the method is from
     * @param  list<Slot>  $inputs
     * @param  array<string, string>  $outcomes  words by name, the result first; empty where they depend on the inputs
     * @param  array<string, string>  $lists  words by name
     * @param  bool  $isForLines  whether people choose it for a line; one that only watches a run is not
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $sentence,
        public string $source,
        public array $inputs,
        public array $outcomes,
        public array $lists = [],
        public bool $isForLines = true,
    ) {
    }

    public function slot(string $name): ?Slot
    {
        foreach ($this->inputs as $slot) {
            if ($slot->name === $name) {
                return $slot;
            }
        }

        return null;
    }

    /** @return list<string> names of columns it takes, in order */
    public function columns(): array
    {
        return array_values(array_map(static fn (Slot $s): string => $s->name, array_filter($this->inputs, static fn (Slot $s): bool => $s->kind === SlotKind::Column)));
    }
}

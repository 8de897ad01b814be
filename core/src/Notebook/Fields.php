<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** A JSON object read without trust: what is missing or of another type is nothing. */
final readonly class Fields
{
    /** @param  array<array-key, mixed>  $all */
    public function __construct(public array $all)
    {
    }

    public function text(string $name): string
    {
        $value = $this->all[$name] ?? null;

        return is_scalar($value) && ! is_bool($value) ? (string) $value : '';
    }

    public function number(string $name): ?float
    {
        $value = $this->all[$name] ?? null;

        return is_int($value) || is_float($value) ? (float) $value : null;
    }

    public function integer(string $name): ?int
    {
        $value = $this->all[$name] ?? null;

        return is_int($value) ? $value : null;
    }

    public function isTrue(string $name): bool
    {
        return ($this->all[$name] ?? null) === true;
    }

    /** The object under a name; an empty one if there is none. */
    public function fields(string $name): self
    {
        $value = $this->all[$name] ?? null;

        return new self(is_array($value) ? $value : []);
    }

    /** @return list<self> the objects of a list */
    public function things(string $name): array
    {
        return array_values(array_map(static fn (array $thing): self => new self($thing), array_filter($this->fields($name)->all, is_array(...))));
    }

    /** @return list<string> the texts of a list */
    public function texts(string $name): array
    {
        return array_values(array_filter($this->fields($name)->all, is_string(...)));
    }

    /** @return array<string, string> the texts and numbers of an object, by name */
    public function named(): array
    {
        $named = [];
        foreach (array_keys($this->all) as $name) {
            $named[(string) $name] = $this->text((string) $name);
        }

        return $named;
    }
}

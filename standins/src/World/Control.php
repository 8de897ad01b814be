<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** A group of things hands can do at a bench, as a tray of controls shows them. */
final readonly class Control implements \JsonSerializable
{
    /**
     * @param  list<array{words: string, act: array<string, scalar>, isOn?: bool}>  $choices
     * @param  array{label: string, unit: string, value: float, field: string, words: string, act: array<string, scalar>, reached: float|null}|null  $number
     * @param  bool  $isStep  whether this is what a stepwise run is set to from reading to reading
     */
    private function __construct(private string $title, private array $choices, private ?array $number, private bool $isStep = false)
    {
    }

    /**
     * One of several places or states, the present one marked.
     *
     * @param  array<string, string>  $options  words by value
     * @param  array<string, scalar>  $act  what is done; the value goes into $field
     */
    public static function choice(string $title, array $options, string $now, array $act, string $field, bool $isStep = false): self
    {
        $choices = [];
        foreach ($options as $value => $words) {
            $choices[] = ['words' => $words, 'act' => $act + [$field => (string) $value], 'isOn' => (string) $value === $now];
        }

        return new self($title, $choices, null, $isStep);
    }

    /**
     * Things that are on or off, each by itself.
     *
     * @param  list<array{string, array<string, scalar>, bool}>  $switches  words, act without its "on", whether it is on
     */
    public static function switches(string $title, array $switches): self
    {
        return new self($title, array_map(
            static fn (array $s): array => ['words' => $s[0], 'act' => $s[1] + ['on' => ! $s[2]], 'isOn' => $s[2]], $switches,
        ), null);
    }

    /**
     * Things that are done and leave no state behind.
     *
     * @param  list<array{string, array<string, scalar>}>  $acts  words and act
     */
    public static function acts(string $title, array $acts): self
    {
        return new self($title, array_map(static fn (array $a): array => ['words' => $a[0], 'act' => $a[1]], $acts), null);
    }

    /**
     * A number to set or to add.
     *
     * @param  array<string, scalar>  $act
     * @param  list<array{words: string, act: array<string, scalar>}>  $choices
     * @param  float|null  $reached  of a number that is added: how much there is already; null: it is set as it is
     */
    public static function number(
        string $title, string $label, string $unit, float $value, array $act, string $field, string $words, array $choices = [], ?float $reached = null, bool $isStep = false,
    ): self {
        return new self($title, $choices, [
            'label' => $label, 'unit' => $unit, 'value' => $value, 'field' => $field, 'words' => $words, 'act' => $act, 'reached' => $reached,
        ], $isStep);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['title' => $this->title, 'choices' => $this->choices, 'number' => $this->number, 'isStep' => $this->isStep];
    }
}

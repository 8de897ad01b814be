<?php

declare(strict_types=1);

namespace Welkion\Cli;

use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\Reading\NumberText;

/** What was typed after a command: its file and its options. */
final readonly class Options
{
    /**
     * @param  list<string>  $words  what was named, without options
     * @param  array<string, list<string>>  $all  every value of each option, in order
     */
    private function __construct(private array $words, private array $all)
    {
    }

    /**
     * @param  list<string>  $words
     * @param  array<string, string>  $known  option without its dashes to what it does; one that begins with * is needed
     * @param  list<string>  $named  what must be named, in order; one that ends with ? may be left out
     *
     * @throws Failure If an option is unknown, has no value or is missing.
     */
    public static function parse(array $words, array $known, array $named = ['FILE']): self
    {
        $values = [];
        $files = [];
        while ($words !== []) {
            $word = array_shift($words);
            if (! str_starts_with($word, '--')) {
                $files[] = $word;

                continue;
            }
            [$name, $value] = [...explode('=', substr($word, 2), 2), null];
            if (! isset($known[$name])) {
                throw Failure::input("There is no option --{$name}. The options are: ".implode(', ', array_map(static fn (string $k): string => "--{$k}", array_keys($known))).'.');
            }
            $value ??= array_shift($words);
            if ($value === null) {
                throw Failure::input("The option --{$name} needs a value.");
            }
            $values[$name][] = $value;
        }
        $needed = array_filter($named, static fn (string $n): bool => ! str_ends_with($n, '?'));
        if (count($files) < count($needed)) {
            throw Failure::input($named === ['FILE'] ? 'Name the file to use, or - for standard input.' : 'Name '.implode(' and ', $needed).'.');
        }
        if (count($files) > count($named)) {
            throw Failure::input($named === ['FILE'] ? 'Name one file only.' : 'Name no more than '.implode(' and ', $named).'.');
        }
        foreach ($known as $name => $help) {
            if (str_starts_with($help, '*') && ! isset($values[$name])) {
                throw Failure::input("The option --{$name} is needed.");
            }
        }

        return new self($files, $values);
    }

    /** The file to use, or - for standard input. */
    public function file(): string
    {
        return $this->words[count($this->words) - 1];
    }

    /** What was named at this place; null if it was left out. */
    public function word(int $place): ?string
    {
        return $this->words[$place] ?? null;
    }

    public function has(string $name): bool
    {
        return isset($this->all[$name]);
    }

    /** @return list<string> every value of an option that may be given several times */
    public function every(string $name): array
    {
        return $this->all[$name] ?? [];
    }

    /**
     * Values by name, from an option given once for each: --set a=2 --set b=3.
     *
     * @return array<string, string>
     *
     * @throws Failure If one is not written so.
     */
    public function pairs(string $name): array
    {
        $pairs = [];
        foreach ($this->every($name) as $text) {
            [$key, $value] = [...array_map(trim(...), explode('=', $text, 2)), null];
            if ($key === '' || $value === null) {
                throw Failure::input("The option --{$name} is written as NAME=VALUE, but \"{$text}\" is not.");
            }
            $pairs[$key] = $value;
        }

        return $pairs;
    }

    public function text(string $name): string
    {
        return $this->last($name) ?? throw Failure::input("The option --{$name} is needed.");
    }

    /** @throws Failure If the value is no number. */
    public function number(string $name): ?float
    {
        $text = $this->last($name);
        if ($text === null) {
            return null;
        }

        return (new NumberText(DecimalMark::Point))->read($text)
            ?? throw Failure::input("The option --{$name} takes a number, but \"{$text}\" was given.");
    }

    /**
     * Numbers by name: "a=5, k=0.1".
     *
     * @return array<string, float>
     *
     * @throws Failure If it is not written so.
     */
    public function numbers(string $name): array
    {
        $numbers = [];
        foreach (explode(',', $this->last($name) ?? '') as $part) {
            if (trim($part) === '') {
                continue;
            }
            [$key, $value] = [...array_map(trim(...), explode('=', $part, 2)), ''];
            $numbers[$key] = (new NumberText(DecimalMark::Point))->read($value)
                ?? throw Failure::input("The option --{$name} is written as a=5,k=0.1, but \"{$part}\" is not.");
        }

        return $numbers;
    }

    /**
     * Ranges by name: "k=0:1, c=:5"; a side left out is open.
     *
     * @return array<string, array{float|null, float|null}>
     *
     * @throws Failure If it is not written so.
     */
    public function ranges(string $name): array
    {
        $ranges = [];
        foreach (explode(',', $this->last($name) ?? '') as $part) {
            if (trim($part) === '') {
                continue;
            }
            if (preg_match('/^\s*([^\s=]+)\s*=\s*([^\s:]*)\s*:\s*([^\s:]*)\s*$/u', $part, $match) !== 1) {
                throw Failure::input("The option --{$name} is written as k=0:1,c=:5, but \"{$part}\" is not.");
            }
            $ends = array_map(static fn (string $end): ?float => $end === '' ? null : (new NumberText(DecimalMark::Point))->read($end)
                ?? throw Failure::input("The option --{$name} takes numbers, but \"{$end}\" was given."), [$match[2], $match[3]]);
            $ranges[$match[1]] = [$ends[0], $ends[1]];
        }

        return $ranges;
    }

    /**
     * A value with its standard uncertainty: "0.1" or "0.1+-0.0005".
     *
     * @return array{float, float}|null
     *
     * @throws Failure If it is not written so.
     */
    public function measured(string $name): ?array
    {
        $text = $this->last($name);
        if ($text === null) {
            return null;
        }
        $parts = preg_split('/\s*(?:\+-|±|\+\/-)\s*/u', $text) ?: [];
        $numbers = array_map(static fn (string $p): ?float => (new NumberText(DecimalMark::Point))->read(trim($p)), $parts);
        $value = $numbers[0] ?? null;
        $uncertainty = count($numbers) === 1 ? 0.0 : $numbers[1] ?? null;
        if ($value === null || $uncertainty === null || $uncertainty < 0.0 || count($numbers) > 2) {
            throw Failure::input("The option --{$name} takes a number such as 0.1 or 0.1+-0.0005, but \"{$text}\" was given.");
        }

        return [$value, $uncertainty];
    }

    private function last(string $name): ?string
    {
        $values = $this->all[$name] ?? [];

        return $values === [] ? null : $values[count($values) - 1];
    }
}

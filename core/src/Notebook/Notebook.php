<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;

/** An experiment, whatever is studied: entries, columns, runs and lines of working, all by one set of symbols. */
final readonly class Notebook
{
    /**
     * @param  array<string, Entry>  $entries  by symbol
     * @param  array<string, Column>  $columns  by symbol
     * @param  array<string, Line>  $lines  by symbol, in the order they are shown
     * @param  array<int, Run>  $runs  by id
     */
    private function __construct(public array $entries, public array $columns, public array $lines, public array $runs)
    {
    }

    /**
     * @param  list<Entry>  $entries
     * @param  list<Column>  $columns
     * @param  list<Line>  $lines  in order
     * @param  list<Run>  $runs  in order
     *
     * @throws InvalidQuantity If a symbol is used twice.
     */
    public static function of(array $entries, array $columns, array $lines, array $runs = []): self
    {
        $symbols = array_map(static fn (Entry|Column|Line $thing): string => $thing->symbol, [...$entries, ...$columns, ...$lines]);
        foreach (array_count_values($symbols) as $symbol => $count) {
            if ($count > 1) {
                throw Symbols::taken((string) $symbol);
            }
        }

        return new self(self::bySymbol($entries), self::bySymbol($columns), self::bySymbol($lines), array_combine(array_map(static fn (Run $r): int => $r->id, $runs), $runs));
    }

    /**
     * @template T of Entry|Column|Line
     *
     * @param  list<T>  $things
     * @return array<string, T>
     */
    private static function bySymbol(array $things): array
    {
        return array_combine(array_map(static fn (Entry|Column|Line $t): string => $t->symbol, $things), $things);
    }

    /**
     * All symbols, and those names of a line's results that are among some.
     *
     * @param  list<string>  $names
     * @return list<string>
     */
    public function symbolsLike(array $names): array
    {
        $symbols = array_map(strval(...), [...array_keys($this->entries), ...array_keys($this->columns), ...array_keys($this->lines)]);

        return [...$symbols, ...array_filter($names, fn (string $name): bool => $name !== Symbols::base($name) && isset($this->lines[Symbols::base($name)]))];
    }

    /** What a line is called by its place: ①, ②. */
    public function numberOf(string $line): string
    {
        $place = (int) array_search($line, array_keys($this->lines), true) + 1;

        return $place <= 20 ? mb_chr(0x245F + $place) : "({$place})";
    }

    /** @param  int|null  $number  as people know it */
    public function runNumbered(?int $number): ?Run
    {
        foreach ($this->runs as $run) {
            if ($run->number === $number) {
                return $run;
            }
        }

        return null;
    }

    /** Whether a symbol has another value in each run. */
    public function isPerRun(string $symbol): bool
    {
        $thing = $this->entries[$symbol] ?? $this->lines[Symbols::base($symbol)] ?? null;

        return $thing !== null && $thing->isPerRun;
    }

    /** Whether symbols stand for columns of the runs table: of each run one value. */
    public function areOfRuns(string ...$symbols): bool
    {
        return array_filter($symbols, fn (string $symbol): bool => ! $this->isPerRun($symbol)) === [];
    }

    /** Text with the words of entries put in for their symbols in braces: "Amount of {analyte}". */
    public function worded(string $text): string
    {
        return (string) preg_replace_callback('/\{([^{}]+)\}/u', function (array $match): string {
            $entry = $this->entries[$match[1]] ?? null;

            return $entry === null ? $match[0] : (trim($entry->text ?? '') === '' ? lcfirst($entry->name) : (string) $entry->text);
        }, $text);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Shares;
use Welkion\Core\Uncertainty\Source;

/** What a symbol stands for in a run or in the experiment, or what it waits for. */
final readonly class Value
{
    /**
     * @param  Measured|null  $measured  null while there is none
     * @param  string|null  $entry  name of the entry that is to be typed
     * @param  string|null  $line  the line it waits for
     * @param  string|null  $why  anything else that is missing
     */
    private function __construct(public ?Measured $measured, public ?string $entry = null, public ?string $line = null, public ?string $why = null)
    {
    }

    /** @return self|null null if the symbol is neither an entry nor a line */
    public static function of(WorkedNotebook $worked, string $symbol, ?int $run): ?self
    {
        $notebook = $worked->notebook;
        $base = Symbols::base($symbol);
        if ($run === null && $notebook->isPerRun($symbol)) {
            return new self(null, why: "\"{$symbol}\" has a value for each run. Work this line out for each run too, or take their mean.");
        }
        if (isset($notebook->entries[$symbol])) {
            return self::ofEntry($notebook->entries[$symbol], $notebook, $run);
        }
        if (! isset($notebook->lines[$base])) {
            return null;
        }
        if (isset($worked->graph->circles[$base])) {
            return new self(null, line: $base);
        }
        $measured = $worked->line($base, $run)->value($symbol);

        return $measured === null ? new self(null, line: $base) : new self($measured);
    }

    /** What is missing of several, in one sentence; null if nothing is. */
    public static function missing(Notebook $notebook, self ...$values): ?string
    {
        $entries = array_values(array_unique(array_filter(array_map(static fn (self $v): ?string => $v->entry, $values))));
        $others = array_values(array_filter(array_map(static fn (self $v): ?string => $v->why, $values)));
        $lines = array_values(array_unique(array_filter(array_map(static fn (self $v): ?string => $v->line, $values))));

        return match (true) {
            $entries !== [] => 'Type the '.implode(' and the ', $entries).'.',
            $others !== [] => $others[0],
            $lines !== [] => 'Needs line '.implode(' and ', array_map($notebook->numberOf(...), $lines)).'.',
            default => null,
        };
    }

    private static function ofEntry(Entry $entry, Notebook $notebook, ?int $run): self
    {
        $value = $entry->valueOf($run);
        $name = $notebook->worded($entry->name);
        if ($value === null) {
            return new self(null, entry: lcfirst($name));
        }
        $source = Source::named('entry '.$entry->symbol.($entry->isPerRun ? " {$run}" : ''), $name);

        return new self(Measured::with($value->value, $value->unit, Shares::of($source, $value->uncertainty)));
    }
}

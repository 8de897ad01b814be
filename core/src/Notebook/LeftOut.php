<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Warning;

/**
 * What was typed and is no number counts nowhere; whoever reads a result is told so.
 *
 * @internal used by LineWork
 */
final readonly class LeftOut
{
    public function __construct(private WorkedNotebook $worked)
    {
    }

    /** @return Warning|null null if every cell the line rests on is a number or blank */
    public function warning(Line $line, ?int $run): ?Warning
    {
        $found = [];
        $count = 0;
        foreach ($run === null ? array_keys($this->worked->notebook->runs) : [$run] as $of) {
            $unreadable = isset($this->worked->notebook->runs[$of]) ? $this->worked->data($of)->unreadable : [];
            foreach ($unreadable === [] ? [] : array_intersect_key($unreadable, $this->columnsBelow($line)) as $symbol => $texts) {
                $count += count($texts);
                $found[] = sprintf('%s, row %d: "%s"', $symbol, array_key_first($texts) + 1, reset($texts));
            }
        }

        return $found === [] ? null : new Warning(
            'no-number', $count === 1 ? "One cell is no number ({$found[0]})." : "{$count} cells are no numbers (the first: {$found[0]}).",
            'Left out here. Put it right in the table, or clear the cell.',
        );
    }

    /** @return array<string, true> columns the line uses, and those these are worked out from */
    private function columnsBelow(Line $line): array
    {
        $columns = [];
        $open = array_values($line->uses);
        while ($open !== []) {
            $symbol = array_pop($open);
            if (isset($this->worked->notebook->columns[$symbol]) && ! isset($columns[$symbol])) {
                $columns[$symbol] = true;
                $open = [...$open, ...$this->worked->graph->uses[$symbol]];
            }
        }

        return $columns;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

/**
 * Takes the lines of a table into its columns, one after the other. Words after the last row are remarks and no rows; which row
 * is the last shows only at the end.
 *
 * @internal used by TableReader alone
 */
final class Rows
{
    /** More lines of words are no remarks after a table. */
    private const MOST_REMARKS = 20;

    private int $count = 0;

    private int $longCount = 0;

    /** @var list<array{string, list<string>}> lines that may be remarks, with their cells */
    private array $held = [];

    /** @param  non-empty-list<ColumnBuilder>  $columns */
    public function __construct(private readonly Layout $layout, private readonly array $columns)
    {
    }

    public function take(string $line): void
    {
        $cells = $this->layout->cells($line);
        if ($this->count > 0 && count($this->held) < self::MOST_REMARKS && $this->isRemark($cells)) {
            $this->held[] = [$line, $cells];

            return;
        }
        // After them comes a row: they stood among the rows, and nothing of a table is left out.
        foreach ($this->held as [, $before]) {
            $this->add($before);
        }
        $this->held = [];
        $this->add($cells);
    }

    public function count(): int
    {
        return $this->count;
    }

    /** How many of them have more cells than there are columns. */
    public function longCount(): int
    {
        return $this->longCount;
    }

    /** @return list<string> lines of words since the last row */
    public function remarks(): array
    {
        return array_column($this->held, 0);
    }

    /** @param  list<string>  $cells */
    private function add(array $cells): void
    {
        $this->count++;
        foreach ($this->columns as $place => $column) {
            $column->add($cells[$place] ?? '');
        }
        $this->longCount += count($cells) > count($this->columns) && trim(implode('', array_slice($cells, count($this->columns)))) !== '' ? 1 : 0;
    }

    /**
     * A line that is no row of this table: words where it has numbers, and no number anywhere.
     *
     * @param  list<string>  $cells
     */
    private function isRemark(array $cells): bool
    {
        $first = $cells[0] ?? '';
        // Nearly all lines are told by their first letter.
        if ($first === '' || ctype_digit($first[0]) || $this->columns[0]->isOfWords() || ! $this->columns[0]->isRemark($first)) {
            return false;
        }
        foreach (array_slice($cells, 1, count($this->columns) - 1) as $place => $cell) {
            if ($cell !== '' && ! $this->columns[$place + 1]->isRemark($cell)) {
                return false;
            }
        }

        return true;
    }
}

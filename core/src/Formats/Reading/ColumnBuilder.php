<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

use Welkion\Core\Formats\Cell;
use Welkion\Core\Formats\ColumnKind;
use Welkion\Core\Formats\TableColumn;

/**
 * Gathers the cells of one column; what kind of column it is shows only at its end.
 *
 * @internal used by TableReader alone
 */
final class ColumnBuilder
{
    /** What people write for "no value". */
    private const NO_VALUE = ['' => true, '-' => true, '--' => true, '---' => true, 'n/a' => true, 'na' => true, 'n.a.' => true, 'nan' => true, 'null' => true, 'none' => true];

    /** @var list<float> NAN where there is no number */
    private array $values = [];

    /** @var array<int, string> row, from 1, to what is written there instead of a number */
    private array $texts = [];

    /** @var list<int> rows, from 1 */
    private array $blanks = [];

    public function __construct(private readonly NumberText $numbers)
    {
    }

    /** The cell of the next row. */
    public function add(string $cell): void
    {
        $value = $this->numbers->read($cell);
        if ($value === null) {
            $row = count($this->values) + 1;
            if (isset(self::NO_VALUE[strtolower($cell)])) {
                $this->blanks[] = $row;
            } else {
                $this->texts[$row] = $cell;
            }
        }
        $this->values[] = $value ?? NAN;
    }

    /** Whether no cell so far holds anything. */
    public function isBlank(): bool
    {
        return count($this->blanks) === count($this->values);
    }

    /** Whether what it holds so far is words, neither numbers nor dates. */
    public function isOfWords(): bool
    {
        $first = reset($this->texts);

        return $first !== false && 2 * count($this->texts) > count($this->values) - count($this->blanks) && DateText::read($first) === null;
    }

    /** Whether a cell says something that is no number, no date, and nothing that could be meant for one. */
    public function isRemark(string $cell): bool
    {
        return ! isset(self::NO_VALUE[strtolower($cell)]) && $this->numbers->read($cell) === null && DateText::read($cell) === null && $this->numbers->remedy($cell) === null;
    }

    /** @param  int  $place  of the column, from 1 */
    public function built(int $place, HeaderCell $header, string $symbol): TableColumn
    {
        $numbers = count($this->values) - count($this->texts) - count($this->blanks);
        if ($numbers >= count($this->texts)) {
            return new TableColumn(ColumnKind::Number, $header->name, $symbol, $header->unit, $this->values, $this->cells($place, $this->texts), $this->cells($place, array_fill_keys($this->blanks, '')));
        }
        $dates = array_filter(array_map(DateText::read(...), $this->texts), is_float(...));
        if (count($dates) > count($this->texts) / 2) {
            return $this->dates($place, $header, $symbol, $dates);
        }

        return new TableColumn(ColumnKind::Text, $header->name, $symbol, $header->unit, [], [], [], $this->texts);
    }

    /** @param  array<int, float>  $dates */
    private function dates(int $place, HeaderCell $header, string $symbol, array $dates): TableColumn
    {
        $first = (float) reset($dates);
        $values = [];
        foreach (array_keys($this->values) as $i) {
            $values[] = isset($dates[$i + 1]) ? $dates[$i + 1] - $first : NAN;
        }
        $unreadable = array_diff_key($this->texts, $dates);

        return new TableColumn(ColumnKind::DateTime, $header->name, $symbol, 's', $values, $this->cells($place, $unreadable),
            $this->cells($place, array_fill_keys($this->blanks, '')), [], DateText::written($first), DateText::written((float) end($dates)));
    }

    /**
     * @param  array<int, string>  $texts
     * @return list<Cell>
     */
    private function cells(int $place, array $texts): array
    {
        $cells = [];
        foreach ($texts as $row => $text) {
            $cells[] = new Cell($row, $place, $text);
        }

        return $cells;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

use Welkion\Core\Formats\Reading\DateText;
use Welkion\Core\Uncertainty\Sums;

/** A column as it was read from a file. */
final readonly class TableColumn
{
    /**
     * @param  string  $unit  as written in the header; s for dates, which are counted from the first one
     * @param  list<float>  $values  one a row, NAN for a cell that is blank or unreadable; empty for text
     * @param  list<Cell>  $unreadable
     * @param  list<Cell>  $blank
     * @param  array<int, string>  $texts  of a column of text, by row from 1
     * @param  string|null  $first  of dates, as 2031-04-11T22:15:00
     */
    public function __construct(
        public ColumnKind $kind,
        public string $name,
        public string $symbol,
        public string $unit,
        public array $values,
        public array $unreadable,
        public array $blank,
        public array $texts = [],
        public ?string $first = null,
        public ?string $last = null,
    ) {
    }

    /** Cells that could be read. */
    public function count(): int
    {
        return $this->kind === ColumnKind::Text ? count($this->texts) : count($this->values) - count($this->unreadable) - count($this->blank);
    }

    /** A value of a column of dates, written as 2031-04-11T22:15:00. */
    public function moment(float $secondsFromFirst): string
    {
        return DateText::written((float) DateText::read((string) $this->first) + $secondsFromFirst);
    }

    /** Sum of the numbers; null for dates and text. */
    public function sum(): ?float
    {
        return $this->kind === ColumnKind::Number ? Sums::exact(array_values(array_filter($this->values, is_finite(...)))) : null;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;

/** One part of a board. */
final readonly class Tile
{
    /** More cannot be read from the last row of a class. */
    public const MOST_COLUMNS = 4;

    /**
     * @param  list<string>  $columns  symbols; none: all that is measured
     * @param  array{float, float}|null  $range  of a level: from and to, in the unit of its column; null: as the values are
     */
    private function __construct(public TileKind $kind, public array $columns, public ?array $range)
    {
    }

    /**
     * @param  Fields  $data  shows, columns, from, to
     *
     * @throws InvalidQuantity If it cannot be; the message says what.
     */
    public static function of(Fields $data): self
    {
        $kind = TileKind::tryFrom($data->text('shows'))
            ?? throw new InvalidQuantity("A tile shows a figure, a readout, a level or a table, not \"{$data->text('shows')}\".");
        $columns = $data->texts('columns');
        if (count($columns) > self::MOST_COLUMNS || $columns !== array_values(array_unique($columns))) {
            throw new InvalidQuantity('A tile shows at most '.self::MOST_COLUMNS.' different columns.');
        }
        $from = $data->number('from');
        $to = $data->number('to');
        if ($from === null && $to === null) {
            return new self($kind, $columns, null);
        }
        if ($from === null || $to === null || ! is_finite($from) || ! is_finite($to) || $from >= $to) {
            throw new InvalidQuantity('A level goes from a number to a greater one.');
        }

        return new self($kind, $columns, [$from, $to]);
    }

    /** The same after a column has got another symbol. */
    public function renamed(string $from, string $to): self
    {
        return new self($this->kind, array_map(static fn (string $s): string => $s === $from ? $to : $s, $this->columns), $this->range);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['shows' => $this->kind->value, 'columns' => $this->columns] + ($this->range === null ? [] : ['from' => $this->range[0], 'to' => $this->range[1]]);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Formats;

use Welkion\Core\Formats\Reading\ColumnBuilder;
use Welkion\Core\Formats\Reading\HeaderCell;
use Welkion\Core\Formats\Reading\Layout;
use Welkion\Core\Formats\Reading\LayoutGuess;
use Welkion\Core\Formats\Reading\NumberText;
use Welkion\Core\Formats\Reading\Records;
use Welkion\Core\Formats\Reading\Rows;
use Welkion\Core\Formats\Reading\Symbols;
use Welkion\Core\Formats\Reading\TextDecoder;

/**
 * Reads delimited text as people have it: any common separator, decimal mark and encoding, titles and comments
 * around the table, units in the header or in a row of their own. Reads the file to its end and lists every cell
 * it could not read. Cf. RFC 4180 for quoting.
 */
final class TableReader
{
    /** Lines looked at before the layout is decided. */
    private const FIRST_LINES = 200;

    private const ROWS_PER_REPORT = 5000;

    /**
     * @param  iterable<string>  $chunks  the bytes of the file, in pieces of any size
     * @param  (callable(int, int, int): void)|null  $progress  told rows, bytes and cells read, every few thousand rows and at the end; what it throws ends the reading
     * @param  TableHints  $hints  what is known of it, in place of guesses
     *
     * @throws UnreadableFile If the file is not text or holds no rows.
     */
    public function read(iterable $chunks, ?callable $progress = null, TableHints $hints = new TableHints): Table
    {
        $decoder = new TextDecoder;
        $records = Records::from($decoder->lines($chunks));
        $first = [];
        while ($records->valid() && count($first) < self::FIRST_LINES) {
            $first[] = $records->current();
            $records->next();
        }
        if ($first === []) {
            throw UnreadableFile::isEmpty();
        }
        $layout = LayoutGuess::from($first, $hints);
        $numbers = new NumberText($layout->mark);
        [$headers, $skipped, $notes, $hasHeader] = $this->headers($first, $layout, $numbers, $hints->hasHeader);

        /** @var non-empty-list<ColumnBuilder> $builders */
        $builders = array_map(static fn (): ColumnBuilder => new ColumnBuilder($numbers), $headers);
        $rows = new Rows($layout, $builders);
        foreach (array_slice($first, $skipped) as $record) {
            $rows->take($record);
        }
        unset($first);
        for ($reported = 0; $records->valid(); $records->next()) {
            $rows->take($records->current());
            if ($progress !== null && $rows->count() - $reported >= self::ROWS_PER_REPORT) {
                $reported = $rows->count();
                $progress($reported, $decoder->bytesRead(), $reported * count($builders));
            }
        }
        if ($rows->count() === 0) {
            throw UnreadableFile::isEmpty();
        }
        if ($progress !== null) {
            $progress($rows->count(), $decoder->bytesRead(), $rows->count() * count($builders));
        }
        array_push($notes, ...array_map(static fn (string $remark): string => "Not part of the table: \"{$remark}\".", $rows->remarks()));
        if ($rows->longCount() > 0) {
            $notes[] = "{$rows->longCount()} rows have more cells than the header; what stands beyond it was left out.";
        }

        return new Table($rows->count(), $this->columns($headers, $builders), [...$decoder->notes(), ...$this->layoutNotes($layout), ...$notes],
            new TableHints(array_search($layout->separator, TableHints::SEPARATORS, true) ?: null, $layout->mark, $hasHeader));
    }

    /**
     * @param  non-empty-list<string>  $first
     * @return array{list<HeaderCell>, int, list<string>, bool} heads, lines before the data, notes, and whether they have names
     */
    private function headers(array $first, Layout $layout, NumberText $numbers, ?bool $hasHeader): array
    {
        $width = max(0, ...array_map(static fn (string $line): int => count($layout->cells($line)), $first));
        $notes = [];
        $at = 0;
        // A title has fewer cells than the table under it.
        while ($at < count($first) - 1 && $width > 1 && count($layout->cells($first[$at])) === 1) {
            $notes[] = "Not part of the table: \"{$first[$at]}\".";
            $at++;
        }
        $cells = $layout->cells($first[$at]);
        $isHeader = $hasHeader ?? (array_filter($cells, static fn (string $c): bool => $c !== '' && $numbers->read($c) === null) !== []
            && array_filter($cells, static fn (string $c): bool => $numbers->read($c) !== null) === []);
        if (! $isHeader) {
            $notes[] = 'The file has no header, so the columns are numbered.';

            return [array_map(static fn (int $k): HeaderCell => HeaderCell::read("Column {$k}"), range(1, max(1, $width))), $at, $notes, false];
        }
        $headers = array_map(HeaderCell::read(...), $cells);
        $at++;
        $units = isset($first[$at]) ? $layout->cells($first[$at]) : [];
        if ($this->isUnitRow($headers, $units)) {
            $at++;
            $headers = array_map(static fn (HeaderCell $h, int $k): HeaderCell => $h->withUnit($units[$k] ?? ''), $headers, array_keys($headers));
        }

        return [$headers, $at, $notes, true];
    }

    /**
     * @param  list<HeaderCell>  $headers
     * @param  list<string>  $cells
     */
    private function isUnitRow(array $headers, array $cells): bool
    {
        $written = array_filter($cells, static fn (string $cell): bool => $cell !== '' && $cell !== '-');
        $named = array_filter($headers, static fn (HeaderCell $h): bool => $h->unit !== '');

        return $written !== [] && $named === [] && array_filter($written, is_numeric(...)) === []
            && array_filter($written, HeaderCell::isUnit(...)) === $written;
    }

    /**
     * @param  list<HeaderCell>  $headers
     * @param  list<ColumnBuilder>  $builders
     * @return list<TableColumn>
     */
    private function columns(array $headers, array $builders): array
    {
        // A separator at every line's end makes a column without a head or a cell.
        $kept = array_values(array_filter(array_keys($headers), static fn (int $k): bool => $headers[$k]->name !== '' || ! $builders[$k]->isBlank()));
        $symbols = Symbols::of(array_map(static fn (int $k): string => $headers[$k]->name, $kept));

        return array_map(static fn (int $k, string $symbol): TableColumn => $builders[$k]->built($k + 1, $headers[$k], $symbol), $kept, $symbols);
    }

    /** @return list<string> */
    private function layoutNotes(Layout $layout): array
    {
        $between = match ($layout->separator) {
            "\t" => 'tabs', ';' => 'semicolons', '|' => 'bars', Layout::BLANKS => 'blanks', default => 'commas',
        };
        $mark = $layout->mark === DecimalMark::Comma ? 'comma' : 'point';

        return ["Cells are separated by {$between}; the decimal mark is a {$mark}."];
    }
}

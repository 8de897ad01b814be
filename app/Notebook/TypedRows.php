<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Column;
use App\Models\Run;
use App\Models\SetAside;
use App\Models\TypedColumn;
use Illuminate\Support\Collection;
use Welkion\Core\Notebook\RowOrder;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** The rows of a typed run, as they stand; and the typed columns beside what was measured in a stepwise one. */
final class TypedRows
{
    /** Rows of a column that is read by itself. */
    private const LONG = 1000;

    /** @var list<int>|null */
    private ?array $rows = null;

    /**
     * @param  RowOrder|list<int>  $order  numbers of the rows, as they stand
     * @param  Collection<int, Column>  $columns
     * @param  array<int, TypedColumn>  $typed  by column id
     */
    private function __construct(private readonly Run $run, private readonly RowOrder|array $order, private readonly Collection $columns, private readonly array $typed)
    {
    }

    /** @param  Collection<int, Column>  $columns  of the notebook */
    public static function of(Run $run, Collection $columns): self
    {
        return self::beside($run, $run->rowOrder(), $columns);
    }

    /**
     * @param  RowOrder|list<int>  $rows
     * @param  Collection<int, Column>  $columns
     */
    public static function beside(Run $run, RowOrder|array $rows, Collection $columns): self
    {
        $columns = $columns->filter(static fn (Column $c): bool => $run->isTypedIn($c));
        $typed = [];
        foreach ($columns->isEmpty() ? [] : $run->loadMissing('typedColumns')->typedColumns as $of) {
            if ($columns->firstWhere('id', $of->column_id)?->edition === $of->edition) {
                $typed[$of->column_id] = $of;
            }
        }

        return new self($run, $rows, $columns, $typed);
    }

    /** @return list<int> numbers of the rows, as they stand; of a long table most questions need none of them */
    public function rows(): array
    {
        return $this->rows ??= $this->order instanceof RowOrder ? $this->order->rows() : $this->order;
    }

    public function count(): int
    {
        return $this->order instanceof RowOrder ? $this->order->count() : count($this->order);
    }

    /**
     * @param  Collection<int, Column>  $columns
     * @return array<string, string> by symbol: another one whenever the cells of the column, or which of its rows count, are others
     */
    public static function revisions(Run $run, Collection $columns): array
    {
        $self = self::beside($run, [], $columns);
        $aside = static fn (?int $id): array => $run->setAsides->where('column_id', $id)->map(static fn (SetAside $s): array => [$s->first_row, $s->last_row, $s->reason])->all();
        $revisions = [];
        foreach ($self->columns as $column) {
            $of = [$run->id, $run->row_order, $aside(null), $aside($column->id), ($self->typed[$column->id] ?? null)?->state(), ($self->typed[$self->uncertaintyOf($column)?->id] ?? null)?->state()];
            $revisions[$column->symbol] = sha1(serialize($of));
        }

        return $revisions;
    }

    public function data(): RunData
    {
        $aside = $this->run->loadMissing('setAsides')->setAsides;
        $ofColumns = [];
        foreach ($this->columns as $column) {
            $of = $this->aside($column->id);
            $ofColumns += $of === [] ? [] : [$column->symbol => $of];
        }

        return new RunData($this->count(), $this->cells(), $aside->isEmpty() ? [] : $this->aside(null), $ofColumns, $this->words(), $this->unreadable());
    }

    /** @return array<string, \Closure(): ColumnInput> by symbol; not a number for a blank, and for what is no number */
    public function cells(): array
    {
        $cells = [];
        foreach ($this->columns as $column) {
            $unit = Unit::ofHeader($column->unit);
            $cells[$column->symbol] = fn (): ColumnInput => new ColumnInput($column->symbol, $unit, $this->numbers($column), $this->scatter($column));
        }

        return $cells;
    }

    /** @return array<string, list<string>> of columns of words, by symbol */
    public function words(): array
    {
        $words = [];
        foreach ($this->columns as $column) {
            if ($column->is_words) {
                $texts = ($this->typed[$column->id] ?? null)->texts ?? [];
                $words[$column->symbol] = array_map(static fn (int $row): string => $texts[$row] ?? '', $this->rows());
            }
        }

        return $words;
    }

    /** @return array<string, array<int, string>> what is no number in a column of numbers, by symbol and place from 0 */
    public function unreadable(): array
    {
        $unreadable = [];
        foreach ($this->columns as $column) {
            $texts = $column->is_words ? [] : ($this->typed[$column->id] ?? null)->texts ?? [];
            foreach ($texts === [] ? [] : $this->rows() as $place => $row) {
                if (isset($texts[$row])) {
                    $unreadable[$column->symbol][$place] = $texts[$row];
                }
            }
        }

        return $unreadable;
    }

    /** @return array<string, int> digits behind the mark a column of numbers is shown with, by symbol; none where its ± says */
    public function decimals(): array
    {
        $decimals = [];
        foreach ($this->columns as $column) {
            if (! $column->is_words && $column->uncertainty === 0.0 && $column->uncertainty_of === null) {
                $decimals[$column->symbol] = $column->decimals ?? ($this->typed[$column->id] ?? null)->decimals ?? 0;
            }
        }

        return $decimals;
    }

    /** @return list<float> as the rows stand */
    private function numbers(Column $column): array
    {
        $typed = $this->typed[$column->id] ?? null;
        if ($typed === null) {
            return array_fill(0, $this->count(), NAN);
        }
        // Short ones are read together, a long one when it is used.
        $typed->reach > self::LONG || TypedColumn::readNumbers(array_filter($this->typed, static fn (TypedColumn $t): bool => $t->reach <= self::LONG));

        $isAll = $this->order instanceof RowOrder && $this->order->isPlain() && $typed->reach === $this->count();

        return $isAll ? $typed->values() : $typed->numbersIn($this->rows());
    }

    /** @return list<float>|null standard uncertainty of each cell */
    private function scatter(Column $column): ?array
    {
        $of = $this->uncertaintyOf($column);
        if ($of !== null) {
            return array_map(static fn (float $u): float => is_finite($u) ? abs($u) : 0.0, $this->numbers($of));
        }

        return $column->uncertainty > 0.0 ? array_fill(0, $this->count(), $column->uncertainty) : null;
    }

    private function uncertaintyOf(Column $column): ?Column
    {
        return $column->uncertainty_of === null ? null : $this->columns->firstWhere('symbol', $column->uncertainty_of);
    }

    /** @return array<int, string> reason by place of the row */
    private function aside(?int $columnId): array
    {
        $aside = [];
        foreach ($this->run->setAsides as $range) {
            foreach ($range->column_id === $columnId ? $this->rows() : [] as $place => $row) {
                if ($row >= $range->first_row && $row <= $range->last_row) {
                    $aside[$place] = $range->reason;
                }
            }
        }

        return $aside;
    }
}

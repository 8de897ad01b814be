<?php

declare(strict_types=1);

namespace App\Typing;

use App\Exceptions\Refusal;
use App\Models\Run;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Sender;
use Welkion\Core\Notebook\RowOrder;

/** Puts rows into a typed run, takes them out and moves them. */
final readonly class RowBook
{
    public const MOST_ROWS = 200_000;

    public function __construct(private Journal $journal)
    {
    }

    /** @param  int|null  $before  number of the row they are put before; null: at the end */
    public function insert(Run $run, int $count, ?int $before, Sender $sender): void
    {
        $this->change($run, $sender, static function (Draft $draft, RowOrder $order) use ($run, $count, $before): string {
            self::made($draft, $run, $count, $before === null ? $order->count() : self::place($order, $before));

            return ($count === 1 ? 'Put in a row' : "Put in {$count} rows")." in {$run->title()}";
        });
    }

    /** Those between two rows as they stand, both included. */
    public function delete(Run $run, int $from, int $to, Sender $sender): void
    {
        $this->change($run, $sender, static function (Draft $draft, RowOrder $order) use ($run, $from, $to): string {
            [$place, $count] = self::stretch($order, $from, $to);
            $draft->merged($run, ['row_order' => $order->without($place, $count)->toArray()]);

            return ($count === 1 ? 'Deleted a row' : "Deleted {$count} rows")." of {$run->title()}";
        });
    }

    /** @param  int|null  $before  number of the row they are put before; null: at the end */
    public function move(Run $run, int $from, int $to, ?int $before, Sender $sender): void
    {
        $this->change($run, $sender, static function (Draft $draft, RowOrder $order) use ($run, $from, $to, $before): string {
            [$place, $count] = self::stretch($order, $from, $to);
            $draft->merged($run, ['row_order' => $order->moved($place, $count, $before === null ? $order->count() : self::place($order, $before))->toArray()]);

            return ($count === 1 ? 'Moved a row' : "Moved {$count} rows")." of {$run->title()}";
        });
    }

    /**
     * New rows, put before the one that stands at a place.
     *
     * @return list<int> their numbers
     */
    public static function made(Draft $draft, Run $run, int $count, int $place): array
    {
        if ($count < 1) {
            return [];
        }
        $order = $run->rowOrder();
        $order->count() + $count <= self::MOST_ROWS || throw Refusal::tooManyRows(self::MOST_ROWS);
        $first = $run->rows_made + 1;
        // A number is never given twice, not even when the change is undone.
        Run::query()->whereKey($run->id)->update(['rows_made' => $first + $count - 1]);
        $draft->merged($run, ['row_order' => $order->with($first, $count, $place)->toArray()]);

        return range($first, $first + $count - 1);
    }

    /** @param  \Closure(Draft, RowOrder): string  $make */
    private function change(Run $run, Sender $sender, \Closure $make): void
    {
        $this->journal->change($run->experiment, $sender, static function (Draft $draft) use ($run, $make): string {
            $run->refresh();
            $run->isTyped() || throw Refusal::rowsAreRecorded();

            return $make($draft, $run->rowOrder());
        });
    }

    /** @return array{int, int} place of the first, and how many */
    private static function stretch(RowOrder $order, int $from, int $to): array
    {
        [$first, $last] = [self::place($order, $from), self::place($order, $to)];

        return [min($first, $last), abs($last - $first) + 1];
    }

    private static function place(RowOrder $order, int $row): int
    {
        return $order->placeOf($row) ?? throw Refusal::rowGone();
    }
}

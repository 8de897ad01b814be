<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Notebook\RowOrder;

final class RowOrderTest extends TestCase
{
    public function test_rows_are_put_in_taken_out_and_moved(): void
    {
        $order = RowOrder::of(5);
        self::assertSame([[1, 5]], $order->toArray());
        $order = $order->with(6, 2, 2);
        self::assertSame([1, 2, 6, 7, 3, 4, 5], $order->rows());
        self::assertSame([[1, 2], [6, 7], [3, 5]], $order->toArray());
        self::assertSame([1, 2, 6, 4, 5], $order->without(3, 2)->rows());
        self::assertSame([1, 2, 3, 4, 6, 7, 5], $order->moved(2, 2, 6)->rows());
        self::assertSame([6, 7, 1, 2, 3, 4, 5], $order->moved(2, 2, 0)->rows());
        self::assertSame([7, 8, 9], RowOrder::of(0)->with(7, 3, 0)->rows());
    }

    public function test_rows_that_follow_each_other_again_are_one_stretch(): void
    {
        $order = RowOrder::of(100_000);
        self::assertSame([[1, 100_000]], $order->moved(10, 5, 90)->moved(85, 5, 10)->toArray());
        self::assertSame([[1, 100_010]], $order->with(100_001, 10, 100_000)->toArray());
        self::assertSame([], $order->without(0, 100_000)->toArray());
    }

    public function test_nothing_is_done_outside_of_what_is_there(): void
    {
        $order = RowOrder::of(3);
        self::assertSame([1, 2, 3, 4], $order->with(4, 1, 99)->rows(), 'At the end.');
        self::assertSame([1, 2, 3], $order->with(4, 0, 1)->rows());
        self::assertSame([1, 2], $order->without(2, 99)->rows());
        self::assertSame([1, 2, 3], $order->without(5, 1)->rows());
        self::assertSame([1, 2, 3], $order->moved(1, 2, 2)->rows(), 'Into itself.');
        self::assertNull($order->placeOf(4));
        self::assertSame([3], $order->rows(2, 5));
        self::assertSame([], $order->rows(3));
    }

    public function test_what_is_stored_comes_back_and_nonsense_does_not(): void
    {
        $order = RowOrder::of(9)->without(2, 3)->with(10, 2, 1);
        self::assertSame($order->toArray(), RowOrder::fromArray($order->toArray())->toArray());
        self::assertSame([[4, 4]], RowOrder::fromArray([[3, 1], 'x', [1], [4, 4], [0, 2], [1.5, 2]])->toArray());
    }

    public function test_rows_that_stand_as_they_were_made_are_told(): void
    {
        self::assertTrue(RowOrder::of(9)->isPlain());
        self::assertTrue(RowOrder::of(9)->without(7, 2)->isPlain());
        self::assertTrue(RowOrder::of(0)->isPlain());
        self::assertFalse(RowOrder::of(9)->without(0, 2)->isPlain());
        self::assertFalse(RowOrder::of(9)->moved(0, 1, 9)->isPlain());
    }

    /** The same done to a plain list is the truth. */
    public function test_random_changes_give_what_they_give_to_a_list(): void
    {
        $random = new Randomizer(new Mt19937(41));
        for ($trial = 0; $trial < 60; $trial++) {
            $list = range(1, $random->getInt(1, 13));
            $order = RowOrder::of(count($list));
            $next = count($list) + 1;
            for ($step = 0; $step < 25; $step++) {
                [$place, $count] = [$random->getInt(0, count($list)), $random->getInt(1, 4)];
                if ($random->getInt(0, 2) === 0) {
                    array_splice($list, $place, 0, range($next, $next + $count - 1));
                    $order = $order->with($next, $count, $place);
                    $next += $count;
                } elseif ($random->getInt(0, 1) === 0) {
                    array_splice($list, $place, $count);
                    $order = $order->without($place, $count);
                } else {
                    $count = min($count, count($list) - $place);
                    $before = $random->getInt(0, count($list));
                    $stays = $before > $place && $before < $place + $count;
                    $order = $order->moved($place, $count, $before);
                    $taken = array_splice($list, $place, $count);
                    array_splice($list, $stays ? $place : ($before > $place ? $before - $count : $before), 0, $taken);
                }
                self::assertSame($list, $order->rows(), "seed 41, trial {$trial}, step {$step}");
                self::assertSame(count($list), $order->count());
                foreach ($list as $at => $row) {
                    self::assertSame($at, $order->placeOf($row));
                }
                self::assertSame(array_slice($list, $place, 3), $order->rows($place, 3));
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Notebook\Arrangement;
use Welkion\Core\Notebook\Board;
use Welkion\Core\Notebook\Protocol;

final class BoardTest extends TestCase
{
    private const FOUR = ['arrangement' => 'four', 'tiles' => [
        ['shows' => 'figure', 'columns' => []], ['shows' => 'readout', 'columns' => ['a', 'b']],
        ['shows' => 'level', 'columns' => ['a'], 'from' => 0.0, 'to' => 25.0], ['shows' => 'table', 'columns' => ['b', 'c']],
    ]];

    public function test_is_told_as_it_was_read(): void
    {
        $board = Board::fromArray(self::FOUR);

        self::assertSame(self::FOUR, $board->toArray());
        self::assertSame(['a', 'b', 'c'], $board->columns());
        self::assertSame([1, 2, 3, 4], array_map(static fn (Arrangement $a): int => $a->places(), Arrangement::cases()));
        self::assertSame([], Board::ready()->columns(), 'It shows what is measured, whatever that is.');
        self::assertSame(['figure', 'readout', 'table'], array_column(Board::ready()->toArray()['tiles'], 'shows'));
    }

    public function test_names_a_column_anew(): void
    {
        $renamed = Board::fromArray(self::FOUR)->renamed('a', 'z');

        self::assertSame(['z', 'b', 'c'], $renamed->columns());
        self::assertSame(['from' => 0.0, 'to' => 25.0], array_slice($renamed->toArray()['tiles'][2], 2));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $one = static fn (array $tile): array => ['arrangement' => 'one', 'tiles' => [$tile]];
        yield 'no arrangement' => [['tiles' => []], 'A board has one, two, three or four places, not "".'];
        yield 'too few tiles' => [['arrangement' => 'two', 'tiles' => [['shows' => 'table']]], 'This arrangement has 2 places, but 1 tiles were given.'];
        yield 'no such tile' => [$one(['shows' => 'clock']), 'A tile shows a figure, a readout, a level or a table, not "clock".'];
        yield 'too many columns' => [$one(['shows' => 'table', 'columns' => ['a', 'b', 'c', 'd', 'e']]), 'A tile shows at most 4 different columns.'];
        yield 'a column twice' => [$one(['shows' => 'table', 'columns' => ['a', 'a']]), 'A tile shows at most 4 different columns.'];
        yield 'half a range' => [$one(['shows' => 'level', 'to' => 3]), 'A level goes from a number to a greater one.'];
        yield 'the other half' => [$one(['shows' => 'level', 'from' => 3]), 'A level goes from a number to a greater one.'];
        yield 'a range that is none' => [$one(['shows' => 'level', 'from' => 3, 'to' => 3]), 'A level goes from a number to a greater one.'];
        yield 'a range without end' => [$one(['shows' => 'level', 'from' => 0, 'to' => INF]), 'A level goes from a number to a greater one.'];
    }

    /** @param  array<string, mixed>  $data */
    #[DataProvider('wrong')]
    public function test_says_what_cannot_be(array $data, string $sentence): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage($sentence);
        Board::fromArray($data);
    }

    public function test_a_protocol_whose_board_shows_what_is_not_there_is_refused(): void
    {
        $data = [
            'title' => 'Any', 'sentence' => 'Any.', 'roles' => [], 'entries' => [], 'columns' => [['symbol' => 'a', 'name' => 'A', 'unit' => '', 'kind' => 'typed']],
            'run' => ['kind' => 'stepwise'], 'figures' => [], 'lines' => [],
        ];
        $board = static fn (string $symbol): array => ['board' => ['arrangement' => 'one', 'tiles' => [['shows' => 'readout', 'columns' => [$symbol]]]]];

        self::assertSame('one', Protocol::of($data + $board('a'))->data->fields('board')->text('arrangement'));
        foreach ([[$board('q'), 'On the board: "q" is no column.'], [['board' => ['arrangement' => 'six']], 'On the board: A board has one, two, three or four places']] as [$wrong, $sentence]) {
            try {
                Protocol::of($data + $wrong);
                self::fail('It was taken.');
            } catch (InvalidQuantity $error) {
                self::assertStringContainsString($sentence, $error->getMessage());
            }
        }
    }
}

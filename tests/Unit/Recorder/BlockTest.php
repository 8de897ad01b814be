<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Keeping\Block;
use App\Recorder\Link\Sample;
use PHPUnit\Framework\TestCase;

final class BlockTest extends TestCase
{
    public function test_blocks_keep_every_bit_and_are_cut_where_numbers_are_missing(): void
    {
        $samples = [...self::samples(1, 300), ...self::samples(305, 306)];
        [$first, $second] = array_map(static fn (Block $block): array => $block->toRow(), Block::cut(9, $samples));

        self::assertSame([1, 300, 305, 2], [$first['first_seq'], $first['count'], $second['first_seq'], $second['count']]);
        self::assertSame(array_map(static fn (Sample $s): float => $s->value, self::samples(1, 300)), array_values((array) unpack('e*', (string) $first['payload'])));
        self::assertSame(0.25, $first['dt']);
        $uneven = Block::cut(9, [new Sample(1, 0.0, 1.0), new Sample(2, 0.1, 2.0), new Sample(3, 0.9, 3.0)])[0]->toRow();
        self::assertSame([0.0, 0.1, 0.9], array_values((array) unpack('e*', (string) $uneven['times'])));
    }

    public function test_a_block_ends_where_the_clock_went_back_and_where_it_is_full(): void
    {
        $samples = [new Sample(1, 100.0, 1.0), new Sample(2, 101.0, 2.0), new Sample(3, 40.0, 3.0), new Sample(4, 40.0, 4.0)];
        $blocks = Block::cut(9, $samples);

        self::assertSame([[1, 2, 100.0], [3, 2, 40.0]], array_map(static fn (Block $b): array => [$b->toRow()['first_seq'], $b->toRow()['count'], $b->toRow()['t0']], $blocks));
        $many = Block::cut(9, self::samples(1, 2 * Block::LARGEST + 1));
        self::assertSame([Block::LARGEST, Block::LARGEST, 1], array_map(static fn (Block $b): mixed => $b->toRow()['count'], $many));
        self::assertSame([], Block::cut(9, []));
    }

    /** @return list<Sample> */
    private static function samples(int $from, int $to): array
    {
        return array_map(static fn (int $seq): Sample => new Sample($seq, 1000.0 + $seq / 4, sin($seq) * 177.3), range($from, $to));
    }
}

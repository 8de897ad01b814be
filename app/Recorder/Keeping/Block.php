<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

use App\Recorder\Link\Sample;
use Welkion\Core\Samples\Segment;

/** Samples of one channel of a run in the form they are kept until they are filed: packed. */
final readonly class Block
{
    public const LARGEST = 4096;

    /** @param  non-empty-list<Sample>  $samples with consecutive numbers */
    public function __construct(public int $runChannelId, private array $samples)
    {
    }

    /**
     * Cuts samples into blocks wherever a number is missing, the clock went back, or a block is full.
     *
     * @param  list<Sample>  $samples
     * @return list<self>
     */
    public static function cut(int $runChannelId, array $samples): array
    {
        $blocks = [];
        $piece = [];
        foreach ($samples as $sample) {
            $before = $piece === [] ? null : $piece[count($piece) - 1];
            if ($before !== null && ($sample->seq !== $before->seq + 1 || $sample->time < $before->time || count($piece) >= self::LARGEST)) {
                $blocks[] = new self($runChannelId, $piece);
                $piece = [];
            }
            $piece[] = $sample;
        }

        return $piece === [] ? $blocks : [...$blocks, new self($runChannelId, $piece)];
    }

    /** @return array<string, int|float|string|null> a row of sample_blocks */
    public function toRow(): array
    {
        $segment = Segment::of(
            array_map(static fn (Sample $s): float => $s->time, $this->samples), array_map(static fn (Sample $s): float => $s->value, $this->samples),
        );
        $offsets = $segment->offsets();

        return [
            'run_channel_id' => $this->runChannelId,
            'first_seq' => $this->samples[0]->seq,
            'count' => $segment->count(),
            't0' => $segment->t0,
            'dt' => $segment->dt,
            'times' => $offsets === null ? null : pack('e*', ...$offsets),
            'payload' => pack('e*', ...$segment->values),
        ];
    }
}

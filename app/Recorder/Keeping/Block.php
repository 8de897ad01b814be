<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

use App\Recorder\Link\Sample;
use Welkion\Core\Series\Summary;

/** Samples of one channel of a run in the form they are kept: packed, with a summary for drawing. */
final readonly class Block
{
    public const LARGEST = 4096;

    /** Times within this of an even grid are kept as the grid, in s. */
    private const EVEN_WITHIN_S = 1e-6;

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
        $t0 = $this->samples[0]->time;
        $offsets = array_map(static fn (Sample $s): float => $s->time - $t0, $this->samples);
        $values = array_map(static fn (Sample $s): float => $s->value, $this->samples);
        $dt = self::evenStep($offsets);

        return [
            'run_channel_id' => $this->runChannelId,
            'first_seq' => $this->samples[0]->seq,
            'count' => count($values),
            't0' => $t0,
            'dt' => $dt,
            'times' => $dt === null ? pack('e*', ...$offsets) : null,
            'payload' => pack('e*', ...$values),
            'summary' => Summary::of($values)->packed(),
        ];
    }

    /** @param  non-empty-list<float>  $offsets */
    private static function evenStep(array $offsets): ?float
    {
        $last = count($offsets) - 1;
        if ($last === 0) {
            return 0.0;
        }
        $step = $offsets[$last] / $last;
        foreach ($offsets as $i => $offset) {
            if (abs($offset - $i * $step) > self::EVEN_WITHIN_S) {
                return null;
            }
        }

        return $step;
    }
}

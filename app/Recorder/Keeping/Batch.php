<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

/**
 * Blocks that were handed in together and are not in MariaDB yet.
 *
 * @phpstan-import-type Row from Spool
 */
final readonly class Batch
{
    /** Of a block besides its values, in memory. */
    private const BYTES_EACH = 600;

    /**
     * @param  non-empty-list<Row>  $rows
     * @param  float  $since  wall clock, s
     */
    public function __construct(public array $rows, public float $since)
    {
    }

    public function bytes(): int
    {
        return array_sum(array_map(
            static fn (array $row): int => self::BYTES_EACH + array_sum(array_map(static fn ($cell): int => is_string($cell) ? strlen($cell) : 0, $row)),
            $this->rows,
        ));
    }

    /** @return array<int, int> samples by run channel */
    public function counts(): array
    {
        return self::countsOf($this->rows);
    }

    /**
     * @param  list<Row>  $rows
     * @return array<int, int> samples by run channel
     */
    public static function countsOf(array $rows): array
    {
        $counts = [];
        foreach ($rows as $row) {
            $counts[(int) $row['run_channel_id']] = ($counts[(int) $row['run_channel_id']] ?? 0) + (int) $row['count'];
        }

        return $counts;
    }
}

<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

use Psr\Log\LoggerInterface;

/**
 * Sees to it that every block gets into MariaDB, without anyone waiting for it.
 *
 * Blocks go to the clerk in order, one batch at a time. What is not confirmed within 2 s goes to disk, from where it
 * follows once MariaDB is back; if the disk takes nothing either, it stays in memory as long as that holds. A block may
 * be delivered twice (from memory and from disk): the table keeps it once.
 *
 * @phpstan-import-type Row from Spool
 */
final class SampleKeeper
{
    private const TO_DISK_AFTER_S = 2.0;

    private const TRIED_AGAIN_EACH_S = 0.5;

    /** One statement; far below what MariaDB takes, and small enough for the buffers of a socket. */
    private const MOST_ROWS = 200;

    /** @var list<Batch> not confirmed, the oldest first */
    private array $waiting = [];

    private int $bytes = 0;

    private bool $isAsking = false;

    /** @var list<Batch> those of the waiting that the clerk has been given and may yet confirm */
    private array $handed = [];

    private float $tryAgainAt = 0.0;

    /** @var list<array{Batch|null, \Closure(): void}> what waits for a batch */
    private array $afterwards = [];

    /** @var array<int, int> number of the last sample taken over, by run channel */
    private array $lastSeq = [];

    private Tally $onDisk;

    private Tally $inDanger;

    private Tally $lost;

    /** @param  int  $mostBytes  what may wait in memory when the disk takes nothing */
    public function __construct(
        private readonly Clerk $clerk,
        private readonly Spool $spool,
        private readonly LoggerInterface $log,
        private readonly int $mostBytes = 256 << 20,
    ) {
        [$this->onDisk, $this->inDanger, $this->lost] = [new Tally, new Tally, new Tally];
        foreach ($spool->all() as $rows) {
            $this->remember($rows);
            $this->onDisk->add(Batch::countsOf($rows), microtime(true));
        }
    }

    /** @param  list<Block>  $blocks */
    public function append(array $blocks, float $now): void
    {
        $rows = array_map(static fn (Block $block): array => $block->toRow(), $blocks);
        if ($rows !== []) {
            $this->remember($rows);
            $batch = new Batch($rows, $now);
            $this->waiting[] = $batch;
            $this->bytes += $batch->bytes();
        }
        $this->tend($now);
    }

    /**
     * Once what has been handed in so far is in MariaDB, on disk, or lost.
     *
     * @param  \Closure(): void  $then
     */
    public function after(\Closure $then): void
    {
        $this->afterwards[] = [array_last($this->waiting), $then];
        $this->callAfterwards();
    }

    /** Called a few times a second. */
    public function tend(float $now): void
    {
        $this->callAfterwards();
        if ($this->waiting !== [] && $now - $this->waiting[0]->since > self::TO_DISK_AFTER_S) {
            $this->toDisk($now);
        }
        $this->ask($now);
    }

    /** Number of the last sample of a channel that is taken care of here; 0 if none. */
    public function lastSeq(int $runChannelId): int
    {
        return $this->lastSeq[$runChannelId] ?? 0;
    }

    /** Whether all is in MariaDB. */
    public function isDone(): bool
    {
        return $this->waiting === [] && $this->spool->isEmpty();
    }

    /** Before the process ends: nothing may be in memory alone. */
    public function close(float $now): void
    {
        $this->toDisk($now);
    }

    /**
     * What must be said on screens that show these channels.
     *
     * @param  list<int>  $runChannels
     */
    public function standing(array $runChannels): Standing
    {
        return new Standing(
            $this->clerk->isStorageAway(microtime(true)), $this->onDisk->of($runChannels), $this->inDanger->of($runChannels), $this->inDanger->since(),
            $this->lost->of($runChannels), $this->lost->since(), $this->lost->until(),
        );
    }

    private function ask(float $now): void
    {
        if ($this->isAsking || $now < $this->tryAgainAt) {
            return;
        }
        $fromDisk = $this->spool->next();
        if ($fromDisk !== null) {
            $this->hand($fromDisk, $this->confirmDisk(...));
        } elseif ($this->waiting !== []) {
            $this->handed = $batches = $this->nextBatches();
            $this->hand(array_merge(...array_map(static fn (Batch $b): array => $b->rows, $batches)), fn () => $this->confirm($batches));
        }
    }

    /** @return non-empty-list<Batch> as many of the oldest as fit into one statement, one at least */
    private function nextBatches(): array
    {
        $batches = [$this->waiting[0]];
        $count = count($batches[0]->rows);
        foreach (array_slice($this->waiting, 1) as $batch) {
            $count += count($batch->rows);
            if ($count > self::MOST_ROWS) {
                break;
            }
            $batches[] = $batch;
        }

        return $batches;
    }

    /**
     * @param  list<Row>  $rows
     * @param  \Closure(): void  $confirm
     */
    private function hand(array $rows, \Closure $confirm): void
    {
        $this->isAsking = true;
        $this->clerk->ask('keep', [$rows])->then(
            function (mixed $refused) use ($confirm): void {
                $this->isAsking = false;
                $this->handed = [];
                $this->tellRefused(is_array($refused) ? $refused : []);
                $confirm();
                $this->ask(microtime(true));
            },
            function (\Throwable $failure) use ($rows, $confirm): void {
                $this->isAsking = false;
                $this->handed = [];
                if ($failure instanceof ClerkUnable && ! $failure->isAway) {
                    // It will be refused whenever it is asked, and must not hold up what comes after it.
                    $this->tellRefused(array_map(static fn (array $row): array => [
                        'runChannelId' => (int) $row['run_channel_id'], 'count' => (int) $row['count'], 'reason' => $failure->getMessage(),
                    ], $rows));
                    $confirm();

                    return;
                }
                $this->tryAgainAt = microtime(true) + self::TRIED_AGAIN_EACH_S;
                $this->log->warning('MariaDB is away; samples go to disk until it is back.', ['reason' => $failure->getMessage()]);
            },
        );
    }

    private function callAfterwards(): void
    {
        $due = array_filter($this->afterwards, fn (array $a): bool => $a[0] === null || ! in_array($a[0], $this->waiting, true));
        $this->afterwards = array_values(array_diff_key($this->afterwards, $due));
        foreach ($due as [, $then]) {
            $then();
        }
    }

    private function confirmDisk(): void
    {
        $this->spool->confirm();
        if ($this->spool->isEmpty()) {
            $this->onDisk->clear();
        }
    }

    /** @param  list<Batch>  $batches */
    private function confirm(array $batches): void
    {
        // Some may have gone to disk meanwhile; they come again from there, and the table keeps them once.
        $this->waiting = array_values(array_filter($this->waiting, static fn (Batch $b): bool => ! in_array($b, $batches, true)));
        $this->bytes = array_sum(array_map(static fn (Batch $b): int => $b->bytes(), $this->waiting));
        if ($this->waiting === []) {
            $this->inDanger->clear();
        }
    }

    private function toDisk(float $now): void
    {
        while ($this->waiting !== []) {
            if (! $this->spool->append($this->waiting[0]->rows)) {
                $this->log->error('Samples cannot be written to disk either; they stay in memory.');
                $this->holdInMemory($now);

                return;
            }
            $batch = array_shift($this->waiting);
            $this->bytes -= $batch->bytes();
            $this->onDisk->add($batch->counts(), $now);
        }
        $this->inDanger->clear();
    }

    private function holdInMemory(float $now): void
    {
        $first = count(array_filter($this->waiting, fn (Batch $b): bool => in_array($b, $this->handed, true)));
        while ($this->bytes > $this->mostBytes && count($this->waiting) > $first + 1) {
            [$oldest] = array_splice($this->waiting, $first, 1);
            $this->bytes -= $oldest->bytes();
            $this->lost->add($oldest->counts(), $now);
            $this->log->error('There is no memory left for samples that can be written nowhere; the oldest are lost.');
        }
        $since = $this->inDanger->since() ?? $this->waiting[0]->since;
        $this->inDanger->clear();
        foreach ($this->waiting as $batch) {
            $this->inDanger->add($batch->counts(), $since);
        }
    }

    /** @param  array<array-key, mixed>  $refused */
    private function tellRefused(array $refused): void
    {
        foreach ($refused as $one) {
            if (is_array($one) && is_int($one['runChannelId'] ?? null) && is_int($one['count'] ?? null)) {
                $this->lost->add([$one['runChannelId'] => $one['count']], microtime(true));
                $this->log->error('MariaDB refused a block of samples, and it was dropped.', $one);
            }
        }
    }

    /** @param  list<Row>  $rows */
    private function remember(array $rows): void
    {
        foreach ($rows as $row) {
            $channel = (int) $row['run_channel_id'];
            $this->lastSeq[$channel] = max($this->lastSeq[$channel] ?? 0, (int) $row['first_seq'] + (int) $row['count'] - 1);
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Keeping\Block;
use App\Recorder\Keeping\Clerk;
use App\Recorder\Keeping\ClerkUnable;
use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Keeping\Spool;
use App\Recorder\Link\Sample;
use PHPUnit\Framework\TestCase;
use Psr\Log\AbstractLogger;
use React\EventLoop\StreamSelectLoop;

/** Where samples are while MariaDB is slow, away or refuses; the clerk's process is real, its answers are the test's. */
final class SampleKeeperTest extends TestCase
{
    private StreamSelectLoop $loop;

    private string $folder;

    private Clerk $clerk;

    /** @var \ArrayObject<int, string> */
    private \ArrayObject $log;

    protected function setUp(): void
    {
        $this->loop = new StreamSelectLoop;
        $this->folder = sys_get_temp_dir().'/welkion-keeper-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        $this->log = new \ArrayObject;
        $this->answer('done');
        $this->clerk = new Clerk($this->loop, $this->logger(), escapeshellarg(PHP_BINARY).' '.escapeshellarg(__DIR__.'/../../Support/desk.php').' '.escapeshellarg("{$this->folder}/how"), __DIR__);
        $this->clerk->start();
    }

    protected function tearDown(): void
    {
        $this->clerk->close();
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function test_what_is_confirmed_at_once_never_touches_the_disk(): void
    {
        $keeper = $this->keeper();
        $keeper->append(Block::cut(7, self::samples(1, 40)), microtime(true));
        self::assertSame(40, $keeper->lastSeq(7));
        $this->until(fn (): bool => $keeper->isDone());

        self::assertSame([[1, 40]], $this->kept());
        self::assertFileDoesNotExist("{$this->folder}/spool");
        self::assertFalse($keeper->standing([7])->isStorageAway);
    }

    public function test_what_waits_for_two_seconds_goes_to_disk_and_follows_in_order(): void
    {
        $this->answer('hang');
        $keeper = $this->keeper();
        $now = microtime(true);
        $keeper->append(Block::cut(7, self::samples(1, 10)), $now);
        $this->turn(0.1);
        $keeper->append(Block::cut(7, self::samples(11, 20)), $now + 1.9);
        self::assertFileDoesNotExist("{$this->folder}/spool", 'A slow moment is no outage.');
        $keeper->append(Block::cut(7, self::samples(21, 30)), $now + 2.1);

        self::assertFileExists("{$this->folder}/spool");
        $standing = $keeper->standing([7, 8]);
        self::assertSame([30, 0, 0], [$standing->onDisk, $standing->inDanger, $standing->lost]);
        $this->until(fn (): bool => $keeper->standing([7])->isStorageAway);
        self::assertSame(0, $keeper->standing([8])->onDisk, 'Another run has nothing to do with it.');
        $this->answer('done');
        $this->until(fn (): bool => $keeper->isDone(), $keeper);
        self::assertFileDoesNotExist("{$this->folder}/spool");
        self::assertSame([[1, 10], [11, 20], [21, 30]], array_values(array_unique($this->kept(), SORT_REGULAR)));
        self::assertSame([false, 0], [$keeper->standing([7])->isStorageAway, $keeper->standing([7])->onDisk]);
    }

    public function test_a_database_that_hangs_is_told_also_while_nothing_is_recorded(): void
    {
        $keeper = $this->keeper();
        $this->clerk->ask('benches', [])->catch(static fn () => null);
        $this->answer('hang');
        $this->turn(0.3);
        $this->clerk->ask('benches', [])->catch(static fn () => null);
        $now = microtime(true);
        self::assertFalse($this->clerk->isStorageAway($now + 1.0), 'A slow moment is no outage.');
        self::assertTrue($this->clerk->isStorageAway($now + 2.5));
        $this->answer('away');
        $this->until(fn (): bool => $this->clerk->isStorageAway(microtime(true)));
        self::assertTrue($keeper->standing([])->isStorageAway);
        $this->answer('done');
        $answer = null;
        $this->clerk->ask('benches', [])->then(static function (mixed $got) use (&$answer): void {
            $answer = $got;
        });
        $this->until(fn (): bool => ! $keeper->standing([])->isStorageAway);
        self::assertSame([], $answer);
    }

    public function test_a_database_that_says_it_is_away_is_asked_again_until_it_is_back(): void
    {
        $this->answer('away');
        $keeper = $this->keeper();
        $keeper->append(Block::cut(7, self::samples(1, 10)), microtime(true));
        $this->until(fn (): bool => $keeper->standing([7])->isStorageAway);
        self::assertSame('MariaDB is away; samples go to disk until it is back.', $this->log[0]);
        $this->answer('done');
        $this->until(fn (): bool => $keeper->isDone(), $keeper);

        self::assertSame([[1, 10]], $this->kept());
    }

    public function test_a_process_that_ends_is_started_again_and_asked_once_more(): void
    {
        $this->answer('end');
        $keeper = $this->keeper();
        $keeper->append(Block::cut(7, self::samples(1, 10)), microtime(true));
        $this->until(fn (): bool => $keeper->standing([7])->isStorageAway);
        $this->answer('done');
        $this->until(fn (): bool => $keeper->isDone(), $keeper);

        self::assertSame([[1, 10]], $this->kept());
    }

    public function test_what_is_refused_is_dropped_told_and_holds_up_nothing(): void
    {
        $this->answer('refused');
        $keeper = $this->keeper();
        $keeper->append(Block::cut(7, self::samples(1, 10)), microtime(true));
        $this->until(fn (): bool => $keeper->isDone(), $keeper);
        $this->answer('done');
        $keeper->append(Block::cut(7, self::samples(11, 20)), microtime(true));
        $this->until(fn (): bool => $this->kept() !== [], $keeper);

        self::assertSame([[11, 20]], $this->kept());
        self::assertSame(10, $keeper->standing([7])->lost);
        self::assertFalse($keeper->standing([7])->isStorageAway);
        self::assertSame('MariaDB refused a block of samples, and it was dropped.', $this->log[0]);
    }

    public function test_without_disk_it_stays_in_memory_and_is_told_to_be_in_danger(): void
    {
        mkdir("{$this->folder}/spool");
        $this->answer('away');
        $keeper = $this->keeper();
        $now = microtime(true);
        $keeper->append(Block::cut(7, self::samples(1, 10)), $now);
        $keeper->append(Block::cut(8, self::samples(1, 5)), $now + 2.5);
        $standing = $keeper->standing([7]);
        self::assertSame([10, 0], [$standing->inDanger, $standing->lost]);
        self::assertEqualsWithDelta($now, $standing->inDangerSince ?? 0.0, 1e-3);
        self::assertSame(15, $keeper->standing([7, 8])->inDanger);

        rmdir("{$this->folder}/spool");
        $keeper->tend($now + 3.0);
        self::assertSame([0, 15], [$keeper->standing([7, 8])->inDanger, $keeper->standing([7, 8])->onDisk], 'With room on the disk again it is written there.');
        $this->answer('done');
        $this->until(fn (): bool => $keeper->isDone(), $keeper);
        self::assertSame([[1, 10], [1, 5]], array_values(array_unique($this->kept(), SORT_REGULAR)));
    }

    public function test_when_memory_ends_the_oldest_are_lost_and_it_is_told_how_many(): void
    {
        mkdir("{$this->folder}/spool");
        $this->answer('away');
        $keeper = $this->keeper(mostBytes: 100_000);
        $now = microtime(true);
        for ($i = 0; $i < 20; $i++) {
            // Each about 9 kB: a thousand values, and little beside them.
            $keeper->append(Block::cut(7, self::samples(1 + 1000 * $i, 1000 + 1000 * $i)), $now + 3.0 * $i);
        }
        $standing = $keeper->standing([7]);

        self::assertSame(20_000, $standing->inDanger + $standing->lost);
        self::assertGreaterThan(8000, $standing->inDanger, 'About ten fit.');
        self::assertGreaterThan(8000, $standing->lost);
        self::assertNotNull($standing->lostFrom);
        self::assertGreaterThan($standing->lostFrom, $standing->lostUntil);
        $this->answer('done');
        $this->until(fn (): bool => $keeper->isDone(), $keeper);
        $kept = array_unique($this->kept(), SORT_REGULAR);
        self::assertSame(20_000 - $standing->lost, 1000 * count($kept), 'All that was not lost is written, and nothing else.');
        self::assertSame(20_000, $kept[array_key_last($kept)][1], 'The newest of it, too.');
        self::assertSame([0, $standing->lost], [$keeper->standing([7])->inDanger, $keeper->standing([7])->lost], 'The danger is over; what was lost stays told.');
        self::assertContains('Samples cannot be written to disk either; they stay in memory.', $this->log);
        self::assertContains('There is no memory left for samples that can be written nowhere; the oldest are lost.', $this->log);
    }

    public function test_a_recorder_that_starts_finds_what_waits_on_disk_and_knows_how_far_it_reaches(): void
    {
        $this->answer('hang');
        $before = $this->keeper();
        $before->append(Block::cut(7, self::samples(1, 30)), microtime(true));
        $before->close(microtime(true));
        $this->answer('done');
        $after = $this->keeper();

        self::assertSame([30, 30], [$after->lastSeq(7), $after->standing([7])->onDisk]);
        $this->until(fn (): bool => $after->isDone(), $after);
        self::assertSame([1, 30], $this->kept()[0]);
    }

    public function test_a_line_cut_short_by_a_crash_spoils_no_other(): void
    {
        $spool = new Spool("{$this->folder}/spool");
        $rows = static fn (int $from, int $to): array => array_map(static fn (Block $b): array => $b->toRow(), Block::cut(7, self::samples($from, $to)));
        self::assertTrue($spool->append($rows(1, 10)));
        file_put_contents("{$this->folder}/spool", '[{"run_channel_id":7,"first', FILE_APPEND);
        self::assertTrue($spool->append($rows(11, 20)));

        $told = [];
        while (! $spool->isEmpty()) {
            $told[] = $spool->next();
            $spool->confirm();
        }
        self::assertEquals([$rows(1, 10), [], $rows(11, 20)], $told, 'Every bit of a block comes back.');
        self::assertFileDoesNotExist("{$this->folder}/spool");
    }

    public function test_what_was_confirmed_is_not_told_again(): void
    {
        $spool = new Spool("{$this->folder}/spool");
        foreach ([1, 2, 3] as $i) {
            $spool->append([['run_channel_id' => 7, 'first_seq' => $i, 'count' => 1]]);
        }
        $spool->next();
        $spool->confirm();

        self::assertSame([2, 3], array_map(static fn (array $rows): mixed => $rows[0]['first_seq'], iterator_to_array($spool->all(), false)));
        self::assertSame(2, $spool->next()[0]['first_seq'] ?? null);
        self::assertSame(2, $spool->next()[0]['first_seq'] ?? null, 'Told again until it is confirmed.');
    }

    public function test_a_clerk_that_was_closed_stays_closed(): void
    {
        $this->clerk->close();
        $this->turn(0.8);
        $refused = null;
        $this->clerk->ask('benches', [])->catch(static function (\Throwable $why) use (&$refused): void {
            $refused = $why;
        });
        $this->turn(0.05);

        self::assertInstanceOf(ClerkUnable::class, $refused);
        self::assertTrue($refused->isAway);
    }

    public function test_a_full_disk_takes_nothing_and_says_so(): void
    {
        self::assertFalse((new Spool('/dev/full'))->append([['run_channel_id' => 7, 'count' => 1]]));
    }

    private function keeper(int $mostBytes = 1_000_000): SampleKeeper
    {
        return new SampleKeeper($this->clerk, new Spool("{$this->folder}/spool"), $this->logger(), $mostBytes);
    }

    private function answer(string $how): void
    {
        // In one stroke: the other process looks at any moment.
        file_put_contents("{$this->folder}/how.new", $how);
        rename("{$this->folder}/how.new", "{$this->folder}/how");
    }

    /** @return list<array{int, int}> first and last number of each block, in the order they were handed over */
    private function kept(): array
    {
        $blocks = [];
        foreach (is_file("{$this->folder}/how.asked") ? file("{$this->folder}/how.asked") ?: [] : [] as $line) {
            [$task, $with] = unserialize((string) base64_decode($line));
            self::assertSame('keep', $task);
            foreach ($with[0] as $row) {
                $blocks[] = [$row['first_seq'], $row['first_seq'] + $row['count'] - 1];
            }
        }

        return $blocks;
    }

    private function until(\Closure $isTrue, ?SampleKeeper $tended = null): void
    {
        $deadline = microtime(true) + 10.0;
        while (! $isTrue()) {
            self::assertLessThan($deadline, microtime(true), 'What was waited for did not happen within 10 s.');
            $tended?->tend(microtime(true));
            $this->turn(0.02);
        }
    }

    private function turn(float $seconds): void
    {
        $this->loop->addTimer($seconds, $this->loop->stop(...));
        $this->loop->run();
    }

    /** @return list<Sample> */
    private static function samples(int $from, int $to): array
    {
        return array_map(static fn (int $seq): Sample => new Sample($seq, 1000.0 + $seq / 4, sin($seq) * 177.3), range($from, $to));
    }

    private function logger(): AbstractLogger
    {
        return new class($this->log) extends AbstractLogger
        {
            /** @param  \ArrayObject<int, string>  $log */
            public function __construct(private readonly \ArrayObject $log)
            {
            }

            /** @param  array<mixed>  $context */
            public function log($level, string|\Stringable $message, array $context = []): void
            {
                $this->log->append((string) $message);
            }
        };
    }
}

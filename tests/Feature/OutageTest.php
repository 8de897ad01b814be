<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\User;
use App\Recorder\RecorderClient;
use Illuminate\Database\QueryException;
use Illuminate\Support\Collection;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\Recording;
use Tests\TestCase;

/** MariaDB hangs, dies or takes nothing, and the disk neither, while a run is recorded and screens look on. */
#[Group('shakes')]
final class OutageTest extends TestCase
{
    use Recording;

    private User $teacher;

    private Bench $bench;

    private Experiment $experiment;

    private int $run;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->bench = $this->connectedBenchOf($this->teacher);
        $this->experiment = $this->experimentOf($this->teacher, $this->bench);
        $this->run = $this->actingAs($this->teacher)->startedRun($this->experiment);
        $this->eventually(fn (): bool => count($this->blocks()) === 2);
    }

    public function test_a_database_that_hangs_stops_neither_ears_nor_live_values_and_nothing_is_lost(): void
    {
        $stream = $this->listen($this->teacher, "bench-{$this->bench->id}");
        $recorder = $this->recorder();
        $mariadb = $this->mariadb();
        $log = getenv('WELKION_VAR').'/log/recorder.log';
        $said = (int) @filesize($log);
        posix_kill($mariadb, SIGSTOP);
        try {
            $longest = 0.0;
            $codes = [];
            $last = $began = microtime(true);
            while (($now = microtime(true)) - $began < 12.0) {
                $message = json_decode($this->nextMessage($stream), true);
                $longest = max($longest, microtime(true) - $last);
                $last = microtime(true);
                $codes[] = $message['notes'][0]['code'] ?? null;
                if ($now - $began > 3.0) {
                    // It is told at once, not each time after seconds: what else asks is not held up.
                    $asked = microtime(true);
                    app(RecorderClient::class)->snapshot($this->bench);
                    self::assertLessThan(1.0, microtime(true) - $asked, 'The recorder answers as ever.');
                }
            }
            self::assertLessThan(1.5, $longest, 'Live values came all the time.');
            self::assertContains('storage-away', $codes);
            self::assertNull($codes[0], 'Before, there was nothing to say.');
        } finally {
            posix_kill($mariadb, SIGCONT);
        }
        $this->eventually(fn (): bool => json_decode($this->nextMessage($stream), true)['notes'] === [], 30.0);
        self::assertSame($recorder, $this->recorder(), 'It is the same process as before.');
        clearstatcache();
        self::assertLessThan(20_000, filesize($log) - $said, 'The same message again is counted, not repeated.');
        $this->assertNothingLost();
    }

    public function test_the_site_says_within_seconds_that_the_database_hangs_and_many_are_told_at_once(): void
    {
        $browser = $this->signedIn($this->teacher);
        $mariadb = $this->mariadb();
        posix_kill($mariadb, SIGSTOP);
        try {
            $began = microtime(true);
            $answer = $browser->get('/api/experiments');
            $first = microtime(true) - $began;
            self::assertSame([503, 'storage-away'], [$answer->getStatusCode(), json_decode((string) $answer->getBody(), true)['code']]);
            self::assertLessThan(8.0, $first, 'It gives up by itself.');
            $began = microtime(true);
            self::assertSame(503, $browser->get('/api/experiments')->getStatusCode());
            self::assertLessThan(0.5, microtime(true) - $began, 'The next ones are told at once, so that not every process of the site waits.');
            self::assertSame(200, $browser->get('/experiments')->getStatusCode(), 'The page itself needs no database.');
        } finally {
            posix_kill($mariadb, SIGCONT);
        }
        $this->eventually(static fn (): bool => $browser->get('/api/experiments')->getStatusCode() === 200, 20.0);
    }

    public function test_a_database_that_dies_again_and_again_costs_nobody_the_session(): void
    {
        $browsers = array_map(fn () => $this->signedIn($this->teacher), range(1, 4));
        for ($kill = 0; $kill < 3; $kill++) {
            $killed = $this->mariadb();
            posix_kill($killed, SIGKILL);
            $deadline = microtime(true) + 4.0;
            while (microtime(true) < $deadline) {
                foreach ($browsers as $browser) {
                    self::assertContains($browser->get('/api/experiments')->getStatusCode(), [200, 503]);
                }
                usleep(50_000);
            }
            $this->eventually(fn (): bool => $this->mariadb() !== $killed, 30.0);
        }
        foreach ($browsers as $browser) {
            $this->eventually(static fn (): bool => $browser->get('/api/experiments')->getStatusCode() === 200, 20.0);
            self::assertSame(200, $browser->patch("/api/experiments/{$this->experiment->id}", ['json' => ['conclusion' => 'Still here.']])->getStatusCode(), 'Writing too: the token is the old one.');
        }
    }

    public function test_without_disk_samples_stay_in_memory_screens_say_so_and_they_are_kept_in_the_end(): void
    {
        $spool = storage_path('recorder-spool.jsonl');
        $this->eventually(static fn (): bool => ! file_exists($spool));
        // A folder in its place: nothing can be written there, whoever tries.
        mkdir($spool);
        $recorder = $this->recorder();
        $mariadb = $this->mariadb();
        posix_kill($mariadb, SIGSTOP);
        try {
            $stream = $this->listenWhile($mariadb);
            $note = null;
            $this->eventually(function () use ($stream, &$note): bool {
                $note = json_decode($this->nextMessage($stream), true)['notes'][0] ?? null;

                return ($note['code'] ?? null) === 'samples-in-danger';
            }, 20.0);
            self::assertSame('red', $note['tone']);
            self::assertMatchesRegularExpression('/^Neither the database nor the disk takes what is recorded: [\d,]+ samples of the last \d+ s are in memory alone\./', $note['sentence']);
        } finally {
            posix_kill($mariadb, SIGCONT);
            rmdir($spool);
        }
        $this->eventually(fn (): bool => json_decode($this->nextMessage($stream), true)['notes'] === [], 30.0);
        self::assertSame($recorder, $this->recorder(), 'It is the same process as before.');
        $this->assertNothingLost();
    }

    public function test_a_disk_that_fills_up_is_written_to_again_by_itself_once_there_is_room(): void
    {
        $spool = storage_path('recorder-spool.jsonl');
        $this->eventually(static fn (): bool => ! file_exists($spool));
        $disk = storage_path('small-disk');
        @mkdir($disk);
        exec('mount -t tmpfs -o size=8m tmpfs '.escapeshellarg($disk).' 2>&1', result_code: $status);
        // Where this account may mount no disk of 8 MB, a folder where the file should be takes nothing either.
        $isMounted = $status === 0;
        // Nearly full: a second of samples still has room.
        $isMounted ? file_put_contents("{$disk}/lesson.mp4", str_repeat('x', 8 * 1024 * 1024 - 20_000)) : mkdir("{$disk}/spool.jsonl");
        symlink("{$disk}/spool.jsonl", $spool);
        $mariadb = $this->mariadb();
        posix_kill($mariadb, SIGSTOP);
        try {
            $stream = $this->listenWhile($mariadb);
            $codes = [];
            $this->awaitNote($stream, 'samples-in-danger', $codes);
            $isMounted ? unlink("{$disk}/lesson.mp4") : rmdir("{$disk}/spool.jsonl");
            $this->awaitNote($stream, 'storage-away', $codes);
            self::assertGreaterThan(1000, filesize("{$disk}/spool.jsonl"), 'What was in memory alone is on disk now, while the database is still away.');
            posix_kill($mariadb, SIGCONT);
            $this->eventually(fn (): bool => json_decode($this->nextMessage($stream), true)['notes'] === [], 30.0);
            self::assertNotContains('samples-lost', $codes);
            $this->assertNothingLost();
        } finally {
            posix_kill($mariadb, SIGCONT);
            is_link($spool) && unlink($spool);
            $isMounted && exec('umount -l '.escapeshellarg($disk));
            @unlink("{$disk}/spool.jsonl");
            rmdir($disk);
        }
    }

    /**
     * @param  list<string>  $codes  of all that was said until then
     */
    private function awaitNote(\Psr\Http\Message\StreamInterface $stream, string $wanted, array &$codes): void
    {
        $this->eventually(function () use ($stream, $wanted, &$codes): bool {
            $said = array_column(json_decode($this->nextMessage($stream), true)['notes'], 'code');
            $codes = [...$codes, ...$said];

            return in_array($wanted, $said, true);
        }, 40.0);
    }

    public function test_the_process_that_asks_the_database_may_die_at_any_moment(): void
    {
        for ($i = 0; $i < 3; $i++) {
            $this->eventually(fn (): bool => $this->maybeProcessOf('welkion:keep') !== null);
            posix_kill($this->processOf('welkion:keep'), SIGKILL);
            usleep(700_000);
        }
        $this->eventually(fn (): bool => $this->maybeProcessOf('welkion:keep') !== null);
        $count = (int) $this->blocks()->flatten(1)->sum('count');
        $this->eventually(fn (): bool => (int) $this->blocks()->flatten(1)->sum('count') > $count + 20);

        $this->assertNothingLost();
    }

    private function assertNothingLost(): void
    {
        $this->postJson("/api/runs/{$this->run}/finish")->assertOk();
        self::assertCount(2, $this->blocks());
        foreach ($this->blocks() as $blocks) {
            self::assertNoGapNoDouble($blocks);
        }
    }

    /** A browser signs in while the database is well, and then listens. */
    private function listenWhile(int $mariadb): \Psr\Http\Message\StreamInterface
    {
        posix_kill($mariadb, SIGCONT);
        $stream = $this->listen($this->teacher, "bench-{$this->bench->id}");
        posix_kill($mariadb, SIGSTOP);

        return $stream;
    }

    private function mariadb(): int
    {
        return (int) @file_get_contents(getenv('WELKION_VAR').'/run/mariadb.pid');
    }

    /** @return Collection<array-key, Collection<int, \stdClass>> by run channel */
    private function blocks(): Collection
    {
        try {
            return self::keptOfRun($this->run);
        } catch (QueryException) {
            return new Collection;
        }
    }
}

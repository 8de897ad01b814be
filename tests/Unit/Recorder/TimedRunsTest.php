<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\ChannelTrack;
use App\Recorder\Keeping\Clerk;
use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Keeping\Spool;
use App\Recorder\Link\Sample;
use App\Recorder\Neighbours;
use App\Recorder\Timed\TimedRuns;
use App\Recorder\Timed\ToldRun;
use PHPUnit\Framework\TestCase;
use Psr\Log\NullLogger;
use React\EventLoop\StreamSelectLoop;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Notebook\TimedPlan;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** What is written down of timed runs, and when what MariaDB tells of them is older than what the recorder knows. */
final class TimedRunsTest extends TestCase implements Neighbours
{
    private const ZERO = 1_795_000_000.0;

    private StreamSelectLoop $loop;

    private string $folder;

    private Clerk $clerk;

    private TimedRuns $runs;

    private int $changes = 0;

    private int $writtenCount = 0;

    private ?float $ledFrom = null;

    private ?Measured $apart = null;

    /** @var list<int> */
    private array $reloaded = [];

    protected function setUp(): void
    {
        $this->loop = new StreamSelectLoop;
        $this->folder = sys_get_temp_dir().'/welkion-timed-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        file_put_contents("{$this->folder}/how", 'done');
        $this->clerk = new Clerk($this->loop, new NullLogger, escapeshellarg(PHP_BINARY).' '.escapeshellarg(__DIR__.'/../../Support/desk.php').' '.escapeshellarg("{$this->folder}/how"), __DIR__);
        $this->clerk->start();
        $keeper = new SampleKeeper($this->clerk, new Spool("{$this->folder}/spool"), new NullLogger);
        $this->runs = new TimedRuns(2, $this, $this->clerk, $keeper, $this->loop, new NullLogger, function (): void {
            $this->changes++;
        }, function (): void {
            $this->writtenCount++;
        });
    }

    protected function tearDown(): void
    {
        $this->clerk->close();
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function test_a_beginning_and_an_end_are_written_down_once(): void
    {
        $this->runs->record([self::told()]);
        self::assertSame([['runId' => 3, 'state' => 'waiting', 'zero' => null, 'endedS' => null]], $this->runs->shown());
        self::assertSame([70, 80], array_keys(array_fill_keys($this->runs->channels(), true)));
        self::assertTrue($this->runs->listensTo(8));
        self::assertFalse($this->runs->listensTo(70));
        self::assertTrue($this->runs->areLedBy(7));
        self::assertFalse($this->runs->areLedBy(8));
        self::assertSame([10.0], $this->runs->rates(8));
        self::assertSame([], $this->runs->rates(9));

        self::assertSame([70], array_keys($this->runs->take(7, self::track(), self::samples(0, 4))));
        self::assertSame('recording', $this->runs->shown()[0]['state']);
        $this->runs->take(7, self::track(), self::samples(5, 10));
        self::assertSame(['ended', 1.0], [$this->runs->shown()[0]['state'], $this->runs->shown()[0]['endedS']]);
        $this->until(fn (): bool => count($this->asked()) === 1);
        self::assertSame(['begun', [3, [70 => self::ZERO, 80 => self::ZERO], null]], $this->asked()[0]);

        $this->runs->tend(microtime(true));
        self::assertCount(1, $this->asked(), 'Stragglers may come yet.');
        $this->runs->tend(microtime(true) + 1.0);
        $this->until(fn (): bool => count($this->asked()) === 2);
        self::assertSame(['ended', [3, 1.0, 'length']], $this->asked()[1]);
        $this->runs->tend(microtime(true) + 2.0);
        self::assertSame([2, 1], [$this->changes, $this->writtenCount], 'Both came while the other was being written: it is read again once.');
        self::assertTrue($this->runs->listensTo(7), 'It lingers.');
        $this->runs->tend(microtime(true) + 61.0);
        self::assertFalse($this->runs->listensTo(7));
        self::assertSame([], $this->runs->shown());
    }

    public function test_a_run_that_another_bench_leads_begins_and_ends_with_it(): void
    {
        $led = static fn (?float $endedS = null): ToldRun => new ToldRun(3, TimedPlan::fromArray(['rate' => 10, 'length' => 1]), [70 => 7], null, null, null, null, $endedS, microtime(true) + 60.0, ledBy: 1);
        $this->runs->record([$led()]);
        self::assertFalse($this->runs->areLedBy(7));
        self::assertSame([], $this->runs->take(7, self::track(), self::samples(0, 9)), 'It waits for the other.');
        self::assertFalse($this->runs->begin(3), 'Nor does it begin by hand.');
        $this->runs->tend(microtime(true));
        $this->ledFrom = self::ZERO - 100.0;
        $this->runs->tend(microtime(true));
        self::assertSame('waiting', $this->runs->shown()[0]['state'], 'The clocks are not known yet.');
        $this->apart = Measured::of(100.5, 0.004, Unit::parse('s'));
        $this->runs->tend(microtime(true));
        self::assertEqualsWithDelta(self::ZERO + 0.5, $this->runs->zeroOf(3), 1e-6);
        $this->until(fn (): bool => count($this->asked()) === 1);
        self::assertSame(['begun', [3, [70 => $this->runs->zeroOf(3)], 0.004]], $this->asked()[0]);

        $kept = $this->runs->take(7, self::track(), self::samples(10, 40));
        self::assertEqualsWithDelta(self::ZERO + 0.5, $kept[70][0]->time, 1e-5, 'What was held from its beginning on.');
        self::assertSame('recording', $this->runs->shown()[0]['state'], 'Its length is the affair of the other.');
        $this->runs->record([$led(1.0)]);
        self::assertSame('ended', $this->runs->shown()[0]['state']);
    }

    public function test_the_bench_beside_is_told_when_something_is_written(): void
    {
        $this->runs->record([new ToldRun(3, TimedPlan::fromArray(['rate' => 10, 'length' => 1]), [70 => 7], null, null, null, null, null, 0.0, beside: 9)]);
        $this->runs->take(7, self::track(), self::samples(0, 4));
        $this->until(fn (): bool => $this->reloaded !== []);
        self::assertSame([9], $this->reloaded);
    }

    public function reload(array $benches): void
    {
        $this->reloaded = [...$this->reloaded, ...$benches];
    }

    public function apart(int $first, int $ahead): ?Measured
    {
        return [$first, $ahead] === [1, 2] ? $this->apart : null;
    }

    public function zeroOf(int $bench, int $run): ?float
    {
        return [$bench, $run] === [1, 3] ? $this->ledFrom : null;
    }

    public function test_what_mariadb_tells_is_older_until_it_has_been_written(): void
    {
        $this->runs->record([self::told()]);
        $this->runs->take(7, self::track(), self::samples(0, 4));
        $this->runs->record([self::told(['rate' => 10, 'length' => 9])]);
        $this->runs->record([]);
        self::assertSame(self::ZERO, $this->runs->shown()[0]['zero'] ?? null, 'Asked before it was written down.');
        $this->until(fn (): bool => count($this->asked()) === 1);

        $this->runs->record([self::told(['rate' => 10, 'length' => 0.6], self::ZERO)]);
        $this->runs->take(7, self::track(), self::samples(5, 6));
        self::assertSame(0.6, $this->runs->shown()[0]['endedS'], 'Now it goes by what is told.');
    }

    public function test_a_run_that_is_not_told_any_more_is_let_go(): void
    {
        $this->runs->record([self::told()]);
        $this->runs->record([]);
        self::assertSame([], $this->runs->shown());
    }

    public function test_while_mariadb_is_away_it_is_written_as_soon_as_it_is_back(): void
    {
        file_put_contents("{$this->folder}/how", 'away');
        $this->runs->record([self::told()]);
        $this->runs->take(7, self::track(), self::samples(0, 1));
        $this->loop->addTimer(0.3, $this->loop->stop(...));
        $this->loop->run();
        self::assertSame([], $this->asked());
        file_put_contents("{$this->folder}/how", 'done');
        $this->until(fn (): bool => $this->asked() !== []);
        self::assertSame(['begun', [3, [70 => self::ZERO, 80 => self::ZERO], null]], $this->asked()[0]);
        self::assertCount(1, $this->asked());
    }

    public function test_a_run_that_waits_for_it_begins_when_somebody_says_so(): void
    {
        $this->runs->record([self::told(['rate' => 10, 'begin' => ['when' => 'marker', 'before' => 1]])]);
        self::assertFalse($this->runs->begin(3), 'Nothing has come yet.');
        $this->runs->take(7, self::track(), self::samples(0, 5));
        self::assertFalse($this->runs->begin(4));
        self::assertTrue($this->runs->begin(3));
        self::assertSame('recording', $this->runs->shown()[0]['state']);
        $this->until(fn (): bool => count($this->asked()) === 1);
        self::assertSame('begun', $this->asked()[0][0]);
    }

    /** @param  array<string, mixed>  $plan */
    private static function told(array $plan = ['rate' => 10, 'length' => 1], ?float $zero = null): ToldRun
    {
        return new ToldRun(3, TimedPlan::fromArray($plan), [70 => 7, 80 => 8], null, null, null, $zero, null, 0.0);
    }

    private static function track(): ChannelTrack
    {
        return new ChannelTrack(ProbeKind::PressureSensor->steadyLimits());
    }

    /** @return list<Sample> */
    private static function samples(int $from, int $to): array
    {
        return array_map(static fn (int $i): Sample => new Sample($i + 1, self::ZERO + 0.1 * $i, 1.0), range($from, $to));
    }

    /** @return list<array{string, list<mixed>}> */
    private function asked(): array
    {
        $lines = is_file("{$this->folder}/how.asked") ? file("{$this->folder}/how.asked") ?: [] : [];

        return array_map(static fn (string $line): array => unserialize((string) base64_decode(trim($line), true)), $lines);
    }

    /** @param  \Closure(): bool  $isDone */
    private function until(\Closure $isDone): void
    {
        $deadline = microtime(true) + 10.0;
        while (! $isDone() && microtime(true) < $deadline) {
            $this->loop->addTimer(0.02, $this->loop->stop(...));
            $this->loop->run();
        }
        // What was answered is heard.
        $this->loop->addTimer(0.1, $this->loop->stop(...));
        $this->loop->run();
        self::assertTrue($isDone(), 'It did not come.');
    }
}

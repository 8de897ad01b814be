<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Keeping\Clerk;
use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Keeping\Spool;
use App\Recorder\Live\LivePublisher;
use App\Recorder\Recorder;
use PHPUnit\Framework\TestCase;
use Psr\Log\NullLogger;
use React\EventLoop\StreamSelectLoop;

/** A bench that was just made is looked for, also when it was asked for while the process that asks MariaDB was starting. */
final class FindingBenchesTest extends TestCase
{
    private StreamSelectLoop $loop;

    private string $folder;

    private Clerk $clerk;

    private Recorder $recorder;

    protected function setUp(): void
    {
        $this->loop = new StreamSelectLoop;
        $this->folder = sys_get_temp_dir().'/welkion-benches-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        file_put_contents("{$this->folder}/how", 'done');
        $this->clerk = new Clerk($this->loop, new NullLogger, escapeshellarg(PHP_BINARY).' '.escapeshellarg(__DIR__.'/../../Support/desk.php').' '.escapeshellarg("{$this->folder}/how"), __DIR__);
        $keeper = new SampleKeeper($this->clerk, new Spool("{$this->folder}/spool"), new NullLogger);
        $this->recorder = new Recorder($this->loop, $this->clerk, $keeper, new LivePublisher($this->loop, "{$this->folder}/publish.sock"), new NullLogger);
    }

    protected function tearDown(): void
    {
        $this->clerk->close();
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function test_benches_are_looked_for_again_after_nobody_could_be_asked(): void
    {
        self::assertStringContainsString('does not know this bench yet', $this->answered()['problem'] ?? '');
        self::assertFileDoesNotExist("{$this->folder}/how.asked", 'There was nobody to ask.');

        $this->clerk->start();
        self::assertStringContainsString('does not know this bench yet', $this->answered()['problem'] ?? '');

        self::assertSame(['benches', [null, []]], unserialize((string) base64_decode((string) file_get_contents("{$this->folder}/how.asked"), true)));
    }

    public function test_what_the_clerk_says_comes_later_and_never_at_once(): void
    {
        $said = null;
        $this->clerk->ask('benches', [])->catch(static function (\Throwable $failure) use (&$said): void {
            $said = $failure->getMessage();
        });

        self::assertNull($said, 'Who asks has not even kept the promise yet.');
        $this->loop->addTimer(0.05, $this->loop->stop(...));
        $this->loop->run();
        self::assertSame('The process that asks MariaDB is starting.', $said);
    }

    /** @return array<array-key, mixed> */
    private function answered(): array
    {
        $answer = null;
        $this->recorder->answer(['ask' => 'snapshot', 'bench' => 5], static function (array $given) use (&$answer): void {
            $answer = $given;
        });
        $deadline = microtime(true) + 5.0;
        while ($answer === null && microtime(true) < $deadline) {
            $this->loop->addTimer(0.02, $this->loop->stop(...));
            $this->loop->run();
        }

        return $answer ?? self::fail('No answer came.');
    }
}

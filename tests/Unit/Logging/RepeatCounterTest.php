<?php

declare(strict_types=1);

namespace Tests\Unit\Logging;

use App\Logging\RepeatCounter;
use Monolog\Handler\StreamHandler;
use Monolog\Handler\TestHandler;
use Monolog\JsonSerializableDateTimeImmutable;
use Monolog\Level;
use Monolog\LogRecord;
use PHPUnit\Framework\TestCase;

final class RepeatCounterTest extends TestCase
{
    private TestHandler $written;

    private RepeatCounter $counter;

    protected function setUp(): void
    {
        $this->counter = new RepeatCounter($this->written = new TestHandler(Level::Warning));
    }

    public function test_the_same_again_is_counted_and_told_as_a_number_after_a_minute(): void
    {
        for ($i = 0; $i < 500; $i++) {
            $this->say('MariaDB is away.', 0.1 * $i);
        }
        self::assertSame(['MariaDB is away.'], $this->messages());

        $this->say('Something else.', 61.0);
        self::assertSame(['MariaDB is away.', 'MariaDB is away. (the same 499 times more)', 'Something else.'], $this->messages());
        $this->say('MariaDB is away.', 62.0);
        self::assertSame('MariaDB is away.', $this->messages()[3], 'After that it is news again.');
    }

    public function test_different_messages_and_levels_do_not_hide_each_other(): void
    {
        $this->say('A', 0.0);
        $this->say('B', 0.0);
        $this->say('A', 0.0, Level::Error);
        $this->say('A', 1.0);
        $this->counter->close();

        self::assertSame(['A', 'B', 'A', 'A (the same once more)'], $this->messages());
    }

    public function test_it_remembers_only_so_many(): void
    {
        for ($i = 0; $i < 1000; $i++) {
            $this->say("Message {$i}", 0.0);
        }
        $this->say('Message 0', 0.0);

        self::assertCount(1001, $this->messages(), 'The first was forgotten, not kept for ever.');
    }

    public function test_what_is_below_the_level_of_the_log_is_not_counted_either(): void
    {
        self::assertFalse($this->counter->handle($this->record('quiet', 0.0, Level::Debug)));
        $this->counter->handle($this->record('quiet', 0.0, Level::Debug));
        $this->counter->close();

        self::assertSame([], $this->messages());
    }

    public function test_a_log_that_takes_nothing_fails_nobody(): void
    {
        $this->counter = new RepeatCounter(new StreamHandler('/dev/full', Level::Warning));

        self::assertFalse($this->counter->handle($this->record('lost', 0.0, Level::Error)));
        self::assertTrue($this->counter->handle($this->record('lost', 1.0, Level::Error)), 'Counted all the same.');
    }

    private function say(string $message, float $at, Level $level = Level::Warning): void
    {
        $this->counter->handle($this->record($message, $at, $level));
    }

    private function record(string $message, float $at, Level $level): LogRecord
    {
        $time = (new JsonSerializableDateTimeImmutable(false))->setTimestamp(1_795_000_000 + (int) $at);

        return new LogRecord($time, 'test', $level, $message);
    }

    /** @return list<string> */
    private function messages(): array
    {
        return array_map(static fn (LogRecord $r): string => $r->message, $this->written->getRecords());
    }
}

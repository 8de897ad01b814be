<?php

declare(strict_types=1);

namespace App\Logging;

use Monolog\Handler\AbstractHandler;
use Monolog\Handler\HandlerInterface;
use Monolog\Level;
use Monolog\LogRecord;

/**
 * Says a message once; what is the same and comes again within the window is counted, and told as a number at its end.
 *
 * A process that fails many times a second would otherwise fill the disk with one sentence.
 */
final class RepeatCounter extends AbstractHandler
{
    private const WINDOW_S = 60;

    /** Messages remembered at a time; beyond that the oldest are closed early. */
    private const MOST = 200;

    /** @var array<string, array{first: LogRecord, count: int}> repeats since it was said, by level and message */
    private array $said = [];

    public function __construct(private readonly HandlerInterface $next)
    {
        parent::__construct(Level::Debug);
    }

    public function isHandling(LogRecord $record): bool
    {
        return $this->next->isHandling($record);
    }

    public function handle(LogRecord $record): bool
    {
        if (! $this->isHandling($record)) {
            return false;
        }
        $this->tellCounts($record->datetime->getTimestamp());
        $key = "{$record->level->value} {$record->message}";
        if (isset($this->said[$key])) {
            $this->said[$key]['count']++;

            return true;
        }
        if (count($this->said) >= self::MOST) {
            $this->tellCount((string) array_key_first($this->said));
        }
        $this->said[$key] = ['first' => $record, 'count' => 0];

        return $this->write($record);
    }

    public function close(): void
    {
        foreach (array_keys($this->said) as $key) {
            $this->tellCount($key);
        }
        $this->next->close();
    }

    /** A log that takes nothing (its supervisor was killed, the disk is full) must not turn an answer into a failure. */
    private function write(LogRecord $record): bool
    {
        try {
            return $this->next->handle($record);
        } catch (\UnexpectedValueException) {
            return false;
        }
    }

    private function tellCounts(int $now): void
    {
        foreach ($this->said as $key => ['first' => $first]) {
            if ($now - $first->datetime->getTimestamp() < self::WINDOW_S) {
                // They are in the order of their times.
                return;
            }
            $this->tellCount($key);
        }
    }

    private function tellCount(string $key): void
    {
        ['first' => $first, 'count' => $count] = $this->said[$key];
        unset($this->said[$key]);
        if ($count > 0) {
            $times = $count === 1 ? 'once' : "{$count} times";
            $this->write($first->with(message: "{$first->message} (the same {$times} more)", datetime: new \Monolog\JsonSerializableDateTimeImmutable(true)));
        }
    }
}

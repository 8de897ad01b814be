<?php

declare(strict_types=1);

namespace Tests\Support;

use PHPUnit\Event\Code\Test;
use PHPUnit\Event\Test\Errored;
use PHPUnit\Event\Test\ErroredSubscriber;
use PHPUnit\Event\Test\Failed;
use PHPUnit\Event\Test\FailedSubscriber;
use PHPUnit\Event\Test\Finished;
use PHPUnit\Event\Test\FinishedSubscriber;
use PHPUnit\Event\Test\PreparationStarted;
use PHPUnit\Event\Test\PreparationStartedSubscriber;
use PHPUnit\Event\TestRunner\ExecutionFinished;
use PHPUnit\Event\TestRunner\ExecutionFinishedSubscriber;
use PHPUnit\Runner\Extension\Extension;
use PHPUnit\Runner\Extension\Facade;
use PHPUnit\Runner\Extension\ParameterCollection;
use PHPUnit\TextUI\Configuration\Configuration;

/**
 * Writes down each test's seconds, in all and computing, into the file that WELKION_TIMES names, for "bin/test --times"; and says of each
 * that failed how it is run alone.
 */
final class Times implements Extension
{
    private float $beganAt = 0.0;

    private float $computedBefore = 0.0;

    /** @var list<string> "seconds, of them computing, name", by tabs */
    private array $rows = [];

    /** @var array<string, true> */
    private array $failed = [];

    public function bootstrap(Configuration $configuration, Facade $facade, ParameterCollection $parameters): void
    {
        $file = getenv('WELKION_TIMES');
        if ($file === false) {
            return;
        }
        $facade->registerSubscribers(
            new class($this->begin(...)) implements PreparationStartedSubscriber
            {
                public function __construct(private readonly \Closure $begin)
                {
                }

                public function notify(PreparationStarted $event): void
                {
                    ($this->begin)();
                }
            },
            new class($this->end(...)) implements FinishedSubscriber
            {
                public function __construct(private readonly \Closure $end)
                {
                }

                public function notify(Finished $event): void
                {
                    ($this->end)($event->test());
                }
            },
            new class($this->fail(...)) implements FailedSubscriber
            {
                public function __construct(private readonly \Closure $fail)
                {
                }

                public function notify(Failed $event): void
                {
                    ($this->fail)($event->test());
                }
            },
            new class($this->fail(...)) implements ErroredSubscriber
            {
                public function __construct(private readonly \Closure $fail)
                {
                }

                public function notify(Errored $event): void
                {
                    ($this->fail)($event->test());
                }
            },
            new class(fn () => $this->write($file)) implements ExecutionFinishedSubscriber
            {
                public function __construct(private readonly \Closure $write)
                {
                }

                public function notify(ExecutionFinished $event): void
                {
                    ($this->write)();
                }
            },
        );
    }

    private function begin(): void
    {
        $this->beganAt = microtime(true);
        $this->computedBefore = self::computed();
    }

    private function end(Test $test): void
    {
        $this->rows[] = implode("\t", [round(microtime(true) - $this->beganAt, 3), round(self::computed() - $this->computedBefore, 3), self::nameOf($test)]);
    }

    private function fail(Test $test): void
    {
        $this->failed[self::nameOf($test)] = true;
    }

    private function write(string $file): void
    {
        file_put_contents($file, implode('', array_map(static fn (string $row): string => "{$row}\n", $this->rows)));
        foreach (array_keys($this->failed) as $name) {
            echo "\n\nAlone: bin/test ".(str_contains($file, 'feature') ? 'feature' : 'core')." '{$name}'";
        }
    }

    private static function nameOf(Test $test): string
    {
        // "#" would be a data set by its number, "@" one by its name: the method is enough to find it.
        return $test->isTestMethod() ? $test->className().'::'.$test->methodName() : $test->name();
    }

    /** Seconds of processor time of this process and of those it started that have ended. */
    private static function computed(): float
    {
        $sum = 0.0;
        foreach ([0, 1] as $whose) {
            $usage = getrusage($whose) ?: [];
            foreach (['utime', 'stime'] as $kind) {
                $sum += ($usage["ru_{$kind}.tv_sec"] ?? 0) + ($usage["ru_{$kind}.tv_usec"] ?? 0) / 1e6;
            }
        }

        return $sum;
    }
}

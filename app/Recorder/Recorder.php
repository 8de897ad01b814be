<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use App\Recorder\Keeping\Clerk;
use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Live\LivePublisher;
use Psr\Log\LoggerInterface;
use React\EventLoop\LoopInterface;
use React\Promise\PromiseInterface;
use Welkion\Core\Uncertainty\Measured;

/** The long-running recorder: one BenchRecorder for each bench, and the answers it owes to the web application. */
final class Recorder implements Neighbours
{
    /** Samples wait at most this long before they are handed to MariaDB. */
    private const FLUSH_EACH_S = 0.4;

    private const LOOK_FOR_BENCHES_EACH_S = 5.0;

    private const FILE_EACH_S = 4.0;

    /** Between two pieces of it, whatever else MariaDB is asked gets its turn. */
    private const FILE_ON_AFTER_S = 0.05;

    /** When it is asked to end, it waits so long for MariaDB; what is not in it then goes to disk. */
    private const END_WITHIN_S = 2.0;

    /** @var array<int, BenchRecorder> by bench id */
    private array $benches = [];

    /** @var PromiseInterface<void>|null */
    private ?PromiseInterface $looking = null;

    private bool $isFiling = false;

    /**
     * @param  string|null  $name  of a recorder that takes only some benches; null: the one that takes all others
     * @param  list<string>  $names  of the benches it takes
     */
    public function __construct(
        private readonly LoopInterface $loop,
        private readonly Clerk $clerk,
        private readonly SampleKeeper $keeper,
        private readonly LivePublisher $publisher,
        private readonly LoggerInterface $log,
        private readonly ?string $name = null,
        private readonly array $names = [],
    ) {
    }

    public function start(): void
    {
        $this->clerk->start();
        $this->findBenches();
        $this->loop->addPeriodicTimer(self::LOOK_FOR_BENCHES_EACH_S, $this->findBenches(...));
        $this->loop->addPeriodicTimer(self::FLUSH_EACH_S, $this->flush(...));
        // One is enough, and two would wait for each other.
        $this->name === null && $this->loop->addPeriodicTimer(self::FILE_EACH_S, $this->file(...));
    }

    public function stop(): void
    {
        foreach ($this->benches as $bench) {
            $bench->close();
        }
        $deadline = microtime(true) + self::END_WITHIN_S;
        $this->loop->addPeriodicTimer(0.02, function () use ($deadline): void {
            $now = microtime(true);
            $this->keeper->tend($now);
            if ($this->keeper->isDone() || $now > $deadline) {
                $this->keeper->close($now);
                $this->clerk->close();
                $this->loop->stop();
            }
        });
    }

    /**
     * Answers one question of the web application.
     *
     * @param  array<array-key, mixed>  $question
     * @param  \Closure(array<array-key, mixed>): void  $answer
     */
    public function answer(array $question, \Closure $answer): void
    {
        if (($question['ask'] ?? null) === 'health') {
            $answer(['memory' => memory_get_usage(), 'benches' => array_map(
                static fn (BenchRecorder $b): array => [
                    'id' => $b->bench->id, 'name' => $b->bench->name, 'isConnected' => $b->isConnected(), 'aside' => $b->whyAside(),
                ] + $b->counts(),
                array_values($this->benches),
            )]);

            return;
        }
        $id = is_int($question['bench'] ?? null) ? $question['bench'] : 0;
        if (isset($this->benches[$id])) {
            $this->answerFor($this->benches[$id], $question, $answer);

            return;
        }
        // Just made, perhaps.
        $this->findBenches()->then(function () use ($id, $question, $answer): void {
            if (isset($this->benches[$id])) {
                $this->answerFor($this->benches[$id], $question, $answer);
            } else {
                $answer(['problem' => 'The recorder does not know this bench yet. Try again in a moment.']);
            }
        });
    }

    /**
     * @param  array<array-key, mixed>  $question
     * @param  \Closure(array<array-key, mixed>): void  $answer
     */
    private function answerFor(BenchRecorder $bench, array $question, \Closure $answer): void
    {
        /** @var array<string, mixed> $details */
        $details = is_array($question['details'] ?? null) ? $question['details'] : [];
        try {
            match ($question['ask'] ?? null) {
                'snapshot' => $bench->snapshot($answer),
                'reload' => $this->readAgain($bench, $answer),
                'apart' => $answer($this->toldApart($bench, is_int($details['beside'] ?? null) ? $details['beside'] : 0)),
                'moment' => $answer(['time' => $bench->moment()]),
                'begin' => $answer($bench->begin(is_int($details['run'] ?? null) ? $details['run'] : 0) ? ['ok' => true] : ['problem' => 'This run does not wait, or its bench has sent nothing yet.']),
                'restart-windows' => $answer($this->restarted($bench)),
                'act' => $bench->act($details, $answer),
                'truth' => $bench->truth($answer),
                default => $answer(['problem' => 'The recorder does not understand this question.']),
            };
        } catch (\Throwable $failure) {
            $bench->failed($failure);
            $answer(['problem' => 'The recorder could not do this for the bench; its log says more. The other benches go on.']);
        }
    }

    /** @param  \Closure(array<array-key, mixed>): void  $answer */
    private function readAgain(BenchRecorder $bench, \Closure $answer): void
    {
        $bench->reload()->then(
            static fn () => $answer(['ok' => true]),
            function (\Throwable $failure) use ($bench, $answer): void {
                $this->log->warning("Bench {$bench->bench->id} could not be read again.", ['reason' => $failure->getMessage()]);
                $answer(['problem' => 'The recorder could not read this bench again. Try again in a moment.']);
            },
        );
    }

    public function reload(array $benches): void
    {
        foreach (array_intersect_key($this->benches, array_flip($benches)) as $bench) {
            $this->readAgain($bench, static fn () => null);
        }
    }

    public function apart(int $first, int $ahead): ?Measured
    {
        [$of, $from] = [($this->benches[$first] ?? null)?->wallAhead(), ($this->benches[$ahead] ?? null)?->wallAhead()];

        return $of === null || $from === null ? null : $of->minus($from);
    }

    public function zeroOf(int $bench, int $run): ?float
    {
        return ($this->benches[$bench] ?? null)?->zeroOf($run);
    }

    /** @return array{apart: float|null, error: float|null} in s */
    private function toldApart(BenchRecorder $bench, int $beside): array
    {
        $apart = $this->apart($bench->bench->id, $beside);

        return ['apart' => $apart?->value, 'error' => $apart?->uncertainty];
    }

    /** @return array<string, mixed> */
    private function restarted(BenchRecorder $bench): array
    {
        $bench->restartWindows();

        return ['ok' => true];
    }

    /** @return PromiseInterface<void> resolved when it has been looked, whatever was found */
    private function findBenches(): PromiseInterface
    {
        return $this->looking ??= $this->clerk->ask('benches', [$this->name, $this->names])->then(
            function (mixed $benches): void {
                $this->looking = null;
                $this->listenTo(array_values(array_filter(is_array($benches) ? $benches : [], static fn (mixed $b): bool => $b instanceof Bench)));
            },
            function (\Throwable $failure): void {
                $this->looking = null;
                $this->log->warning('The list of benches could not be read; trying again.', ['reason' => $failure->getMessage()]);
                // At the start nothing goes without it.
                if ($this->benches === []) {
                    $this->loop->addTimer(self::FLUSH_EACH_S, $this->findBenches(...));
                }
            },
        );
    }

    /** @param  list<Bench>  $benches */
    private function listenTo(array $benches): void
    {
        $ids = [];
        foreach ($benches as $bench) {
            $ids[$bench->id] = true;
            $this->benches[$bench->id] ??= new BenchRecorder(
                $bench, $this->loop, $this->clerk, $this->keeper, $this->publisher, $this, $this->log,
            );
        }
        foreach (array_diff_key($this->benches, $ids) as $id => $gone) {
            $gone->close();
            unset($this->benches[$id]);
        }
    }

    /** Blocks become segments; if they cannot now, they do later. */
    private function file(): void
    {
        if ($this->isFiling) {
            return;
        }
        $this->isFiling = true;
        $this->clerk->ask('file', [])->then(function (mixed $isMore): void {
            $this->isFiling = false;
            $isMore === true && $this->loop->addTimer(self::FILE_ON_AFTER_S, $this->file(...));
        }, function (\Throwable $failure): void {
            $this->isFiling = false;
            $this->log->warning('Blocks could not be put together; trying again.', ['reason' => $failure->getMessage()]);
        });
    }

    private function flush(): void
    {
        foreach ($this->benches as $bench) {
            $bench->flush();
        }
        $now = microtime(true);
        $this->keeper->tend($now);
        $this->clerk->tend($now);
    }
}

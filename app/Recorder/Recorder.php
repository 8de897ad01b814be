<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Models\Bench;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Psr\Log\LoggerInterface;
use React\EventLoop\LoopInterface;

/** The long-running recorder: one BenchRecorder for each bench, and the answers it owes to the web application. */
final class Recorder
{
    /** Samples wait at most this long before they are in MariaDB. */
    private const FLUSH_EACH_S = 0.4;

    private const LOOK_FOR_BENCHES_EACH_S = 5.0;

    /** @var array<int, BenchRecorder> by bench id */
    private array $benches = [];

    public function __construct(
        private readonly LoopInterface $loop,
        private readonly BlockStore $store,
        private readonly LivePublisher $publisher,
        private readonly LoggerInterface $log,
    ) {
    }

    public function start(): void
    {
        $this->findBenches();
        $this->loop->addPeriodicTimer(self::LOOK_FOR_BENCHES_EACH_S, $this->findBenches(...));
        $this->loop->addPeriodicTimer(self::FLUSH_EACH_S, $this->flush(...));
    }

    public function stop(): void
    {
        foreach ($this->benches as $bench) {
            $bench->close();
        }
        $this->loop->stop();
    }

    /**
     * Answers one question of the web application.
     *
     * @param  array<array-key, mixed>  $question
     * @param  \Closure(array<array-key, mixed>): void  $answer
     */
    public function answer(array $question, \Closure $answer): void
    {
        $ask = $question['ask'] ?? null;
        if ($ask === 'health') {
            $answer(['benches' => array_map(
                static fn (BenchRecorder $b): array => ['name' => $b->bench->name, 'isConnected' => $b->isConnected()] + $b->counts(),
                array_values($this->benches),
            )]);

            return;
        }
        $id = is_int($question['bench'] ?? null) ? $question['bench'] : 0;
        if (! isset($this->benches[$id])) {
            $this->findBenches();
        }
        $bench = $this->benches[$id] ?? null;
        if ($bench === null) {
            $answer(['problem' => 'The recorder does not know this bench yet. Try again in a moment.']);

            return;
        }
        /** @var array<string, mixed> $details */
        $details = is_array($question['details'] ?? null) ? $question['details'] : [];
        match ($ask) {
            'snapshot' => $answer($bench->snapshot()),
            'reload' => $answer($this->reloaded($bench)),
            'restart-windows' => $answer($this->restarted($bench)),
            'act' => $bench->act($details, $answer),
            'truth' => $bench->truth($answer),
            default => $answer(['problem' => 'The recorder does not understand this question.']),
        };
    }

    /** @param  list<int>  $ids */
    private function reloadAll(array $ids): void
    {
        foreach ($ids as $id) {
            if (isset($this->benches[$id])) {
                $this->reloaded($this->benches[$id]);
            }
        }
    }

    /** @return array<string, mixed> */
    private function reloaded(BenchRecorder $bench): array
    {
        try {
            $bench->reload();
        } catch (QueryException|\PDOException|ModelNotFoundException $failure) {
            $this->log->warning('A bench could not be read again.', ['bench' => $bench->bench->name, 'reason' => $failure->getMessage()]);

            return ['problem' => 'The recorder could not read this bench again. Try again in a moment.'];
        }

        return ['ok' => true];
    }

    /** @return array<string, mixed> */
    private function restarted(BenchRecorder $bench): array
    {
        $bench->restartWindows();

        return ['ok' => true];
    }

    private function findBenches(): void
    {
        try {
            $benches = Bench::query()->get()->keyBy('id');
            foreach ($benches as $bench) {
                $this->benches[$bench->id] ??= new BenchRecorder($bench, $this->loop, $this->store, $this->publisher, $this->reloadAll(...), $this->log);
            }
            foreach (array_diff_key($this->benches, $benches->all()) as $id => $gone) {
                $gone->close();
                unset($this->benches[$id]);
            }
        } catch (QueryException|\PDOException $failure) {
            $this->log->warning('The list of benches could not be read; trying again.', ['reason' => $failure->getMessage()]);
        }
    }

    private function flush(): void
    {
        foreach ($this->benches as $bench) {
            $bench->flush();
        }
    }
}

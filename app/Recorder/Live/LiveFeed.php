<?php

declare(strict_types=1);

namespace App\Recorder\Live;

use App\Models\Bench;
use App\Models\Probe;
use App\Recorder\ChannelTrack;
use App\Recorder\Link\BenchLink;
use App\Recorder\Silence;
use App\Recorder\Timed\TimedRuns;
use React\EventLoop\LoopInterface;
use React\EventLoop\TimerInterface;

/** Sends what screens show of one bench: its probes, and what an onlooker sees of a simulated one. */
final class LiveFeed
{
    /** At most 20 live messages a second. */
    private const PUBLISH_EACH_S = 0.05;

    /** What an onlooker sees of a simulated bench goes along when it changes, and each so often for who comes later. */
    private const WORLD_EACH_S = 1.0;

    private ?LiveView $view = null;

    /** @var array<array-key, mixed>|null */
    private ?array $world = null;

    private ?float $madeAt = null;

    private float $publishedAt = 0.0;

    private float $worldPublishedAt = 0.0;

    private ?TimerInterface $timer = null;

    /** @var list<array{code: string, tone: 'amber'|'red', sentence: string}> */
    private array $told = [];

    public function __construct(
        private readonly Bench $bench,
        private readonly LoopInterface $loop,
        private readonly LivePublisher $publisher,
        private readonly BenchLink $link,
        private readonly BenchNotes $notes,
        private readonly TimedRuns $timed,
        private readonly Silence $silence,
    ) {
    }

    public function isConnected(): bool
    {
        return $this->link->isConnected() && $this->view !== null;
    }

    /** How many seconds of the bench pass in one on the wall. */
    public function speed(): int
    {
        return is_int($this->world['speed'] ?? null) ? max(1, $this->world['speed']) : 1;
    }

    /**
     * From now on these are shown.
     *
     * @param  array<int, Probe>  $probes  by id
     * @param  array<int, ChannelTrack>  $tracks  by probe id
     */
    public function show(array $probes, array $tracks): void
    {
        $this->view = new LiveView($probes, $tracks, $this->silence);
        $this->publish();
    }

    /** What the bench tells of itself, if it is one that has anything to tell. */
    public function see(mixed $world): void
    {
        if ($this->bench->is_simulated && is_array($world)) {
            $this->world = World::from($world);
            $this->worldPublishedAt = 0.0;
        }
    }

    /** What must be said has changed: it is said at once, also on a bench that is silent. */
    public function tellNotes(): void
    {
        if ($this->notes->now(microtime(true)) !== $this->told) {
            $this->publish();
        }
    }

    /** New values have come; a stand-in says when it made them, by the clock on the wall in s. */
    public function publishSoon(?float $madeAt): void
    {
        $this->madeAt = $madeAt;
        if ($this->timer !== null) {
            return;
        }
        $wait = $this->publishedAt + self::PUBLISH_EACH_S - microtime(true);
        // The few milliseconds let the other channels of the same moment come along.
        $this->timer = $this->loop->addTimer(max(0.003, $wait), function (): void {
            $this->timer = null;
            $this->publish();
        });
    }

    public function publish(): void
    {
        $this->publishedAt = microtime(true);
        $world = [];
        if ($this->publishedAt - $this->worldPublishedAt >= self::WORLD_EACH_S) {
            $this->worldPublishedAt = $this->publishedAt;
            $world = ['world' => $this->world];
            $this->look();
        }
        $this->publisher->publish("bench-{$this->bench->id}", json_encode([
            'benchId' => $this->bench->id,
            'isConnected' => $this->isConnected(),
            'madeAtMs' => $this->madeAt === null ? null : round($this->madeAt * 1000, 1),
            'time' => $this->view?->time(),
            'revision' => $this->view->revision ?? '',
            'probes' => $this->view?->probes($this->publishedAt, $this->speed()) ?? [],
            'timedRuns' => $this->timed->shown(),
            'notes' => $this->told = $this->notes->now($this->publishedAt),
        ] + $world, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));
    }

    /** What an onlooker sees changes by itself too: gas cools, a burette stands. */
    private function look(): void
    {
        if ($this->bench->is_simulated && $this->link->isConnected()) {
            $this->link->ask(['do' => 'tell'], function (array $answer): void {
                $this->world = is_array($answer['world'] ?? null) ? World::from($answer['world']) : $this->world;
            });
        }
    }
}

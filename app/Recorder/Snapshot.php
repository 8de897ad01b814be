<?php

declare(strict_types=1);

namespace App\Recorder;

use App\Exceptions\BenchRefused;

/** All channels of a bench over their averaging windows, at one moment. */
final readonly class Snapshot
{
    /** @param  array<int, ChannelMean>  $channels by probe id */
    private function __construct(private array $channels)
    {
    }

    /** @param  array<array-key, mixed>  $answer of the recorder */
    public static function from(array $answer): self
    {
        $channels = [];
        foreach (is_array($answer['probes'] ?? null) ? $answer['probes'] : [] as $id => $probe) {
            $channels[(int) $id] = ChannelMean::from($probe);
        }

        return new self($channels);
    }

    /** Together with what another bench reads. */
    public function and(self $other): self
    {
        return new self($this->channels + $other->channels);
    }

    /** @throws BenchRefused If the channel has sent nothing yet. */
    public function of(int $probeId): ChannelMean
    {
        return $this->channels[$probeId]
            ?? throw new BenchRefused('This probe has sent nothing since the last change. Wait a moment and try again.');
    }

    public function maybe(int $probeId): ?ChannelMean
    {
        return $this->channels[$probeId] ?? null;
    }
}

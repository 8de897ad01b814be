<?php

declare(strict_types=1);

namespace App\Recorder\Live;

use App\Models\Probe;
use App\Recorder\ChannelTrack;
use App\Recorder\Silence;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Exception\CoreException;

/** What screens show of a bench: raw signal, quantity by the calibration in force, steadiness. Made anew when probes change. */
final readonly class LiveView
{
    /** @var array<int, ProbeCalibration|null> how each probe is read, by probe id; null where what is stored cannot be worked out */
    private array $scales;

    private ?Probe $thermometer;

    /** Changes whenever a probe, its plug, its calibration or its zero does: then screens ask for the bench again. */
    public string $revision;

    /**
     * @param  array<int, Probe>  $probes  by id, with calibration and zero
     * @param  array<int, ChannelTrack>  $tracks  by probe id
     */
    public function __construct(private array $probes, private array $tracks, private Silence $silence)
    {
        $this->scales = array_map(self::scale(...), $probes);
        $this->thermometer = BenchThermometer::among($probes)?->probe;
        $this->revision = substr(md5((string) json_encode(array_map(static fn (Probe $p): array => [
            $p->id, $p->channel, $p->is_present, $p->moved_from, $p->calibration?->id, $p->zero()?->id,
        ], array_values($probes)))), 0, 8);
    }

    /** The newest moment any channel has seen, in s of the bench's clock. */
    public function time(): ?float
    {
        $times = array_filter(array_map(static fn (ChannelTrack $t): ?float => $t->latestTime(), $this->tracks));

        return $times === [] ? null : max($times);
    }

    /**
     * @param  int  $speed  how many seconds of the bench pass in one on the wall
     * @return list<array<string, mixed>>
     */
    public function probes(float $wallNow, int $speed): array
    {
        $celsius = $this->celsius();

        return array_map(fn (Probe $probe): array => $this->probe($probe, $celsius, $wallNow, $speed), array_values($this->probes));
    }

    /** @return array<string, mixed> */
    private function probe(Probe $probe, ?float $celsius, float $wallNow, int $speed): array
    {
        $track = $this->tracks[$probe->id];
        // A value that is old by now is none.
        $raw = $probe->is_present && ! $this->silence->isOf($probe->id, $wallNow) ? $track->latest() : null;
        $steadiness = $track->steadiness($wallNow);
        $scale = $this->scales[$probe->id];
        // Without any line an electrode shows volts and a plunger travel, not a quantity that could be anything.
        $hasValue = $raw !== null && $scale !== null && ($probe->calibration !== null || $probe->model()->readsFromFactory());

        return [
            'id' => $probe->id,
            'raw' => $raw,
            'value' => $hasValue ? self::value($scale, $raw, $this->celsiusFor($probe, $celsius)) : null,
            'state' => match (true) {
                ! $probe->is_present => 'unplugged',
                $raw === null => 'silent',
                $steadiness->isSteady => 'steady',
                default => 'settling',
            },
            'rawDriftPerMinute' => $steadiness->driftPerMinute,
            'valueDriftPerMinute' => $hasValue ? self::finite($steadiness->driftPerMinute / $scale->line()->slope) : null,
            'isMoving' => $raw !== null && $steadiness->isMoving,
            'rawScatter' => $steadiness->scatter,
            'steadyForS' => $track->steadyFor() / $speed,
            'secondsMore' => $steadiness->secondsMore === null ? null : $steadiness->secondsMore / $speed,
            'recent' => $probe->kind->isAlive() ? $track->takeRecent() : [],
        ];
    }

    private function celsius(): ?float
    {
        if ($this->thermometer === null) {
            return null;
        }
        $raw = $this->tracks[$this->thermometer->id]->latest();

        $scale = $this->scales[$this->thermometer->id];

        return $raw === null || $scale === null ? null : self::value($scale, $raw, null);
    }

    /** A calibration that cannot be worked out spoils the value of its own probe and nothing else; the page of the probe says why. */
    private static function scale(Probe $probe): ?ProbeCalibration
    {
        try {
            return $probe->reading();
        } catch (CoreException) {
            return null;
        }
    }

    /** Null where the number is none. */
    private static function value(ProbeCalibration $scale, float $raw, ?float $celsius): ?float
    {
        try {
            return self::finite($scale->quantity($raw, 0.0, $celsius)->value);
        } catch (CoreException|\ArithmeticError) {
            return null;
        }
    }

    private static function finite(float $value): ?float
    {
        return is_finite($value) ? $value : null;
    }

    /** Only these two depend on the temperature of what they stand in, and only as far as water is liquid. */
    private function celsiusFor(Probe $probe, ?float $celsius): ?float
    {
        return $probe->kind->followsTemperature() && $celsius !== null ? max(0.0, min(100.0, $celsius)) : null;
    }
}

<?php

declare(strict_types=1);

namespace App\Recorder\Link;

/** How much one device may send, so that it cannot keep the recorder from the others. */
final class DeviceConduct
{
    /** Enough for 100,000 readings a second, and two minutes of missed ones at once. */
    private const BYTES_PER_S = 12e6;

    private const BYTES_AT_ONCE = 60e6;

    private const SAMPLES_PER_S = 150e3;

    private const SAMPLES_AT_ONCE = 2e6;

    /** Answers to what was asked; a person at a simulated bench presses a few buttons a second, at most. */
    private const LINES_PER_S = 50.0;

    private const LINES_AT_ONCE = 500.0;

    /** A loose plug chatters; each time MariaDB has to be asked. */
    private const PLUGS_PER_S = 0.5;

    private const PLUGS_AT_ONCE = 30.0;

    private readonly Allowance $bytes;

    private readonly Allowance $samples;

    private readonly Allowance $lines;

    private readonly Allowance $plugs;

    public function __construct(float $now)
    {
        $this->bytes = new Allowance(self::BYTES_PER_S, self::BYTES_AT_ONCE, $now);
        $this->samples = new Allowance(self::SAMPLES_PER_S, self::SAMPLES_AT_ONCE, $now);
        $this->lines = new Allowance(self::LINES_PER_S, self::LINES_AT_ONCE, $now);
        $this->plugs = new Allowance(self::PLUGS_PER_S, self::PLUGS_AT_ONCE, $now);
    }

    /** @throws DeviceFault */
    public function heard(int $byteCount, float $now): void
    {
        self::require($this->bytes->take($byteCount, $now), 'sends more than 12 MB a second');
    }

    /** @throws DeviceFault */
    public function tookSamples(int $count, float $now): void
    {
        self::require($this->samples->take($count, $now), 'sends more than 150,000 readings a second');
    }

    /** @throws DeviceFault */
    public function tookControlLine(float $now): void
    {
        self::require($this->lines->take(1.0, $now), 'sends more than 50 control lines a second');
    }

    /** @throws DeviceFault */
    public function toldOfChannels(float $now): void
    {
        self::require($this->plugs->take(1.0, $now), 'tells again and again that plugs changed; look for a loose one');
    }

    private static function require(bool $isWithin, string $what): void
    {
        if (! $isWithin) {
            throw DeviceFault::because($what);
        }
    }
}

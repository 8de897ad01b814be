<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** Heart and lungs of Person A, at rest, at work and after it: every signal of the body follows the same beats and breaths. */
final class Person
{
    private const REST_BPM = 64.0;

    private const WORK_BPM = 138.0;

    private const REST_BREATHS = 14.0;

    private const WORK_BREATHS = 30.0;

    /** Time constants in s: a heart takes up work faster than it lets go. */
    private const UP_S = 18.0;

    private const DOWN_S = 48.0;

    /** Breathing in quickens the heart by this share. */
    private const BREATHING_SHARE = 0.04;

    /** The pulse wave takes this long from the heart to a finger, in s. */
    private const PULSE_DELAY_S = 0.22;

    /** Waves of a beat: place in s from the R wave at 64 beats a minute, height in mV, width in s. */
    private const WAVES = [
        'P' => [-0.17, 0.12, 0.022], 'Q' => [-0.035, -0.10, 0.010], 'R' => [0.0, 1.05, 0.011],
        'S' => [0.035, -0.22, 0.011], 'T' => [0.26, 0.28, 0.045],
    ];

    private float $effort = 0.0;

    public bool $isWorking = false;

    private float $sinceR = 0.4;

    private float $interval = 60.0 / self::REST_BPM;

    private float $breath = 0.0;

    public function pass(float $seconds): void
    {
        $target = $this->isWorking ? 1.0 : 0.0;
        $this->effort = $target + ($this->effort - $target) * exp(-$seconds / ($this->isWorking ? self::UP_S : self::DOWN_S));
        $this->breath += $seconds * $this->breathsPerMinute() / 60.0;
        $this->sinceR += $seconds;
        if ($this->sinceR >= $this->interval) {
            $this->sinceR -= $this->interval;
            $this->interval = 60.0 / ($this->beatsPerMinute() * (1.0 + self::BREATHING_SHARE * (1.0 - $this->effort) * sin(2.0 * M_PI * $this->breath)));
        }
    }

    public function beatsPerMinute(): float
    {
        return self::REST_BPM + ($this->effort) * (self::WORK_BPM - self::REST_BPM);
    }

    public function breathsPerMinute(): float
    {
        return self::REST_BREATHS + $this->effort * (self::WORK_BREATHS - self::REST_BREATHS);
    }

    /** Voltage between the arms, in mV. */
    public function heartMillivolts(): float
    {
        // Quick beats shorten the way to T more than the rest of the beat.
        $stretch = sqrt($this->interval * self::REST_BPM / 60.0);
        $sum = 0.0;
        foreach ([$this->sinceR, $this->sinceR - $this->interval] as $t) {
            foreach (self::WAVES as $name => [$place, $height, $width]) {
                $distance = ($t - ($name === 'T' || $name === 'P' ? $place * $stretch : $place)) / $width;
                if (abs($distance) < 5.0) {
                    $sum += $height * exp(-0.5 * $distance * $distance);
                }
            }
        }

        return $sum;
    }

    /** Blood in a fingertip, from 0 to about 1. */
    public function fingerPulse(): float
    {
        $t = $this->sinceR - self::PULSE_DELAY_S;
        $t = $t < 0.0 ? $t + $this->interval : $t;

        return exp(-0.5 * (($t - 0.12) / 0.055) ** 2) + 0.35 * exp(-0.5 * (($t - 0.36) / 0.08) ** 2);
    }

    /** Pull of the belt above its rest, in N: deeper and quicker at work. */
    public function chestNewtons(): float
    {
        return (1.2 + 1.6 * $this->effort) * sin(2.0 * M_PI * $this->breath);
    }

    /** Temperature of the hands, in °C: blood leaves them at work. */
    public function handCelsius(): float
    {
        return 32.6 - 1.4 * $this->effort;
    }
}

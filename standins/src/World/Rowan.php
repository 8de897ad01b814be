<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Random\Randomizer;
use Welkion\Core\Calibration\Standard;

/** Bench "Rowan": Person A of the rowing club, with leads, belt, finger clip, grip bulb and two skin thermometers. */
final class Rowan extends Bench
{
    private const LEADS = ['joined' => 'joined', 'on' => 'on the arms', 'off' => 'hanging loose'];

    private const BELT = ['off' => 'off', 'loose' => 'on, loose', 'on' => 'on, comfortable'];

    private const SKIN = ['air' => 'room air', 'skin' => 'the hand', 'ice' => 'melting ice', 'warm-water' => 'warm water'];

    private const GRIP = ['free' => 'let go', '2 kg' => '2 kg hung on', '5 kg' => '5 kg hung on', 'squeezed' => 'squeezed'];

    /** Force on the bulb that raises its pressure by 1 kPa, in N. */
    private const NEWTONS_PER_KPA = 3.9;

    private const SQUEEZE_KPA = 62.0;

    /** A hand tires with this time constant, in s. */
    private const FATIGUE_S = 55.0;

    private readonly Person $person;

    private readonly Room $room;

    /** @var array<string, Sensor> by channel */
    private readonly array $sensors;

    private string $leads = 'joined';

    private bool $isGauge = false;

    private string $belt = 'off';

    private string $grip = 'free';

    private float $squeezedS = 0.0;

    private bool $hasHum = false;

    /** @var array<string, string> */
    private array $skin = ['skin-left' => 'air', 'skin-right' => 'air'];

    public function __construct(Randomizer $randomizer)
    {
        $noise = new Noise($randomizer);
        $this->person = new Person;
        $this->room = new Room;
        $one = ['slope' => 1.0, 'offset' => 0.0];
        $this->sensors = [
            'ecg' => new Sensor($noise, new ChannelDescription(
                'ecg', 'ecg-lead', 'ECG lead', 'Rowan-1', 'V', 0.001, [-2.0, 4.0], 500.0, ['slope' => 1.0, 'offset' => 1.0],
            ), 0.972, 1.014, lagS: 0.0, noise: 0.006, driftPerHour: 0.01),
            'grip' => new Sensor($noise, new ChannelDescription(
                'grip', 'grip-bulb', 'Grip bulb', 'Rowan-2', 'V', 0.001, [0.0, 5.0], 50.0, ['slope' => 0.02, 'offset' => 0.3],
            ), 0.0207, 0.342, lagS: 0.05, noise: 0.0015),
            'breathing' => new Sensor($noise, new ChannelDescription(
                'breathing', 'breathing-belt', 'Breathing belt', 'Rowan-3', 'mV', 0.1, [-50.0, 500.0], 50.0, ['slope' => 20.0, 'offset' => 12.0],
            ), 20.3, 15.1, lagS: 0.05, noise: 0.3),
            'pulse' => new Sensor($noise, new ChannelDescription(
                'pulse', 'finger-pulse', 'Finger pulse', 'Rowan-4', 'V', 0.002, [0.0, 5.0], 100.0, $one,
            ), 1.0, 0.6, lagS: 0.02, noise: 0.004),
            'skin-left' => new Sensor($noise, new ChannelDescription(
                'skin-left', 'thermometer', 'Left hand', 'Rowan-5', '°C', 0.02, [0.0, 60.0], 20.0, $one,
            ), 1.003, 0.12, lagS: 6.0, noise: 0.015),
            'skin-right' => new Sensor($noise, new ChannelDescription(
                'skin-right', 'thermometer', 'Right hand', 'Rowan-6', '°C', 0.02, [0.0, 60.0], 20.0, $one,
            ), 0.997, -0.08, lagS: 6.0, noise: 0.015),
        ];
    }

    public function name(): string
    {
        return 'Rowan';
    }

    public function reading(string $channel): float
    {
        return ($this->sensors[$channel] ?? throw new RefusedAct("There is no channel \"{$channel}\" on this bench."))->reading();
    }

    public function visible(): array
    {
        return [
            'isRinsed' => true,
            'summary' => [
                'Person A '.($this->person->isWorking ? 'rows' : 'rests'),
                'leads '.self::LEADS[$this->leads],
                'belt '.self::BELT[$this->belt],
                'bulb '.self::GRIP[$this->grip],
            ],
            'controls' => [
                Control::choice('Leads', self::LEADS, $this->leads, ['act' => 'leads'], 'where'),
                Control::switches('Gauge', [['hold 1 mV', ['act' => 'gauge'], $this->isGauge]]),
                Control::choice('Bulb', self::GRIP, $this->grip, ['act' => 'grip'], 'how'),
                Control::choice('Belt', self::BELT, $this->belt, ['act' => 'belt'], 'how'),
                Control::choice('Left thermometer', self::SKIN, $this->skin['skin-left'], ['act' => 'dip', 'channel' => 'skin-left'], 'into'),
                Control::choice('Right thermometer', self::SKIN, $this->skin['skin-right'], ['act' => 'dip', 'channel' => 'skin-right'], 'into'),
                Control::switches('Person A', [['row', ['act' => 'row'], $this->person->isWorking]]),
                Control::switches('Faults', [['mains hum', ['act' => 'hum'], $this->hasHum]]),
                $this->knockControl(),
                $this->plugControl(),
            ],
        ];
    }

    public function truth(): array
    {
        return [
            new Truth('gain', 'ECG gain', $this->sensors['ecg']->slope, 'V/mV'),
            new Truth('gripSlope', 'bulb', 1000.0 * $this->sensors['grip']->slope, 'mV/kPa'),
            new Truth('newtonsPerKpa', 'bulb area', self::NEWTONS_PER_KPA, 'N/kPa'),
            new Truth('beltSlope', 'belt', $this->sensors['breathing']->slope, 'mV/N'),
            new Truth('beatsPerMinute', 'heart', $this->person->beatsPerMinute(), '1/min'),
            new Truth('breathsPerMinute', 'breathing', $this->person->breathsPerMinute(), '1/min'),
        ];
    }

    protected function sockets(): array
    {
        return array_values(array_map(static fn (Sensor $s): ChannelDescription => $s->description, $this->sensors));
    }

    protected function step(float $seconds): void
    {
        $this->person->pass($seconds);
        $this->squeezedS = $this->grip === 'squeezed' ? $this->squeezedS + $seconds : 0.0;
        $room = $this->room->celsiusAt($this->clock());
        $ecg = $this->sensors['ecg'];
        $ecg->hum = match (true) {
            $this->leads === 'off' => 0.35,
            $this->hasHum => 0.12,
            default => 0.0,
        };
        $ecg->pass($seconds, ($this->leads === 'on' ? $this->person->heartMillivolts() : 0.0) + ($this->isGauge ? 1.0 : 0.0));
        $this->sensors['grip']->pass($seconds, match ($this->grip) {
            'free' => 0.0,
            'squeezed' => self::SQUEEZE_KPA * (0.35 + 0.65 * exp(-$this->squeezedS / self::FATIGUE_S)),
            default => (float) $this->grip * Standard::FREE_FALL / self::NEWTONS_PER_KPA,
        });
        $this->sensors['breathing']->pass($seconds, match ($this->belt) {
            'off' => 0.0,
            'loose' => max(0.0, 1.3 + 0.4 * $this->person->chestNewtons()),
            default => 5.2 + $this->person->chestNewtons(),
        });
        $this->sensors['pulse']->pass($seconds, $this->person->fingerPulse());
        foreach ($this->skin as $channel => $place) {
            $this->sensors[$channel]->pass($seconds, match ($place) {
                'skin' => $this->person->handCelsius(),
                'ice' => 0.0,
                'warm-water' => 41.3,
                default => $room,
            });
        }
    }

    protected function hands(string $act, array $details): void
    {
        $isOn = (bool) ($details['on'] ?? true);
        match ($act) {
            'leads' => $this->leads = self::named(self::LEADS, $details['where'] ?? null, 'The leads can be'),
            'gauge' => $this->isGauge = $isOn,
            'grip' => $this->grip = self::named(self::GRIP, $details['how'] ?? null, 'The bulb can be'),
            'belt' => $this->belt = self::named(self::BELT, $details['how'] ?? null, 'The belt can be'),
            'dip' => $this->skin[self::named($this->skin, $details['channel'] ?? null, 'The thermometers are')]
                = self::named(self::SKIN, $details['into'] ?? null, 'A thermometer can be put into'),
            'row' => $this->person->isWorking = $isOn,
            'hum' => $this->hasHum = $isOn,
            default => self::refuse($act),
        };
    }

    protected function bump(string $channel): void
    {
        $this->sensors[$channel]->bump();
    }

    /** @param  array<string, string>  $choices */
    private static function named(array $choices, mixed $name, string $what): string
    {
        return self::oneOf(array_combine(array_keys($choices), array_map(strval(...), array_keys($choices))), $name, $what);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Random\Randomizer;
use Welkion\Core\Calibration\WaterBoiling;

/** Bench "Hazel": a gas in a syringe, with its pressure, its temperature and the travel of the plunger. */
final class Hazel extends Bench
{
    private const BORE_MM = 29.0;

    private const DEAD_ML = 1.6;

    private const START_ML = 40.0;

    private const PLACES = ['gas' => 'the gas', 'ice' => 'melting ice', 'boiling-water' => 'boiling water', 'room' => 'room air'];

    /** Temperatures of the baths in °C; null: the air of the room. */
    private const BATHS = ['cold bath' => 6.5, 'room' => null, 'warm bath' => 41.0, 'hot bath' => 68.0];

    /** The sealed bottle: glass, so it takes the temperature of its bath slowly; in mL and s. */
    private const BOTTLE_ML = 330.0;

    private const BOTTLE_WALLS_S = 14.0;

    private string $bath = 'room';

    /** The bottle, while the sensor and the thermometer sit in it instead of in the syringe. */
    private ?Gas $bottle = null;

    /** The plunger slides by itself until the pressure is that of the room. */
    private bool $isFree = false;

    private readonly Room $room;

    private readonly Gas $gas;

    private readonly Sensor $pressure;

    private readonly Sensor $thermometer;

    private readonly Sensor $plunger;

    private bool $isOpen = true;

    private string $thermometerIn = 'gas';

    public function __construct(Randomizer $randomizer)
    {
        $noise = new Noise($randomizer);
        $this->room = new Room;
        $this->gas = new Gas(self::START_ML, self::DEAD_ML, $this->room->celsiusAt(0.0), $this->room->barometerKpa);
        $this->pressure = new Sensor($noise, new ChannelDescription(
            'pressure', 'pressure-sensor', 'Gas pressure', 'Hazel-1', 'V', 0.0005, [0.0, 5.0], 200.0, ['slope' => 0.018, 'offset' => 0.2],
        ), 0.01812, 0.231, lagS: 0.01, noise: 0.0006, driftPerHour: 0.002);
        $this->thermometer = new Sensor($noise, new ChannelDescription(
            'temperature', 'thermometer', 'Gas temperature', 'Hazel-2', '°C', 0.05, [-20.0, 120.0], 50.0, ['slope' => 1.0, 'offset' => 0.0],
        ), 1.006, -0.35, lagS: 0.6, noise: 0.03);
        $this->plunger = new Sensor($noise, new ChannelDescription(
            'plunger', 'plunger', 'Plunger', 'Hazel-3', 'mm', 0.01, [0.0, 150.0], 200.0,
        ), 4000.0 / (M_PI * self::BORE_MM ** 2), 3.2, lagS: 0.02, noise: 0.01);
    }

    public function name(): string
    {
        return 'Hazel';
    }

    public function reading(string $channel): float
    {
        return match ($channel) {
            'pressure' => $this->pressure->reading(),
            'temperature' => $this->thermometer->reading(),
            'plunger' => $this->plunger->reading(),
            default => throw new RefusedAct("There is no channel \"{$channel}\" on this bench."),
        };
    }

    public function visible(): array
    {
        return [
            'isRinsed' => true,
            'summary' => [
                ...($this->bottle === null ? [$this->isOpen ? 'open to the room' : 'valve shut', sprintf('syringe at %.1F mL', $this->gas->volumeMl())] : []),
                sprintf('gauge %.1F kPa', ($this->bottle ?? $this->gas)->kilopascal()),
                sprintf('barometer %.1F kPa', $this->room->barometerKpa),
                ($this->bottle === null ? 'syringe' : 'sealed bottle')." in: {$this->bath}".($this->isFree ? ', plunger free' : ''),
                'thermometer in '.self::PLACES[$this->thermometerIn],
            ],
            'controls' => [
                Control::switches('Valve', [['open to the room', ['act' => 'valve'], $this->isOpen], ['plunger free', ['act' => 'free'], $this->isFree]]),
                Control::number('Plunger', 'Volume', 'mL', round($this->gas->volumeMl(), 1), ['act' => 'plunger'], 'volume', 'move', array_map(
                    static fn (int $ml): array => ['words' => "{$ml}", 'act' => ['act' => 'plunger', 'volume' => $ml]], [20, 30, 40, 50],
                ), isStep: true),
                Control::switches('Vessel', [['sealed bottle instead of the syringe', ['act' => 'bottle'], $this->bottle !== null]]),
                Control::choice($this->bottle === null ? 'Syringe into' : 'Bottle into', array_combine(array_keys(self::BATHS), array_keys(self::BATHS)), $this->bath, ['act' => 'bath'], 'in', isStep: true),
                Control::choice('Thermometer into', self::PLACES, $this->thermometerIn, ['act' => 'dip', 'channel' => 'temperature'], 'into'),
                Control::number('Weather', 'Barometer', 'kPa', $this->room->barometerKpa, ['act' => 'barometer'], 'kpa', 'set'),
                Control::switches('Faults', [['sensor strained', ['act' => 'strain'], $this->pressure->slopeFactor < 1.0]]),
                $this->knockControl(),
                $this->plugControl(),
            ],
        ];
    }

    public function truth(): array
    {
        return [
            new Truth('pressureSlope', 'pressure sensor', 1000.0 * $this->pressure->slope * $this->pressure->slopeFactor, 'mV/kPa'),
            new Truth('pressureOffset', 'at 0 kPa', $this->pressure->offset, 'V'),
            new Truth('kilopascal', 'gas at', ($this->bottle ?? $this->gas)->kilopascal(), 'kPa'),
            ...($this->bottle === null ? [] : [new Truth('kpaPerKelvin', 'pressure for each kelvin in the bottle', $this->bottle->amount() / self::BOTTLE_ML, 'kPa/K')]),
            new Truth('boreMm', 'bore', self::BORE_MM, 'mm'),
            new Truth('volumeMl', 'volume', $this->gas->volumeMl(), 'mL'),
            new Truth('deadMl', 'dead volume', self::DEAD_ML, 'mL'),
            new Truth('travelAtZero', 'travel at 0 mL', $this->plunger->offset, 'mm'),
            new Truth('mlPerKelvin', 'volume for each kelvin at the pressure of the room', $this->gas->amount() / $this->room->barometerKpa, 'mL/K'),
        ];
    }

    protected function sockets(): array
    {
        return [$this->pressure->description, $this->thermometer->description, $this->plunger->description];
    }

    protected function step(float $seconds): void
    {
        $room = $this->room->celsiusAt($this->clock());
        $this->gas->pass($seconds, $this->bottle === null ? self::BATHS[$this->bath] ?? $room : $room);
        $this->bottle?->pass($seconds, self::BATHS[$this->bath] ?? $room);
        $measured = $this->bottle ?? $this->gas;
        if ($this->isOpen) {
            $this->gas->open($room, $this->room->barometerKpa);
        } elseif ($this->isFree) {
            $this->gas->slide($this->room->barometerKpa);
        }
        $this->pressure->pass($seconds, $measured->kilopascal());
        $this->thermometer->pass($seconds, match ($this->thermometerIn) {
            'ice' => 0.0,
            'boiling-water' => WaterBoiling::celsiusAt($this->room->barometerKpa),
            'room' => $room,
            default => $measured->celsius(),
        });
        $this->plunger->pass($seconds, $this->gas->volumeMl());
    }

    protected function hands(string $act, array $details): void
    {
        match ($act) {
            'bath' => $this->bath = (string) self::oneOf(array_combine(array_keys(self::BATHS), array_keys(self::BATHS)), $details['in'] ?? null, 'The syringe can be put into'),
            'bottle' => $this->bottle = ($details['on'] ?? true) ? new Gas(self::BOTTLE_ML, 0.0, $this->room->celsiusAt($this->clock()), $this->room->barometerKpa, self::BOTTLE_WALLS_S) : null,
            'free' => $this->isFree = (bool) ($details['on'] ?? true),
            'valve' => $this->isOpen = (bool) ($details['on'] ?? true),
            'plunger' => $this->gas->moveTo(self::number($details['volume'] ?? null, 'volume', 4.0, 60.0, 'mL')),
            'barometer' => $this->room->barometerKpa = self::number($details['kpa'] ?? null, 'barometer', 80.0, 108.0, 'kPa'),
            'dip' => $this->thermometerIn = self::oneOf(
                array_combine(array_keys(self::PLACES), array_keys(self::PLACES)), $details['into'] ?? null, 'The thermometer can be put into',
            ),
            'strain' => $this->pressure->slopeFactor = ($details['on'] ?? true) ? 0.88 : 1.0,
            default => self::refuse($act),
        };
    }

    protected function bump(string $channel): void
    {
        match ($channel) {
            'pressure' => $this->pressure->bump(),
            'temperature' => $this->thermometer->bump(),
            default => $this->plunger->bump(),
        };
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Random\Randomizer;
use Welkion\Core\Calibration\TemperatureCompensation;

/** Bench "Birch": a pH electrode, a conductivity cell and a thermometer, with every standard at hand. */
final class Birch extends Bench
{
    private const CELL_CONSTANT = 1.062;

    private const LEAK_US = 0.3;

    /** Fouled plates read this share of the conductance. */
    private const FOULED_SHARE = 0.84;

    /** Conductivity of the water the dilutions are made with, and what each per cent of salt adds; µS/cm at 25 °C. */
    private const WATER_US = 12.0;

    private const PER_CENT_US = 1842.0;

    /** Strength of the beaker nobody has labelled, in per cent. */
    private const UNKNOWN_PER_CENT = 0.64;

    /** Milk from the pan, and the air of the cold store it is put into, in °C; how fast it takes it on, in s. */
    private const PAN_CELSIUS = 62.0;

    private const STORE_CELSIUS = 4.0;

    private const MILK_S = 150.0;

    /** Temperature of the milk the thermometer stands in; null if it stands elsewhere. */
    private ?float $milk = null;

    private bool $isInStore = false;

    /** Strength of the dilution the cell stands in, in per cent; null if it stands elsewhere. */
    private ?float $dilution = null;

    /** @var array<string, Solution> by channel */
    private array $places = ['ph' => Solution::Storage, 'conductivity' => Solution::Rinse, 'temperature' => Solution::Rinse];

    private readonly Electrode $electrode;

    private ?Electrode $guest = null;

    private readonly Sensor $cell;

    private readonly Sensor $thermometer;

    private readonly Room $room;

    public function __construct(Randomizer $randomizer)
    {
        $noise = new Noise($randomizer);
        $this->room = new Room;
        $this->electrode = new Electrode($noise, 'Birch-1', slopeShare: 0.899, offsetMv: -13.4);
        $this->cell = new Sensor($noise, new ChannelDescription(
            'conductivity', 'conductivity-cell', 'Conductivity', 'Birch-2', 'µS', 0.1, [0.0, 200_000.0], 20.0, ['slope' => 1.0, 'offset' => 0.0],
        ), 1.0 / self::CELL_CONSTANT, self::LEAK_US, lagS: 1.2, noise: 0.4);
        $this->thermometer = new Sensor($noise, new ChannelDescription(
            'temperature', 'thermometer', 'Temperature', 'Birch-3', '°C', 0.05, [-20.0, 120.0], 20.0, ['slope' => 1.0, 'offset' => 0.0],
        ), 0.992, 0.55, lagS: 3.5, noise: 0.03);
    }

    public function name(): string
    {
        return 'Birch';
    }

    public function reading(string $channel): float
    {
        return match (true) {
            $channel === 'ph' => $this->electrode->reading(),
            $channel === 'ph-2' && $this->guest !== null => $this->guest->reading(),
            $channel === 'conductivity' => $this->cell->reading(),
            $channel === 'temperature' => $this->thermometer->reading(),
            default => throw new RefusedAct("There is no channel \"{$channel}\" on this bench."),
        };
    }

    /** An electrode from another bench is plugged in beside the own one and shares its places. */
    public function receive(Electrode $electrode): void
    {
        $this->guest = $electrode;
    }

    public function giveBack(): ?Electrode
    {
        $guest = $this->guest;
        $this->guest = null;

        return $guest;
    }

    public function visible(): array
    {
        $words = static fn (Solution ...$solutions): array => array_combine(
            array_map(static fn (Solution $s): string => $s->value, $solutions), array_map(static fn (Solution $s): string => $s->words(), $solutions),
        );

        return [
            'isRinsed' => true,
            'summary' => [
                'electrode in '.$this->places['ph']->words(),
                'cell in '.match ($this->dilution) {
                    null => $this->places['conductivity']->words(),
                    self::UNKNOWN_PER_CENT => 'the unknown',
                    default => "the dilution of {$this->dilution} %",
                },
                'thermometer in '.($this->milk === null ? $this->places['temperature']->words() : ($this->isInStore ? 'milk in the cold store' : 'milk on the stove')),
                sprintf('barometer %.1F kPa', $this->room->barometerKpa),
            ],
            'controls' => [
                Control::choice('Electrode into', $words(Solution::Rinse, Solution::Buffer7, Solution::Buffer4, Solution::Buffer10, Solution::Borax, Solution::Brine, Solution::Storage), $this->places['ph']->value, ['act' => 'dip', 'channel' => 'ph'], 'into'),
                Control::choice('Cell into', $words(Solution::Rinse, Solution::Chloride147, Solution::Chloride1413, Solution::Chloride12880, Solution::Brine), $this->places['conductivity']->value, ['act' => 'dip', 'channel' => 'conductivity'], 'into'),
                Control::number('Cell into a dilution', 'Strength', '%', $this->dilution ?? 0.0, ['act' => 'dilution'], 'percent', 'put in', [
                    ['words' => 'the unknown', 'act' => ['act' => 'dilution', 'percent' => self::UNKNOWN_PER_CENT]],
                ], isStep: true),
                Control::choice('Thermometer into', $words(Solution::Rinse, Solution::Ice, Solution::WarmWater, Solution::BoilingWater), $this->milk === null ? $this->places['temperature']->value : '', ['act' => 'dip', 'channel' => 'temperature'], 'into'),
                Control::choice('Milk, with the thermometer', ['stove' => 'on the stove', 'store' => 'into the cold store'], match (true) {
                    $this->milk === null => '',
                    default => $this->isInStore ? 'store' : 'stove',
                }, ['act' => 'milk'], 'in'),
                Control::number('Weather', 'Barometer', 'kPa', $this->room->barometerKpa, ['act' => 'barometer'], 'kpa', 'set'),
                Control::switches('Faults', [
                    ['aged electrode', ['act' => 'age'], $this->electrode->isAged],
                    ['fouled cell', ['act' => 'foul'], $this->cell->slopeFactor < 1.0],
                ]),
                $this->knockControl(),
                $this->plugControl(),
            ],
        ];
    }

    public function truth(): array
    {
        return [
            new Truth('slopePercent', 'electrode', 100.0 * $this->electrode->slopeShare(), '%'),
            new Truth('offsetMv', 'at pH 7', $this->electrode->offsetMv, 'mV'),
            new Truth('cellConstant', 'cell constant', 1.0 / ($this->cell->slope * $this->cell->slopeFactor), '1/cm'),
            new Truth('dilutionSlope', 'each per cent of salt', self::PER_CENT_US, 'µS/cm'),
            new Truth('unknownPercent', 'the unknown', self::UNKNOWN_PER_CENT, '%'),
            new Truth('storeCelsius', 'air of the cold store', self::STORE_CELSIUS, '°C'),
            new Truth('milkSeconds', 'time constant of the milk', self::MILK_S, 's'),
            new Truth('thermometerSlope', 'thermometer slope', $this->thermometer->slope, ''),
            new Truth('thermometerOffset', 'thermometer at 0 °C', $this->thermometer->offset, '°C'),
        ];
    }

    protected function sockets(): array
    {
        return [
            $this->electrode->description('ph'),
            ...($this->guest === null ? [] : [$this->guest->description('ph-2')]),
            $this->cell->description,
            $this->thermometer->description,
        ];
    }

    protected function step(float $seconds): void
    {
        $room = $this->room->celsiusAt($this->clock());
        $celsius = fn (string $channel): float => $this->places[$channel]->celsius($room, $this->room->barometerKpa);
        foreach (array_filter([$this->electrode, $this->guest]) as $electrode) {
            $electrode->pass($seconds, $this->places['ph']->ph($celsius('ph')), $celsius('ph'));
        }
        $this->cell->pass($seconds, $this->dilution === null ? $this->places['conductivity']->conductivity($celsius('conductivity'))
            : (new TemperatureCompensation)->from25(self::WATER_US + self::PER_CENT_US * $this->dilution, $room));
        if ($this->milk !== null) {
            $around = $this->isInStore ? self::STORE_CELSIUS : self::PAN_CELSIUS;
            $this->milk = $this->isInStore ? $around + ($this->milk - $around) * exp(-$seconds / self::MILK_S) : $around;
        }
        $this->thermometer->pass($seconds, $this->milk ?? $celsius('temperature'));
    }

    protected function hands(string $act, array $details): void
    {
        match ($act) {
            'rinse' => $this->dip(self::text($details['channel'] ?? 'ph'), Solution::Rinse),
            'dip' => $this->dip(self::text($details['channel'] ?? 'ph'), Solution::tryFrom(self::text($details['into'] ?? ''))
                ?? throw new RefusedAct('A probe can be put into '.implode(', ', array_column(Solution::cases(), 'value')).'.')),
            'dilution' => $this->dilution = self::number($details['percent'] ?? null, 'strength', 0.0, 5.0, '%'),
            'milk' => $this->putMilk(self::text($details['in'] ?? '')),
            'barometer' => $this->room->barometerKpa = self::number($details['kpa'] ?? null, 'barometer', 80.0, 108.0, 'kPa'),
            'age' => $this->electrode->isAged = (bool) ($details['on'] ?? true),
            'foul' => $this->cell->slopeFactor = ($details['on'] ?? true) ? self::FOULED_SHARE : 1.0,
            default => self::refuse($act),
        };
    }

    protected function bump(string $channel): void
    {
        match ($channel) {
            'conductivity' => $this->cell->bump(),
            'temperature' => $this->thermometer->bump(),
            default => $this->electrode->bump(),
        };
    }

    private function putMilk(string $in): void
    {
        $in === 'stove' || $in === 'store' || throw new RefusedAct('The milk stands on the stove or in the cold store.');
        $this->milk = $in === 'stove' ? self::PAN_CELSIUS : $this->milk ?? self::PAN_CELSIUS;
        $this->isInStore = $in === 'store';
    }

    private function dip(string $channel, Solution $into): void
    {
        $this->milk = $channel === 'temperature' ? null : $this->milk;
        $from = self::oneOf($this->places, $channel, 'The probes that can be moved are');
        if ($channel === 'ph') {
            $isRinsed = $from->rinses() || $into->rinses() || $from === $into;
            foreach (array_filter([$this->electrode, $this->guest]) as $electrode) {
                $isRinsed ? $electrode->rinse() : $electrode->carry($from->ph($this->room->celsiusAt($this->clock())));
            }
        }
        $this->places[$channel] = $into;
        $this->dilution = $channel === 'conductivity' ? null : $this->dilution;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Random\Randomizer;
use Welkion\Standins\Chemistry\WeakAcidWithBase;

/** Bench "Alder": three buffers, rinse water, and sour whey below a burette of sodium hydroxide. */
final class Alder implements World
{
    private const LACTIC_ACID_PKA = 3.86;

    /** mol/L of lactic acid in Tuesday's whey. */
    public const WHEY_ACID = 0.0418;

    public const SAMPLE_ML = 25.00;

    public const TITRANT = 0.1000;

    private const ROOM_C = 21.4;

    /** The room warms and cools by this much within half an hour. */
    private const ROOM_SWING_C = 0.25;

    private const ROOM_PERIOD_S = 1800.0;

    /** Longest stretch over which lag and mixing may be taken one after the other. */
    private const STEP_S = 0.1;

    private float $clock = 0.0;

    private Place $place = Place::Storage;

    private bool $isRinsed = true;

    private readonly Beaker $beaker;

    private readonly Electrode $electrode;

    private readonly Thermometer $thermometer;

    public function __construct(Randomizer $randomizer)
    {
        $noise = new Noise($randomizer);
        $this->beaker = new Beaker(
            new WeakAcidWithBase(self::LACTIC_ACID_PKA), self::SAMPLE_ML, self::WHEY_ACID, self::TITRANT,
        );
        $this->electrode = new Electrode($noise, slopeShare: 0.978, offsetMv: 5.2);
        $this->thermometer = new Thermometer($noise);
    }

    public function name(): string
    {
        return 'Alder';
    }

    public function channels(): array
    {
        return [
            new ChannelDescription(
                'ph', 'ph-electrode', 'pH electrode', 'Alder-1', 'mV', Electrode::RESOLUTION_MV, [-500.0, 500.0], 10.0,
            ),
            new ChannelDescription(
                'temperature', 'thermometer', 'Temperature', 'Alder-2', '°C', Thermometer::RESOLUTION_C, [-20.0, 110.0], 10.0,
            ),
        ];
    }

    public function pass(float $seconds): void
    {
        for ($left = $seconds; $left > 0.0; $left -= self::STEP_S) {
            $step = min($left, self::STEP_S);
            $this->clock += $step;
            $this->beaker->pass($step);
            $this->electrode->pass($step, $this->place->ph($this->celsius()) ?? $this->beaker->ph(), $this->celsius());
        }
    }

    public function reading(string $channel): float
    {
        return match ($channel) {
            'ph' => $this->electrode->reading(),
            'temperature' => $this->thermometer->reading($this->celsius()),
            default => throw new RefusedAct("There is no channel \"{$channel}\" on this bench."),
        };
    }

    public function act(string $act, array $details): void
    {
        match ($act) {
            'rinse' => $this->moveTo(Place::Rinse),
            'dip' => $this->moveTo($this->placeNamed($details['into'] ?? null)),
            'new-sample' => $this->beaker->refill(),
            'dispense' => $this->beaker->dispense(self::number($details['volume'] ?? null)),
            'stir' => $this->beaker->isStirred = (bool) ($details['on'] ?? true),
            default => throw new RefusedAct("This bench cannot \"{$act}\"."),
        };
    }

    public function visible(): array
    {
        return [
            'place' => $this->place->value,
            'placeWords' => $this->place->words(),
            'isRinsed' => $this->isRinsed,
            'buretteMl' => round($this->beaker->addedMl(), 4),
            'buretteLeftMl' => round(Beaker::BURETTE_ML - $this->beaker->addedMl(), 4),
            'isStirred' => $this->beaker->isStirred,
            'sample' => '25.00 mL whey',
            'titrant' => '0.1000 mol/L NaOH',
        ];
    }

    public function truth(): array
    {
        return [
            'equivalenceVolumeMl' => $this->beaker->equivalenceMl(),
            'analyteMolPerL' => $this->beaker->acid,
            'pKa' => self::LACTIC_ACID_PKA,
            'slopePercent' => 100.0 * $this->electrode->slopeShare,
            'offsetMv' => $this->electrode->offsetMv,
        ];
    }

    private function celsius(): float
    {
        return self::ROOM_C + self::ROOM_SWING_C * sin(2.0 * M_PI * $this->clock / self::ROOM_PERIOD_S);
    }

    private function moveTo(Place $place): void
    {
        // Water or storage solution between two standards counts as a rinse; straight from one to the next does not.
        $this->isRinsed = in_array($this->place, [Place::Rinse, Place::Storage, $place], true) || $place === Place::Rinse;
        $this->place = $place;
    }

    private function placeNamed(mixed $name): Place
    {
        $place = is_string($name) ? Place::tryFrom($name) : null;

        return $place ?? throw new RefusedAct(
            'The electrode can be dipped into '.implode(', ', array_column(Place::cases(), 'value')).'.',
        );
    }

    private static function number(mixed $value): float
    {
        return is_int($value) || is_float($value)
            ? (float) $value
            : throw new RefusedAct('The volume to dispense must be a number of mL.');
    }
}

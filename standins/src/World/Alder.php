<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Random\Randomizer;
use Welkion\Standins\Chemistry\WeakAcidWithBase;

/** Bench "Alder": three buffers, rinse water, and sour whey below a burette of sodium hydroxide. */
final class Alder extends Bench
{
    private const LACTIC_ACID_PKA = 3.86;

    /** mol/L of lactic acid in Tuesday's whey. */
    public const WHEY_ACID = 0.0418;

    public const SAMPLE_ML = 25.00;

    public const TITRANT = 0.1000;

    private Place $place = Place::Storage;

    private bool $isRinsed = true;

    private readonly Beaker $beaker;

    private readonly Sensor $thermometer;

    private ?Electrode $electrode;

    private readonly Room $room;

    public function __construct(Randomizer $randomizer)
    {
        $noise = new Noise($randomizer);
        $this->beaker = new Beaker(
            new WeakAcidWithBase(self::LACTIC_ACID_PKA), self::SAMPLE_ML, self::WHEY_ACID, self::TITRANT,
        );
        $this->electrode = new Electrode($noise, 'Alder-1', slopeShare: 0.978, offsetMv: 5.2);
        $this->thermometer = new Sensor($noise, new ChannelDescription(
            'temperature', 'thermometer', 'Temperature', 'Alder-2', '°C', 0.1, [-20.0, 110.0], 20.0, ['slope' => 1.0, 'offset' => 0.0],
        ), 1.0, 0.0, lagS: 3.0, noise: 0.02);
        $this->room = new Room;
    }

    public function name(): string
    {
        return 'Alder';
    }

    public function reading(string $channel): float
    {
        return match (true) {
            $channel === 'ph' && $this->electrode !== null => $this->electrode->reading(),
            $channel === 'temperature' => $this->thermometer->reading(),
            default => throw new RefusedAct("There is no channel \"{$channel}\" on this bench."),
        };
    }

    /** The electrode leaves for another bench. */
    public function release(): Electrode
    {
        $electrode = $this->electrode ?? throw new RefusedAct('The electrode is not at this bench any more.');
        $this->electrode = null;

        return $electrode;
    }

    public function takeBack(Electrode $electrode): void
    {
        $this->electrode = $electrode;
    }

    public function visible(): array
    {
        $places = [];
        foreach (Place::cases() as $place) {
            $places[$place->value] = $place->words();
        }

        return [
            'place' => $this->place->value,
            'placeWords' => $this->place->words(),
            'isRinsed' => $this->isRinsed,
            'summary' => [
                $this->electrode === null ? 'the electrode is at another bench' : "electrode is in: {$this->place->words()}",
                sprintf('burette at %.2F mL', $this->beaker->addedMl()),
                'beaker: 25.00 mL whey, '.($this->beaker->isStirred ? 'stirred' : 'not stirred'),
            ],
            'controls' => [
                Control::choice('Electrode into', $places, $this->place->value, ['act' => 'dip'], 'into'),
                Control::number('Burette', 'Volume to add', 'mL', 0.5, ['act' => 'dispense'], 'volume', 'add', [
                    ['words' => 'new sample', 'act' => ['act' => 'new-sample']],
                ], reached: round($this->beaker->addedMl(), 4), isStep: true),
                Control::switches('Stirrer', [['stir', ['act' => 'stir'], $this->beaker->isStirred]]),
                Control::switches('Faults', [
                    ['aged electrode', ['act' => 'age'], $this->electrode !== null && $this->electrode->isAged],
                    ['electrode at bench Birch', ['act' => 'move', 'channel' => 'ph', 'to' => 'Birch'], $this->electrode === null],
                ]),
                $this->knockControl(),
                $this->plugControl(),
            ],
        ];
    }

    public function truth(): array
    {
        return [
            new Truth('equivalenceVolumeMl', 'equivalence at', $this->beaker->equivalenceMl(), 'mL'),
            new Truth('analyteMolPerL', 'acid', $this->beaker->acid, 'mol/L'),
            new Truth('pKa', 'pKa', self::LACTIC_ACID_PKA, ''),
            ...($this->electrode === null ? [] : [
                new Truth('slopePercent', 'electrode', 100.0 * $this->electrode->slopeShare(), '%'),
                new Truth('offsetMv', 'at pH 7', $this->electrode->offsetMv, 'mV'),
            ]),
        ];
    }

    protected function sockets(): array
    {
        return [
            ...($this->electrode === null ? [] : [$this->electrode->description('ph')]),
            $this->thermometer->description,
        ];
    }

    protected function step(float $seconds): void
    {
        $this->beaker->pass($seconds);
        $this->electrode?->pass($seconds, $this->phHere(), $this->celsius());
        $this->thermometer->pass($seconds, $this->celsius());
    }

    protected function hands(string $act, array $details): void
    {
        match ($act) {
            'rinse' => $this->moveTo(Place::Rinse),
            'dip' => $this->moveTo($this->placeNamed($details['into'] ?? null)),
            'new-sample' => $this->beaker->refill(),
            'dispense' => $this->beaker->dispense(self::number($details['volume'] ?? null, 'volume to dispense', 0.0, 1000.0, 'mL')),
            'stir' => $this->beaker->isStirred = (bool) ($details['on'] ?? true),
            'age' => $this->electrode === null ? null : $this->electrode->isAged = (bool) ($details['on'] ?? true),
            default => self::refuse($act),
        };
    }

    protected function bump(string $channel): void
    {
        $channel === 'ph' ? $this->electrode?->bump() : $this->thermometer->bump();
    }

    private function phHere(): float
    {
        return $this->place->ph($this->celsius()) ?? $this->beaker->ph();
    }

    private function celsius(): float
    {
        return $this->room->celsiusAt($this->clock());
    }

    private function moveTo(Place $place): void
    {
        // Water or storage solution between two standards counts as a rinse; straight from one to the next does not.
        $this->isRinsed = in_array($this->place, [Place::Rinse, Place::Storage, $place], true) || in_array($place, [Place::Rinse, Place::Storage], true);
        if ($this->isRinsed) {
            $this->electrode?->rinse();
        } else {
            $this->electrode?->carry($this->phHere());
        }
        $this->place = $place;
    }

    private function placeNamed(mixed $name): Place
    {
        $place = is_string($name) ? Place::tryFrom($name) : null;

        return $place ?? throw new RefusedAct(
            'The electrode can be dipped into '.implode(', ', array_column(Place::cases(), 'value')).'.',
        );
    }
}

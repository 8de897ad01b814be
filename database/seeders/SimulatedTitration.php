<?php

declare(strict_types=1);

namespace Database\Seeders;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Standins\World\Alder;

/** What the probes of bench Alder read while whey is titrated step by step: the same numbers from the same seed, worked out once. */
final class SimulatedTitration
{
    public const SAMPLES = 40;

    private const SETTLE_S = 30.0;

    private const SAMPLE_EACH_S = 0.25;

    private const CHANNELS = ['ph', 'temperature'];

    /** @var array<string, list<array<string, array{mean: float, scatter: float}>>> by seed and steps */
    private static array $known = [];

    /**
     * @param  list<float>  $volumes  burette readings in mL, rising
     * @return list<array<string, array{mean: float, scatter: float}>> of each step, by channel, in raw units
     */
    public static function readings(int $seed, array $volumes): array
    {
        return self::$known["{$seed}: ".implode(' ', $volumes)] ??= self::simulated($seed, $volumes);
    }

    /**
     * @param  list<float>  $volumes
     * @return list<array<string, array{mean: float, scatter: float}>>
     */
    private static function simulated(int $seed, array $volumes): array
    {
        $world = new Alder(new Randomizer(new Mt19937($seed)));
        $world->act('dip', ['into' => 'beaker']);
        $added = 0.0;
        $readings = [];
        foreach ($volumes as $volume) {
            if ($volume > $added) {
                $world->act('dispense', ['volume' => $volume - $added]);
                $added = $volume;
            }
            $world->pass(self::SETTLE_S);
            $readings[] = self::read($world);
        }

        return $readings;
    }

    /** @return array<string, array{mean: float, scatter: float}> by channel */
    private static function read(Alder $world): array
    {
        $samples = array_fill_keys(self::CHANNELS, []);
        for ($i = 0; $i < self::SAMPLES; $i++) {
            $world->pass(self::SAMPLE_EACH_S);
            foreach (self::CHANNELS as $name) {
                $samples[$name][] = $world->reading($name);
            }
        }

        return array_map(static function (array $values): array {
            $mean = array_sum($values) / self::SAMPLES;
            $squares = array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values));

            return ['mean' => $mean, 'scatter' => sqrt($squares / (self::SAMPLES - 1))];
        }, $samples);
    }
}

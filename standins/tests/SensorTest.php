<?php

declare(strict_types=1);

namespace Welkion\Standins\Tests;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Standins\World\ChannelDescription;
use Welkion\Standins\World\Electrode;
use Welkion\Standins\World\Gas;
use Welkion\Standins\World\Laboratory;
use Welkion\Standins\World\Noise;
use Welkion\Standins\World\Sensor;

/** What the probes and the gas of the simulated benches do, against exact physics. */
final class SensorTest extends TestCase
{
    public function test_lags_by_its_time_constant(): void
    {
        $sensor = self::sensor(lagS: 4.0);
        $sensor->pass(0.1, 0.0);
        for ($i = 0; $i < 40; $i++) {
            $sensor->pass(0.1, 10.0);
        }

        // After one time constant 1 - 1/e of the step is seen; the line is 1 + 2 q.
        self::assertEqualsWithDelta(1.0 + 2.0 * 10.0 * (1.0 - exp(-1.0)), $sensor->reading(), 0.001 / 2 + 1e-9);
    }

    public function test_reads_in_steps_of_its_resolution_and_stops_at_its_range(): void
    {
        $sensor = self::sensor(resolution: 0.25);
        $sensor->pass(0.1, 0.3);
        self::assertSame(1.5, $sensor->reading());
        $sensor->pass(0.1, 1e6);
        self::assertSame(50.0, $sensor->reading());
        $sensor->pass(0.1, -1e6);
        self::assertSame(-50.0, $sensor->reading());
    }

    public function test_drifts_slowly_scatters_about_its_line_and_shows_a_knock_for_a_moment(): void
    {
        $sensor = self::sensor(noise: 0.2, driftPerHour: 3.0);
        $sensor->pass(3600.0, 5.0);
        $values = array_map(static fn (): float => $sensor->reading(), range(1, 4000));
        $mean = array_sum($values) / 4000;
        $sd = sqrt(array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values)) / 3999);

        // Five standard errors of mean and of standard deviation.
        self::assertEqualsWithDelta(1.0 + 2.0 * 5.0 + 3.0, $mean, 5 * 0.2 / sqrt(4000));
        self::assertEqualsWithDelta(0.2, $sd, 5 * 0.2 / sqrt(8000));
        $sensor->bump();
        self::assertGreaterThan(10.0, abs($sensor->reading() - $mean));
        $sensor->pass(0.5, 5.0);
        self::assertLessThan(2.0, abs($sensor->reading() - $mean));
    }

    public function test_a_film_of_the_last_buffer_wears_off_and_a_rinse_takes_it_away(): void
    {
        $reading = static function (bool $isRinsed): float {
            $electrode = new Electrode(new Noise(new Randomizer(new Mt19937(3))), 'Test-1', 1.0, 0.0);
            $electrode->pass(60.0, 7.0, 25.0);
            $isRinsed ? $electrode->rinse() : $electrode->carry(7.0);
            for ($i = 0; $i < 200; $i++) {
                $electrode->pass(0.1, 4.0, 25.0);
            }

            return $electrode->reading();
        };

        // 3 pH are 177.5 mV; of 12 % film e^(-20/150) is left after 20 s.
        self::assertEqualsWithDelta(177.5, $reading(true), 0.6);
        self::assertEqualsWithDelta(177.5 * (1.0 - 0.12 * exp(-20.0 / 150.0)), $reading(false), 1.0);
    }

    public function test_a_shut_gas_obeys_boyle_slowly_and_poisson_at_once(): void
    {
        $gas = new Gas(40.0, 1.6, 21.0, 100.0);
        $before = 100.0 * 41.6;
        $gas->moveTo(20.0);
        // Without heat exchange T V^0.4 and P V^1.4 stay.
        self::assertEqualsWithDelta(294.15 * (41.6 / 21.6) ** 0.4 - 273.15, $gas->celsius(), 1e-9);
        self::assertEqualsWithDelta(100.0 * (41.6 / 21.6) ** 1.4, $gas->kilopascal(), 1e-9);
        $gas->pass(60.0, 21.0);
        self::assertEqualsWithDelta($before / 21.6, $gas->kilopascal(), 1e-9);

        $gas->open(23.0, 98.0);
        self::assertEqualsWithDelta(98.0, $gas->kilopascal(), 1e-12);
        self::assertSame(23.0, $gas->celsius());
    }

    public function test_every_probe_of_every_bench_can_be_bumped_and_shows_it_briefly(): void
    {
        foreach (Laboratory::furnished(new Randomizer(new Mt19937(8)))->worlds as $world) {
            foreach ($world->channels() as $channel) {
                // A pulse moves by itself as far as a knock would show.
                if ($channel->name === 'pulse') {
                    continue;
                }
                $world->pass(2.0);
                $calm = $world->reading($channel->name);
                $world->act('bump', ['channel' => $channel->name]);
                $jump = abs($world->reading($channel->name) - $calm);
                $world->pass(1.0);
                $after = abs($world->reading($channel->name) - $calm);

                self::assertGreaterThan(5.0 * $after, $jump, "{$world->name()} {$channel->name}");
            }
        }
    }

    private static function sensor(float $resolution = 0.001, float $lagS = 0.0, float $noise = 0.0, float $driftPerHour = 0.0): Sensor
    {
        return new Sensor(
            new Noise(new Randomizer(new Mt19937(5))),
            new ChannelDescription('x', 'thermometer', 'Test', 'Test-1', 'V', $resolution, [-50.0, 50.0], 20.0),
            slope: 2.0, offset: 1.0, lagS: $lagS, noise: $noise, driftPerHour: $driftPerHour,
        );
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Standins\Tests;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\Plunger;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Sample;
use Welkion\Core\Units\Unit;
use Welkion\Standins\Link\Clock;
use Welkion\Standins\Link\Device;
use Welkion\Standins\World\Birch;
use Welkion\Standins\World\Hazel;
use Welkion\Standins\World\Laboratory;
use Welkion\Standins\World\RefusedAct;
use Welkion\Standins\World\Rowan;
use Welkion\Standins\World\World;

final class LaboratoryTest extends TestCase
{
    public function test_a_cell_and_a_thermometer_calibrated_at_birch_agree_with_the_truth(): void
    {
        $birch = new Birch(self::chance(1));
        $birch->act('barometer', ['kpa' => 98.3]);
        $surroundings = new Surroundings(21.4, 98.3);
        $readings = ['conductivity' => [], 'temperature' => []];
        foreach (['kcl-147' => 147.0, 'kcl-1413' => 1413.0, 'kcl-12880' => 12880.0] as $place => $nominal) {
            $birch->act('dip', ['channel' => 'conductivity', 'into' => $place]);
            $mean = self::mean($birch, 'conductivity');
            // Room air swings by a quarter of a degree, which is 0.5 % of a conductivity: told as the standard's uncertainty.
            $readings['conductivity'][] = StandardReading::of($place, $surroundings->compensation->from25($nominal, 21.4), $mean, 0.1, true, 0.005 * $nominal);
        }
        foreach (['ice' => Standard::ice(), 'boiling-water' => Standard::boilingWater()] as $place => $standard) {
            $birch->act('dip', ['channel' => 'temperature', 'into' => $place]);
            $readings['temperature'][] = StandardReading::of($place, $standard->valueIn($surroundings), self::mean($birch, 'temperature'), 0.03, true, 0.05);
        }
        $truth = self::truth($birch);
        $cell = ProbeModel::of(ProbeKind::ConductivityCell, 'µS', 1.0, 0.0);
        $constant = $cell->calibrated($readings['conductivity'], 21.4, 'µS/cm', $cell->factoryLine())->keyFigures()[0]->measured;
        $thermometer = ProbeModel::of(ProbeKind::Thermometer, '°C', 1.0, 0.0);
        $line = $thermometer->calibrated($readings['temperature'], 21.4, '°C', $thermometer->factoryLine())->line();

        self::assertEqualsWithDelta($truth['cellConstant'], $constant->value, 3 * $constant->uncertainty);
        self::assertEqualsWithDelta($truth['thermometerSlope'], $line->slope, 3 * $line->slopeUncertainty);
        self::assertEqualsWithDelta($truth['thermometerOffset'], $line->offset, 3 * $line->offsetUncertainty);
    }

    public function test_faults_show_in_what_is_read(): void
    {
        $birch = new Birch(self::chance(2));
        $birch->act('dip', ['channel' => 'conductivity', 'into' => 'kcl-1413']);
        $sound = self::mean($birch, 'conductivity');
        $birch->act('foul', ['on' => true]);
        self::assertEqualsWithDelta(0.84 * $sound, self::mean($birch, 'conductivity'), 0.01 * $sound);

        $birch->act('dip', ['channel' => 'ph', 'into' => 'buffer-4.01']);
        $birch->act('dip', ['channel' => 'ph', 'into' => 'buffer-10.01']);
        $birch->pass(40.0);
        $unrinsed = self::mean($birch, 'ph');
        $birch->act('dip', ['channel' => 'ph', 'into' => 'rinse']);
        $birch->act('dip', ['channel' => 'ph', 'into' => 'buffer-10.01']);
        self::assertGreaterThan(20.0, $unrinsed - self::mean($birch, 'ph'), 'A film of pH 4 keeps the voltage up.');

        $hazel = new Hazel(self::chance(3));
        $hazel->act('bump', ['channel' => 'pressure']);
        $knocked = [];
        for ($i = 0; $i < 40; $i++) {
            $hazel->pass(0.05);
            $knocked[] = $hazel->reading('pressure');
        }
        self::assertGreaterThan(0.5, max($knocked) - min($knocked));
        self::assertLessThan(0.05, abs($knocked[39] - $knocked[30]), 'A knock passes.');
    }

    public function test_gas_follows_boyle_once_it_has_cooled_and_is_hot_before(): void
    {
        $hazel = new Hazel(self::chance(4));
        $hazel->pass(5.0);
        $hazel->act('valve', ['on' => false]);
        $before = self::truth($hazel);
        $hazel->act('plunger', ['volume' => 25.0]);
        $hot = self::truth($hazel)['kilopascal'];
        $hazel->pass(20.0);
        $after = self::truth($hazel);

        self::assertEqualsWithDelta($before['kilopascal'] * (40.0 + $before['deadMl']), $after['kilopascal'] * (25.0 + $before['deadMl']), 10.0);
        // Without its walls p V^1.4 stays the same.
        self::assertEqualsWithDelta($before['kilopascal'] * ((40.0 + 1.6) / (25.0 + 1.6)) ** 1.4, $hot, 0.1);
        $this->expectException(RefusedAct::class);
        $this->expectExceptionMessage('The volume must lie between 4 and 60 mL.');
        $hazel->act('plunger', ['volume' => 3.0]);
    }

    public function test_pressure_and_plunger_calibrated_at_hazel_agree_with_the_truth(): void
    {
        $hazel = new Hazel(self::chance(5));
        $truth = self::truth($hazel);
        $low = self::mean($hazel, 'pressure');
        $hazel->act('valve', ['on' => false]);
        $hazel->act('plunger', ['volume' => 25.0]);
        $hazel->pass(15.0);
        $high = StandardReading::of('gauge', self::truth($hazel)['kilopascal'], self::mean($hazel, 'pressure'), 0.0006, true, 0.2);
        $sensor = ProbeModel::of(ProbeKind::PressureSensor, 'V', 0.018, 0.2);
        $line = $sensor->calibrated([StandardReading::of('room', 100.4, $low, 0.0006, true, 0.1), $high], 21.4, 'kPa', $sensor->factoryLine())->line();
        $volume = CalibrationLine::shifted(
            Plunger::lineOf(Measured::of($truth['boreMm'], 0.05, Unit::parse('mm'))), StandardReading::of('mark', 25.0, self::mean($hazel, 'plunger'), 0.01, true, 0.1),
        );
        $hazel->act('plunger', ['volume' => 45.0]);

        self::assertEqualsWithDelta($truth['pressureSlope'] / 1000.0, $line->slope, 3 * $line->slopeUncertainty);
        self::assertEqualsWithDelta($truth['pressureOffset'], $line->offset, 3 * $line->offsetUncertainty);
        $raw = self::mean($hazel, 'plunger');
        self::assertEqualsWithDelta(45.0, $volume->valueOf($raw), 3 * $volume->uncertaintyOf($raw));
    }

    public function test_heart_pulse_and_breath_belong_to_one_person(): void
    {
        $rowan = new Rowan(self::chance(6));
        $rowan->act('leads', ['where' => 'on']);
        $rowan->act('belt', ['how' => 'on']);
        foreach ([['on' => false, 'bpm' => 64.0], ['on' => true, 'bpm' => 138.0]] as $expected) {
            $rowan->act('row', ['on' => $expected['on']]);
            $rowan->pass(90.0);
            $beats = self::peaks($rowan, 'ecg', 1.014 + 0.972 * 0.6, 30.0);
            $waves = self::peaks($rowan, 'pulse', 0.6 + 0.6, 30.0);

            // Thirty seconds hold a whole number of beats: at most one is cut off at each end.
            self::assertEqualsWithDelta($expected['bpm'] / 2.0, $beats, 1.5);
            self::assertEqualsWithDelta($expected['bpm'] / 2.0, $waves, 1.5);
        }
        self::assertGreaterThan(25.0, self::truth($rowan)['breathsPerMinute']);
    }

    public function test_a_squeezed_bulb_tires_and_hung_weights_do_not(): void
    {
        $rowan = new Rowan(self::chance(7));
        $rowan->act('grip', ['how' => '5 kg']);
        $rowan->pass(2.0);
        $hung = self::mean($rowan, 'grip');
        $truth = self::truth($rowan);
        self::assertEqualsWithDelta(0.342 + $truth['gripSlope'] / 1000.0 * 5.0 * 9.80665 / $truth['newtonsPerKpa'], $hung, 0.001);
        $rowan->act('grip', ['how' => 'squeezed']);
        $rowan->pass(2.0);
        $fresh = $rowan->reading('grip');
        $rowan->pass(60.0);
        self::assertLessThan($fresh - 0.4, $rowan->reading('grip'));
    }

    public function test_a_pulled_plug_is_announced_once_and_falls_silent(): void
    {
        $birch = new Birch(self::chance(8));
        $device = new Device($birch, new Clock(1000.0), 1000.0);
        self::assertSame([], $device->announcements());
        $device->answer('{"do":"stream","channel":"ph","rate":4}', 1000.0);
        $device->answer('{"do":"act","id":1,"act":"plug","channel":"ph","on":false}', 1001.0);
        [$told] = $device->announcements();

        self::assertSame(['conductivity', 'temperature'], array_map(static fn ($c): string => $c->name, $told['channels']));
        self::assertSame([], $device->announcements());
        self::assertSame([], $device->due(1010.0), 'Nothing is sent of a probe that is not there.');
        $device->answer('{"do":"act","id":2,"act":"plug","channel":"ph","on":true}', 1011.0);
        self::assertCount(3, $device->announcements()[0]['channels']);
    }

    public function test_an_electrode_carried_to_another_bench_keeps_its_serial_number_and_its_faults(): void
    {
        $laboratory = Laboratory::furnished(self::chance(9));
        $laboratory->carryElectrode(true);
        $at = static fn (string $bench): array => array_map(static fn ($c): string => $c->serial, $laboratory->worlds[$bench]->channels());

        self::assertSame(['Alder-2'], $at('Alder'));
        self::assertSame(['Birch-1', 'Alder-1', 'Birch-2', 'Birch-3'], $at('Birch'));
        $laboratory->worlds['Birch']->act('dip', ['channel' => 'ph', 'into' => 'buffer-7.00']);
        self::assertEqualsWithDelta(5.2 - 0.978 * 58.4 * (Buffer::Technical7->phAt(21.5) - 7.0), self::mean($laboratory->worlds['Birch'], 'ph-2'), 0.5);
        $laboratory->carryElectrode(false);
        self::assertSame(['Alder-1', 'Alder-2'], $at('Alder'));
        $this->expectExceptionMessage('The electrode is at its own bench.');
        $laboratory->carryElectrode(false);
    }

    public function test_every_bench_describes_controls_that_it_can_carry_out(): void
    {
        foreach (Laboratory::furnished(self::chance(10))->worlds as $name => $world) {
            $tried = 0;
            foreach (json_decode((string) json_encode($world->visible()['controls']), true) as $control) {
                foreach ($control['choices'] as $choice) {
                    if ($choice['act']['act'] !== 'move') {
                        $world->act($choice['act']['act'], $choice['act']);
                        $tried++;
                    }
                }
                if ($control['number'] !== null) {
                    $number = $control['number'];
                    $world->act($number['act']['act'], $number['act'] + [$number['field'] => $number['value']]);
                    $tried++;
                }
            }
            self::assertGreaterThan(10, $tried, $name);
        }
    }

    private static function chance(int $seed): Randomizer
    {
        return new Randomizer(new Mt19937($seed));
    }

    /** @return array<string, float> */
    private static function truth(World $world): array
    {
        return array_column($world->truth(), 'value', 'key');
    }

    /** Mean of ten seconds after half a minute's wait. */
    private static function mean(World $world, string $channel): float
    {
        $world->pass(30.0);
        $values = [];
        for ($i = 0; $i < 40; $i++) {
            $world->pass(0.25);
            $values[] = $world->reading($channel);
        }

        return Sample::of($values)->mean;
    }

    /** How often a signal rises through a level within some seconds, with a little room for noise. */
    private static function peaks(World $world, string $channel, float $level, float $seconds): int
    {
        $count = 0;
        $isAbove = false;
        for ($t = 0.0; $t < $seconds; $t += 0.004) {
            $world->pass(0.004);
            $value = $world->reading($channel);
            $count += ! $isAbove && $value > $level ? 1 : 0;
            $isAbove = $isAbove ? $value > $level - 0.2 : $value > $level;
        }

        return $count;
    }
}

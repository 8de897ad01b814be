<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Calibration;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\CalibrationCheck;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Tests\Chance;

/** The mistakes of a class, made by hundreds of probes of every age: each must be found, and nothing be found where all is well. */
final class SimulatedMistakesTest extends TestCase
{
    private const PROBES = 300;

    private Chance $chance;

    protected function setUp(): void
    {
        $this->chance = new Chance(1126);
    }

    public function test_a_usable_electrode_of_any_age_raises_no_doubt(): void
    {
        for ($i = 0; $i < self::PROBES; $i++) {
            [$celsius, $last, $line] = $this->electrode();
            $readings = $this->chance->shuffled($this->readings($line, $this->buffers($celsius)));

            self::assertSame([], self::codes($this->check($celsius)->faults($readings)), self::told($readings));
            self::assertSame([], self::codes($this->check($celsius)->faults($readings, $last)), self::told($readings));
        }
    }

    public function test_two_swapped_buffers_are_named_whichever_they_are(): void
    {
        for ($i = 0; $i < self::PROBES; $i++) {
            [$celsius, $last, $line] = $this->electrode();
            $readings = $this->chance->shuffled($this->readings($line, $this->buffers($celsius)));
            $two = array_slice($readings, 0, 2);
            $names = [$two[0]->label, $two[1]->label];
            foreach ([$two, $readings] as $taken) {
                $swapped = CalibrationCheck::exchanged($taken, 0, 1);
                $faults = $this->check($celsius)->faults($swapped, $last);

                self::assertSame([CalibrationFault::STANDARDS_SWAPPED], self::codes($faults), self::told($swapped));
                self::assertStringContainsString("if {$names[0]} and {$names[1]} changed places", $faults[0]->sentence);
                self::assertSame([0, 1], $faults[0]->positions);
                self::assertTrue($faults[0]->blocks);
            }
        }
    }

    public function test_another_bottle_than_the_one_chosen_is_named(): void
    {
        for ($i = 0; $i < self::PROBES; $i++) {
            [$celsius, , $line] = $this->electrode();
            [$seven, $four, $ten] = $this->readings($line, $this->buffers($celsius));
            foreach ([[$four, $ten], [$ten, $four]] as [$chosen, $inHand]) {
                $faults = $this->check($celsius)->faults([$seven, $chosen->withSignalOf($inHand)]);

                self::assertSame([CalibrationFault::ANOTHER_STANDARD], self::codes($faults), self::told([$seven, $inHand]));
                self::assertStringContainsString("in {$chosen->label} is what {$inHand->label} would give", $faults[0]->sentence);
                self::assertSame([1], $faults[0]->positions);
            }
        }
    }

    public function test_a_beaker_that_was_not_changed_is_told(): void
    {
        for ($i = 0; $i < self::PROBES; $i++) {
            [$celsius, $last, $line] = $this->electrode();
            [$seven, $four] = $this->readings($line, $this->buffers($celsius));
            $again = $four->withSignalOf(StandardReading::of('', 0.0, $seven->raw + 0.3 * $this->chance->normal()));
            $faults = $this->check($celsius)->faults([$seven, $again], $last);

            self::assertSame([CalibrationFault::SAME_STANDARD_TWICE], self::codes($faults));
        }
    }

    public function test_what_sticks_to_the_glass_is_told_from_a_twentieth_on(): void
    {
        for ($i = 0; $i < self::PROBES; $i++) {
            [$celsius, , $line] = $this->electrode();
            [$seven, $four] = $this->readings($line, $this->buffers($celsius));
            $share = $this->chance->between(0.05, 0.2);
            $carried = $four->withSignalOf(StandardReading::of('', 0.0, $four->raw + $share * ($seven->raw - $four->raw)));
            $faults = $this->check($celsius)->faults([$seven, $carried], $line);

            // A smaller jump may be blamed on a bottle that lies between; either way the reading is doubted.
            self::assertContains(self::codes($faults)[0] ?? 'nothing', [CalibrationFault::CARRIED_OVER, CalibrationFault::ANOTHER_STANDARD], self::told([$seven, $carried]));
            self::assertSame([1], $faults[0]->positions);
        }
    }

    public function test_a_cell_in_the_wrong_bottle_of_potassium_chloride_names_it(): void
    {
        $compensation = new TemperatureCompensation;
        for ($i = 0; $i < self::PROBES; $i++) {
            $celsius = $this->chance->between(15.0, 30.0);
            $model = ProbeModel::of(ProbeKind::ConductivityCell, 'µS', 1.0, 0.0);
            $line = CalibrationLine::kept(1.0 / $this->chance->between(0.85, 1.15), 0.0, 0.0, 0.0);
            $known = [];
            foreach (PotassiumChloride::cases() as $bottle) {
                $known[$bottle->label()] = $bottle->at($celsius, $compensation);
            }
            $check = new CalibrationCheck($model->expectation($celsius), 'µS', $known);
            $labels = $this->chance->shuffled(array_keys($known));
            [$chosen, $inHand] = [$labels[0], $labels[1]];
            $read = fn (string $as, string $in): StandardReading => StandardReading::of(
                $as, $known[$as], $line->rawAt($known[$in]) * (1.0 + 0.002 * $this->chance->normal()), 0.001 * $known[$in],
            );

            self::assertSame([], self::codes($check->faults([$read($chosen, $chosen)])));
            $faults = $check->faults([$read($chosen, $inHand)]);
            self::assertSame([CalibrationFault::ANOTHER_STANDARD], self::codes($faults));
            self::assertStringContainsString("is what {$inHand} would give", $faults[0]->sentence);
        }
    }

    public function test_a_thermometer_that_changed_baths_is_told(): void
    {
        for ($i = 0; $i < self::PROBES; $i++) {
            $model = ProbeModel::of(ProbeKind::Thermometer, '°C', 1.0, 0.0);
            $line = CalibrationLine::kept($this->chance->between(0.95, 1.05), 0.0, $this->chance->between(-2.0, 2.0), 0.0);
            $boiling = $this->chance->between(97.0, 100.5);
            $read = fn (string $label, float $value, float $at): StandardReading => StandardReading::of($label, $value, $line->rawAt($at) + 0.03 * $this->chance->normal(), 0.03);
            $check = new CalibrationCheck($model->expectation(Surroundings::ROOM_C), '°C', ['melting ice' => 0.0, 'boiling water' => $boiling]);

            self::assertSame([], self::codes($check->faults([$read('melting ice', 0.0, 0.0), $read('boiling water', $boiling, $boiling)])));
            $swapped = $check->faults([$read('melting ice', 0.0, $boiling), $read('boiling water', $boiling, 0.0)]);
            self::assertSame([CalibrationFault::STANDARDS_SWAPPED], self::codes($swapped));
        }
    }

    /** @return array{float, CalibrationLine, CalibrationLine} temperature, the line of last time, the line of now */
    private function electrode(): array
    {
        $celsius = $this->chance->between(12.0, 32.0);
        $ideal = ProbeModel::of(ProbeKind::PhElectrode, 'mV')->factoryLine($celsius);
        $share = $this->chance->between(0.86, 1.01);
        $offset = $this->chance->between(-28.0, 28.0);
        // Since last time it has lost up to one per cent and moved by a millivolt or two.
        $before = $share + $this->chance->between(0.0, 0.01);

        return [
            $celsius,
            CalibrationLine::kept($before * $ideal->slope, 0.1, $offset + 1.5 * $this->chance->normal(), 0.3, 0.0, 7.0),
            CalibrationLine::kept($share * $ideal->slope, 0.0, $offset, 0.0, 0.0, 7.0),
        ];
    }

    /** @return array<string, float> value by label */
    private function buffers(float $celsius): array
    {
        $values = [];
        foreach ([Buffer::Technical7, Buffer::Technical4, Buffer::Technical10] as $buffer) {
            $values[$buffer->label()] = $buffer->phAt($celsius);
        }

        return $values;
    }

    /**
     * @param  array<string, float>  $values
     * @return list<StandardReading> with the noise of a classroom: 0.2 mV, and 0.01 pH in each bottle
     */
    private function readings(CalibrationLine $line, array $values): array
    {
        $readings = [];
        foreach ($values as $label => $value) {
            $raw = $line->rawAt($value + 0.01 * $this->chance->normal()) + 0.2 * $this->chance->normal();
            $readings[] = StandardReading::of((string) $label, $value, $raw, 0.2, true, 0.01);
        }

        return $readings;
    }

    private function check(float $celsius): CalibrationCheck
    {
        return new CalibrationCheck(ProbeModel::of(ProbeKind::PhElectrode, 'mV')->expectation($celsius), 'mV', $this->buffers($celsius));
    }

    /**
     * @param  list<CalibrationFault>  $faults
     * @return list<string>
     */
    private static function codes(array $faults): array
    {
        return array_map(static fn (CalibrationFault $f): string => $f->code, $faults);
    }

    /** @param  list<StandardReading>  $readings */
    private static function told(array $readings): string
    {
        return implode(', ', array_map(static fn (StandardReading $r): string => sprintf('%s: %.2F mV', $r->label, $r->raw), $readings));
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Standins\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Standins\Chemistry\WeakAcidWithBase;
use Welkion\Standins\World\Alder;
use Welkion\Standins\World\RefusedAct;

final class AlderTest extends TestCase
{
    /** @return iterable<string, array{float, float, float, float, float}> pKa, acid, base, pH, tolerance */
    public static function solutions(): iterable
    {
        yield 'pure water' => [3.86, 0.0, 0.0, 7.0, 1e-9];
        // Kw/[OH] with [OH] = 0.01 exactly.
        yield 'strong base alone' => [3.86, 0.0, 0.01, 12.0, 1e-9];
        // Half neutralised: pH = pKa but for the hydrogen ions themselves; solved by hand from the quadratic
        // h^2 + (0.01 + Ka) h - Ka 0.01 = 0.
        yield 'a buffer half way' => [3.86, 0.02, 0.01, -log10((-(0.01 + 10 ** -3.86) + sqrt((0.01 + 10 ** -3.86) ** 2 + 4 * 10 ** -3.86 * 0.01)) / 2), 1e-6];
        // Acid alone, water negligible: h = (-Ka + sqrt(Ka^2 + 4 Ka C)) / 2.
        yield 'a weak acid alone' => [3.86, 0.0418, 0.0, -log10((-(10 ** -3.86) + sqrt(10 ** -7.72 + 4 * 10 ** -3.86 * 0.0418)) / 2), 1e-6];
    }

    #[DataProvider('solutions')]
    public function test_the_charge_balance_agrees_with_exact_solutions(float $pKa, float $acid, float $base, float $ph, float $tolerance): void
    {
        self::assertEqualsWithDelta($ph, (new WeakAcidWithBase($pKa))->ph($acid, $base), $tolerance);
    }

    public function test_adding_base_never_lowers_the_ph(): void
    {
        $chemistry = new WeakAcidWithBase(4.756);
        $last = 0.0;
        for ($base = 0.0; $base < 0.1; $base += 0.0005) {
            $ph = $chemistry->ph(0.05, $base);
            self::assertGreaterThan($last, $ph);
            $last = $ph;
        }
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 12) as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_the_core_finds_the_truth_of_the_bench_within_three_uncertainties(int $seed): void
    {
        $alder = new Alder(new Randomizer(new Mt19937($seed)));
        $truth = array_column($alder->truth(), 'value', 'key');

        $line = self::calibrated($alder);
        [$volumes, $ph] = self::titrated($alder, $line);
        [$point] = (new EquivalenceFinder)->find(TitrationCurve::of($volumes, $ph));

        self::assertLessThan(3.0, abs($line->slopePercent() - $truth['slopePercent']) / $line->slopePercentUncertainty());
        self::assertLessThan(3.0, abs($line->offset() - $truth['offsetMv']) / $line->line()->offsetUncertainty);
        self::assertLessThan(3.0, abs($point->volume->value - $truth['equivalenceVolumeMl']) / $point->volume->uncertainty);
        self::assertLessThan(0.05, $point->volume->uncertainty);
    }

    public function test_the_electrode_lags_behind_and_settles(): void
    {
        $alder = new Alder(new Randomizer(new Mt19937(1)));
        $alder->act('dip', ['into' => 'buffer-4.01']);
        $alder->pass(60.0);
        $alder->act('rinse', []);
        $alder->act('dip', ['into' => 'buffer-10.01']);
        $alder->pass(1.0);
        $early = $alder->reading('ph');
        $alder->pass(60.0);

        self::assertGreaterThan(50.0, $early);
        self::assertEqualsWithDelta(5.2 - 0.978 * 58.4 * (Buffer::Technical10->phAt(21.5) - 7.0), $alder->reading('ph'), 1.0);
    }

    public function test_remembers_whether_the_electrode_was_rinsed(): void
    {
        $alder = new Alder(new Randomizer);
        $alder->act('dip', ['into' => 'buffer-7.00']);
        $alder->act('dip', ['into' => 'buffer-4.01']);
        self::assertFalse($alder->visible()['isRinsed']);
        $alder->act('rinse', []);
        $alder->act('dip', ['into' => 'beaker']);
        self::assertTrue($alder->visible()['isRinsed']);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function impossibleActs(): iterable
    {
        yield 'more than the burette holds' => ['dispense', ['volume' => 51.0], 'The burette holds only 50.00 mL more. Take a new sample to refill it.'];
        yield 'nothing' => ['dispense', ['volume' => 0.0], 'The volume to dispense must be above 0 mL.'];
        yield 'a plug that is not there' => ['plug', ['channel' => 'oxygen', 'on' => false], 'There is no channel "oxygen" on this bench.'];
        yield 'no number' => ['dispense', ['volume' => 'much'], 'The volume to dispense must be a number of mL.'];
        yield 'a place that is not there' => ['dip', ['into' => 'tea'], 'The electrode can be dipped into storage, rinse, buffer-4.01, buffer-7.00, buffer-10.01, beaker.'];
        yield 'an unknown act' => ['sing', [], 'This bench cannot "sing".'];
    }

    /** @param  array<string, mixed>  $details */
    #[DataProvider('impossibleActs')]
    public function test_says_what_hands_could_not_do(string $act, array $details, string $sentence): void
    {
        $this->expectException(RefusedAct::class);
        $this->expectExceptionMessage($sentence);

        (new Alder(new Randomizer))->act($act, $details);
    }

    private static function calibrated(Alder $alder): ElectrodeCalibration
    {
        $readings = [];
        foreach ([Buffer::Technical7, Buffer::Technical4, Buffer::Technical10] as $buffer) {
            $alder->act('rinse', []);
            $alder->act('dip', ['into' => "buffer-{$buffer->value}"]);
            $celsius = $alder->reading('temperature');
            $readings[] = StandardReading::of($buffer->value, $buffer->phAt($celsius), self::settled($alder), 0.12, true, 0.01);
        }

        return ElectrodeCalibration::from($readings, $alder->reading('temperature'));
    }

    /** @return array{list<float>, list<float>} mL and pH */
    private static function titrated(Alder $alder, ElectrodeCalibration $line): array
    {
        $alder->act('rinse', []);
        $alder->act('dip', ['into' => 'beaker']);
        [$volumes, $ph] = [[], []];
        foreach ([...range(0.0, 9.0, 1.0), ...range(9.5, 11.5, 0.1), ...range(12.0, 18.0, 1.0)] as $volume) {
            if ($volumes !== []) {
                $alder->act('dispense', ['volume' => $volume - $volumes[count($volumes) - 1]]);
            }
            $volumes[] = $volume;
            $ph[] = $line->quantity(self::settled($alder), 0.0, $alder->reading('temperature'))->value;
        }

        return [$volumes, $ph];
    }

    /** Mean of 10 s after half a minute's wait, in mV. */
    private static function settled(Alder $alder): float
    {
        $alder->pass(30.0);
        $sum = 0.0;
        for ($i = 0; $i < 40; $i++) {
            $alder->pass(0.25);
            $sum += $alder->reading('ph');
        }

        return $sum / 40;
    }
}

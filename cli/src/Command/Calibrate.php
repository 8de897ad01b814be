<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Calibration\StandardsFile;
use Welkion\Cli\Failure;
use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Core\Calibration\CalibrationCheck;
use Welkion\Core\Calibration\CalibrationFault;
use Welkion\Core\Calibration\ConductivityCalibration;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Calibration\LinearCalibration;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;

/** Turns readings in standards into a calibration. */
final class Calibrate extends Command
{
    /** Cell constants that are printed on cells, per cm. */
    private const USUAL_CELL_CONSTANTS = [0.1, 1.0, 10.0];

    public function name(): string
    {
        return 'calibrate';
    }

    public function purpose(): string
    {
        return 'turns readings in standards into slope, offset and a verdict on the probe';
    }

    public function options(): array
    {
        return [
            'kind' => '*ph, conductivity or linear',
            'temperature' => 'of the standards, in °C; 25 if left out',
            'coefficient' => 'of conductivity with temperature, per °C; 0.0191 if left out',
            'nominal' => 'cell constant printed on the cell, per cm; the nearest of 0.1, 1 and 10 if left out',
            'barometer' => 'in kPa, where a standard is boiling water; 101.325 if left out',
            'kept-at' => 'second at which readings were accepted, where the columns are settling curves',
        ];
    }

    public function run(Options $options, Input $input): string
    {
        $surroundings = new Surroundings(
            $options->number('temperature') ?? Surroundings::ROOM_C,
            $options->number('barometer') ?? Surroundings::NORMAL_KPA,
            new TemperatureCompensation($options->number('coefficient') ?? TemperatureCompensation::DEFAULT),
        );
        $kind = match ($options->text('kind')) {
            'ph', 'pH' => ProbeKind::PhElectrode,
            'conductivity' => ProbeKind::ConductivityCell,
            'linear' => ProbeKind::PressureSensor,
            default => throw Failure::input("--kind is ph, conductivity or linear, but \"{$options->text('kind')}\" was given."),
        };
        $file = StandardsFile::of($input->table($options->file()), $kind, $surroundings, $options->number('kept-at'));

        return match ($kind) {
            ProbeKind::PhElectrode => $this->electrode($file, $surroundings),
            ProbeKind::ConductivityCell => $this->cell($file, $surroundings, $options->number('nominal')),
            default => $this->line($file),
        };
    }

    private function electrode(StandardsFile $file, Surroundings $surroundings): string
    {
        $expectation = ProbeModel::of(ProbeKind::PhElectrode)->expectation($surroundings->celsius);
        $faults = (new CalibrationCheck($expectation, 'mV'))->faults($file->readings);
        $misplaced = $faults[0] ?? null;
        $readings = $file->readings;
        if ($misplaced?->code === CalibrationFault::STANDARDS_SWAPPED) {
            $readings = CalibrationCheck::exchanged($readings, ...$misplaced->positions);
        }
        $electrode = ElectrodeCalibration::from($readings, $surroundings->celsius);
        $verdict = match (true) {
            $file->unsettled !== [] => 'not_settled',
            $misplaced?->code === CalibrationFault::STANDARDS_SWAPPED => 'buffers_swapped',
            $misplaced !== null && $misplaced->blocks => str_replace('-', '_', $misplaced->code),
            default => $electrode->verdict()->code,
        };

        return $this->document($electrode, $verdict, $file, array_map(
            static fn (CalibrationFault $f): Warning => new Warning($f->code, '', $f->sentence), $faults,
        ), ['percentOfIdeal' => $electrode->slopePercent(), 'percentOfIdealUncertainty' => $electrode->slopePercentUncertainty()]);
    }

    private function cell(StandardsFile $file, Surroundings $surroundings, ?float $nominal): string
    {
        $cell = ConductivityCalibration::from($file->readings, $nominal ?? 1.0, $surroundings->compensation);
        if ($nominal === null) {
            $constant = abs($cell->cellConstant()->value);
            $nearest = self::USUAL_CELL_CONSTANTS;
            usort($nearest, static fn (float $a, float $b): int => abs(log($constant / $a)) <=> abs(log($constant / $b)));
            $cell = ConductivityCalibration::of($cell->line(), $nearest[0], $surroundings->compensation);
        }
        $warnings = $cell->hasOffset() ? [new Warning(
            'offset-conductance', 'The cell conducts where there is nothing to conduct.',
            sprintf('%.3G µS beside the standards: rinse and dry the plates, and check the cable.', $cell->offsetConductance()->value),
        )] : [];

        return $this->document($cell, $file->unsettled !== [] ? 'not_settled' : $cell->verdict()->code, $file, $warnings, [
            'cellConstant' => $cell->cellConstant()->value, 'cellConstantUncertainty' => $cell->cellConstant()->uncertainty,
        ]);
    }

    private function line(StandardsFile $file): string
    {
        $probe = LinearCalibration::from($file->readings, Unit::one(), Unit::one());
        $verdict = $probe->verdict();
        $warnings = $verdict->code === 'straight' ? [] : [new Warning($verdict->code, $verdict->title, $verdict->advice)];

        return $this->document($probe, $file->unsettled !== [] ? 'not_settled' : $verdict->code, $file, $warnings, [
            'clipped' => array_map(static fn (int $i): string => $file->readings[$i]->label, $probe->clipped),
        ]);
    }

    /**
     * @param  list<Warning>  $warnings
     * @param  array<string, mixed>  $more
     */
    private function document(ProbeCalibration $calibration, string $verdict, StandardsFile $file, array $warnings, array $more): string
    {
        $line = $calibration->line();
        $different = count(array_unique(array_map(static fn (StandardReading $r): float => $r->value, $file->readings)));
        if ($different === 2) {
            $warnings[] = new Warning('two-standards', 'Two standards give a line but no witness.', 'A third shows whether the probe is straight.');
        }

        return Json::of($more + [
            'slope' => $line->slope,
            'slopeUncertainty' => $line->slopeUncertainty,
            'offset' => $line->offset,
            'offsetUncertainty' => $line->offsetUncertainty,
            'percentOfIdeal' => null,
            'cellConstant' => null,
            'n' => count($file->readings),
            'verdict' => $verdict,
            'warnings' => self::warnings([...$file->warnings, ...$warnings]),
        ]);
    }
}

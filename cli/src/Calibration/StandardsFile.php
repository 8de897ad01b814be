<?php

declare(strict_types=1);

namespace Welkion\Cli\Calibration;

use Welkion\Cli\Failure;
use Welkion\Cli\Points;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\SettlingCurve;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Formats\ColumnKind;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Uncertainty\Sample;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;

/** Readings in standards as a file tells them: one row a standard, a column of baths, or a settling curve for each. */
final readonly class StandardsFile
{
    /** A reading accepted while an electrode moved by more mV than this each second had not settled. */
    private const SETTLED_MV_PER_S = 0.1;

    /** The same for other probes, as a share of all the signal moved. */
    private const SETTLED_SHARE_PER_S = 0.0005;

    /**
     * @param  list<StandardReading>  $readings
     * @param  list<string>  $unsettled  labels of standards in which it was accepted too early
     * @param  list<Warning>  $warnings
     */
    private function __construct(public array $readings, public array $unsettled, public array $warnings)
    {
    }

    /**
     * @throws Failure If the columns are none of these.
     * @throws CoreException If a value cannot be used.
     */
    public static function of(Table $table, ProbeKind $kind, Surroundings $surroundings, ?float $keptAt): self
    {
        $texts = array_values(array_filter($table->columns, static fn (TableColumn $c): bool => $c->kind === ColumnKind::Text));
        $numbers = array_values(array_filter($table->columns, static fn (TableColumn $c): bool => $c->kind !== ColumnKind::Text));
        if ($numbers === [] || count($table->columns) < 2) {
            throw Failure::input('The file needs two columns: the standard and the raw reading, or time and a raw column for each standard.');
        }
        if ($texts !== []) {
            return self::baths($texts[0], $numbers[count($numbers) - 1], $surroundings);
        }
        if (count($numbers) >= 2 && self::isTime($numbers[0])) {
            return self::curves($numbers, $kind, $surroundings, $keptAt);
        }
        if ($keptAt !== null) {
            throw Failure::input('--kept-at needs settling curves: time in the first column and a raw column for each standard.');
        }
        if (count($numbers) < 2) {
            throw Failure::input('The file needs a second column with the raw readings.');
        }

        return self::rows($table, $numbers, $kind, $surroundings);
    }

    /** @param  list<TableColumn>  $numbers */
    private static function rows(Table $table, array $numbers, ProbeKind $kind, Surroundings $surroundings): self
    {
        $points = Points::of($table, $numbers[0]->symbol, $numbers[1]->symbol);
        $readings = [];
        foreach ($points->x as $i => $value) {
            $readings[] = self::reading($value, $points->y[$i], $points->xUnit(), $points->yUnit(), $kind, $surroundings, true);
        }
        $warnings = $points->missing === 0 ? [] : [new Warning('rows-skipped', "{$points->missing} rows were passed over.", 'A cell in them is blank or no number.')];

        return new self($readings, [], $warnings);
    }

    /** Many readings in melting ice and in boiling water, told apart by a column of words. */
    private static function baths(TableColumn $bath, TableColumn $shown, Surroundings $surroundings): self
    {
        $standards = ['ice' => Standard::ice(), 'steam' => Standard::boilingWater(), 'boiling' => Standard::boilingWater(), 'boiling water' => Standard::boilingWater()];
        $values = [];
        foreach ($bath->texts as $row => $text) {
            $name = mb_strtolower(trim($text));
            if (! isset($standards[$name])) {
                throw Failure::input("Row {$row}, column \"{$bath->name}\": \"{$text}\" is no bath that is known here; ice and steam are.");
            }
            $value = $shown->values[$row - 1] ?? NAN;
            if (is_finite($value)) {
                $values[$name][] = $value;
            }
        }
        $readings = [];
        foreach ($values as $name => $list) {
            $sample = Sample::of($list);
            $readings[] = StandardReading::of(
                $name, $standards[$name]->valueIn($surroundings), $sample->mean, $sample->standardError, true, $standards[$name]->uncertainty,
            );
        }

        return new self($readings, [], []);
    }

    /** @param  non-empty-list<TableColumn>  $columns  time, then one raw column for each standard, named with its value */
    private static function curves(array $columns, ProbeKind $kind, Surroundings $surroundings, ?float $keptAt): self
    {
        $time = array_shift($columns);
        $readings = $unsettled = $warnings = [];
        foreach ($columns as $column) {
            if (preg_match('/-?\d+(?:\.\d+)?/', $column->name, $found) !== 1) {
                throw Failure::input("The column \"{$column->name}\" does not say its standard: its name needs the value, as \"buffer 4.01\".");
            }
            [$seconds, $raw] = self::finite($time->values, $column->values);
            $curve = SettlingCurve::of($seconds, $raw);
            $acceptedAt = min($keptAt ?? $curve->lastSecond(), $curve->lastSecond());
            $near = $curve->near($acceptedAt);
            $end = $curve->end();
            $limit = $kind === ProbeKind::PhElectrode ? self::SETTLED_MV_PER_S : self::SETTLED_SHARE_PER_S * $curve->height();
            // Noise alone gives some drift over a few seconds.
            $isSettled = abs($near->slope) - 2.0 * $near->slopeError <= $limit;
            if (! $isSettled) {
                $unsettled[] = $found[0];
                $warnings[] = new Warning('not-settled', "In {$found[0]} it was accepted too early.", sprintf(
                    'It still moved by %.3G %s per minute, at %.1F; it came to rest at %.1F. Slope and offset are those at rest.',
                    60.0 * $near->slope, $column->unit, $near->at($acceptedAt), $end,
                ));
            }
            $readings[] = self::reading(
                (float) $found[0], $keptAt !== null && $isSettled ? $near->at($acceptedAt) : $end, Unit::ofHeader(''), Unit::ofHeader($column->unit), $kind, $surroundings, true,
            );
        }

        return new self($readings, $unsettled, $warnings);
    }

    private static function reading(
        float $value,
        float $raw,
        Unit $valueUnit,
        Unit $rawUnit,
        ProbeKind $kind,
        Surroundings $surroundings,
        bool $wasSteady,
    ): StandardReading {
        if ($kind === ProbeKind::PhElectrode) {
            $millivolts = $rawUnit->isOne() ? $raw : $rawUnit->convert($raw, Unit::parse('mV'));

            return StandardReading::of(number_format($value, 2), $value, $millivolts, 0.0, $wasSteady, ElectrodeCalibration::STANDARD_UNCERTAINTY_PH);
        }
        if ($kind === ProbeKind::ConductivityCell) {
            $stated = $valueUnit->isOne() ? $value : $valueUnit->convert($value, Unit::parse('µS/cm'));
            $there = $surroundings->compensation->from25($stated, $surroundings->celsius);
            $siemens = $rawUnit->isOne() ? $raw : $rawUnit->convert($raw, Unit::parse('µS'));

            return StandardReading::of(
                (string) json_encode($value), $there, $siemens, 0.0, $wasSteady, PotassiumChloride::RELATIVE_UNCERTAINTY * abs($there),
            );
        }

        return StandardReading::of((string) json_encode($value), $value, $raw, 0.0, $wasSteady);
    }

    private static function isTime(TableColumn $column): bool
    {
        return preg_match('/^(time|t)\b/i', $column->name) === 1 && in_array($column->unit, ['s', ''], true);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @return array{list<float>, list<float>}
     */
    private static function finite(array $x, array $y): array
    {
        $points = [[], []];
        foreach ($x as $i => $value) {
            if (is_finite($value) && is_finite($y[$i])) {
                $points[0][] = $value;
                $points[1][] = $y[$i];
            }
        }

        return $points;
    }
}

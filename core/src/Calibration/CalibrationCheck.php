<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** Looks for the mistakes people make when they calibrate a pH electrode. */
final class CalibrationCheck
{
    /** Two standards whose readings differ by less than this share of the ideal are taken for one. */
    private const SAME_STANDARD_SHARE = 0.25;

    /** A line is believable from an electrode, however old, between these shares of the ideal slope. */
    private const BELIEVABLE_FROM_PERCENT = 70.0;

    private const BELIEVABLE_TO_PERCENT = 108.0;

    /** Beyond this distance from its line a reading of a working electrode does not belong to its standard. */
    private const STRAY_MV = 20.0;

    /**
     * @param  list<StandardReading>  $readings  in the order they were taken
     * @param  float  $celsius  temperature of the standards
     * @return list<CalibrationFault> the gravest first; empty when nothing is wrong
     */
    public function faults(array $readings, float $celsius): array
    {
        $misplaced = $this->misplaced($readings, $celsius);
        $faults = $misplaced === null ? [] : [$misplaced];
        foreach ($readings as $reading) {
            if (! $reading->wasSteady) {
                $faults[] = CalibrationFault::notSteady($reading->label);
            }
        }

        return $faults;
    }

    /** @param  list<StandardReading>  $readings */
    private function misplaced(array $readings, float $celsius): ?CalibrationFault
    {
        if (count($readings) < 2) {
            return null;
        }
        $same = $this->sameStandard($readings, $celsius);
        if ($same !== null) {
            return $same;
        }
        if ($this->isBelievable($readings, $celsius)) {
            return null;
        }
        foreach ($readings as $i => $first) {
            foreach (array_slice($readings, $i + 1, null, true) as $j => $second) {
                if ($this->isBelievable(self::exchanged($readings, $i, $j), $celsius)) {
                    return CalibrationFault::buffersSwapped($first->label, $second->label);
                }
            }
        }

        return ElectrodeCalibration::from($readings, $celsius)->slope <= 0.0 ? CalibrationFault::wrongSign() : null;
    }

    /** @param  list<StandardReading>  $readings */
    private function sameStandard(array $readings, float $celsius): ?CalibrationFault
    {
        for ($i = 1, $n = count($readings); $i < $n; $i++) {
            for ($j = 0; $j < $i; $j++) {
                $first = $readings[$j];
                $second = $readings[$i];
                $expected = abs($first->ph - $second->ph) * Nernst::idealSlope($celsius);
                $difference = abs($first->millivolts - $second->millivolts);
                if ($difference < self::SAME_STANDARD_SHARE * $expected || $expected === 0.0) {
                    return CalibrationFault::sameStandardTwice($first->label, $second->label, $difference);
                }
            }
        }

        return null;
    }

    /** @param  list<StandardReading>  $readings */
    private function isBelievable(array $readings, float $celsius): bool
    {
        $line = ElectrodeCalibration::from($readings, $celsius);
        $percent = $line->slopePercent();

        return $percent >= self::BELIEVABLE_FROM_PERCENT && $percent <= self::BELIEVABLE_TO_PERCENT
            && $line->largestResidualMv() <= self::STRAY_MV;
    }

    /**
     * @param  list<StandardReading>  $readings
     * @return list<StandardReading> with the voltages of two of them exchanged
     */
    public static function exchanged(array $readings, int $i, int $j): array
    {
        [$first, $second] = [$readings[$i], $readings[$j]];
        $readings[$i] = StandardReading::of(
            $first->label, $first->ph, $second->millivolts, $second->scatterMv, $second->wasSteady,
        );
        $readings[$j] = StandardReading::of(
            $second->label, $second->ph, $first->millivolts, $first->scatterMv, $first->wasSteady,
        );

        return array_values($readings);
    }
}

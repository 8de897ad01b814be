<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Uncertainty\Measured;

/** Looks for the mistakes people make when they calibrate a probe. */
final readonly class CalibrationCheck
{
    /** Two standards whose readings differ by less than this share of what is expected are taken for one. */
    private const SAME_STANDARD_SHARE = 0.25;

    /** A jump smaller than last time by this share is told; probes age far more slowly. */
    private const CARRIED_OVER_FROM = 0.03;

    private const CARRIED_OVER_TO = 0.5;

    /** A known standard is recognised within this share of the value, or of the step to the next standard. */
    private const RECOGNISED_SHARE = 0.08;

    /** ... or within this share of the step from the other reading. */
    private const RECOGNISED_STEP_SHARE = 0.05;

    /** A belt that shows within this share of what is wanted sits well. */
    private const FIT_SHARE = 0.4;

    private KnownStandards $known;

    /**
     * @param  string  $rawUnit  unit of the raw signal
     * @param  array<string, float>  $known  further standards a bench may have, value by label, the likeliest first
     */
    public function __construct(private Expectation $expectation, private string $rawUnit, array $known = [])
    {
        $this->known = new KnownStandards($known);
    }

    /**
     * @param  list<StandardReading>  $readings  in the order they were taken
     * @param  CalibrationLine|null  $last  the line kept last time, if there is one
     * @return list<CalibrationFault> the gravest first; empty when nothing is wrong
     */
    public function faults(array $readings, ?CalibrationLine $last = null): array
    {
        $misplaced = match (count($readings)) {
            0 => null,
            1 => $this->alone($readings[0], $last),
            default => $this->misplaced($readings, $last),
        };
        $faults = $misplaced === null ? [] : [$misplaced];
        foreach ($readings as $i => $reading) {
            if (! $reading->wasSteady) {
                $faults[] = CalibrationFault::notSteady($reading->label, $i);
            }
        }

        return $faults;
    }

    /** Whether a probe that was put on shows about what it should when it sits well; null if it does. */
    public static function fit(Standard $standard, Measured $shown, int $position): ?CalibrationFault
    {
        if (abs($shown->value - $standard->value) <= self::FIT_SHARE * abs($standard->value)) {
            return null;
        }
        $unit = $standard->unit;

        return CalibrationFault::poorFit(
            $standard->label, sprintf('%.1F %s', $shown->value, $unit), sprintf('%.1F %s', $standard->value, $unit), $position,
        );
    }

    /**
     * @param  list<StandardReading>  $readings
     * @return list<StandardReading> with the signals of two of them exchanged
     */
    public static function exchanged(array $readings, int $i, int $j): array
    {
        [$first, $second] = [$readings[$i], $readings[$j]];
        $readings[$i] = $first->withSignalOf($second);
        $readings[$j] = $second->withSignalOf($first);

        return array_values($readings);
    }

    private function alone(StandardReading $reading, ?CalibrationLine $last): ?CalibrationFault
    {
        if ($this->expectation->allowsReading($reading)) {
            return null;
        }
        $value = ($last ?? $this->expectation->line)->valueOf($reading->raw);
        $fits = $this->known->near($value, self::RECOGNISED_SHARE * abs($value), $reading)
            ?? $this->known->onlyOther($reading, $this->expectation->allowsReading(...));

        return CalibrationFault::anotherStandard($reading->label, $this->signal($reading), $fits, false, 0);
    }

    /** @param  list<StandardReading>  $readings  at least two */
    private function misplaced(array $readings, ?CalibrationLine $last): ?CalibrationFault
    {
        $same = $this->sameStandard($readings);
        if ($same !== null) {
            return $same;
        }
        if ($this->isBelievable($readings)) {
            return $last === null ? null : $this->againstLast($readings, $last);
        }
        foreach ($readings as $i => $first) {
            foreach (array_slice($readings, $i + 1, null, true) as $j => $second) {
                if ($this->isBelievable($exchanged = self::exchanged($readings, $i, $j)) && $this->allowsEach($exchanged)) {
                    return CalibrationFault::standardsSwapped($first->label, $second->label, $i, $j);
                }
            }
        }

        return $this->stranger($readings, $last)
            ?? ($this->runsBackwards($readings) ? CalibrationFault::wrongSign() : null);
    }

    /** @param  list<StandardReading>  $readings */
    private function sameStandard(array $readings): ?CalibrationFault
    {
        for ($i = 1, $n = count($readings); $i < $n; $i++) {
            for ($j = 0; $j < $i; $j++) {
                $expected = abs($this->expectation->step($readings[$j], $readings[$i]));
                $difference = abs($readings[$j]->raw - $readings[$i]->raw);
                if ($difference < self::SAME_STANDARD_SHARE * $expected || $expected === 0.0) {
                    return CalibrationFault::sameStandardTwice(
                        $readings[$j]->label, $readings[$i]->label, $this->raw($difference), $j, $i,
                    );
                }
            }
        }

        return null;
    }

    /**
     * The reading without which the others make sense, or that fits another standard.
     *
     * @param  list<StandardReading>  $readings
     */
    private function stranger(array $readings, ?CalibrationLine $last): ?CalibrationFault
    {
        // The newest is doubted first: what was believed before it came stays.
        for ($i = count($readings) - 1; $i >= 0; $i--) {
            $others = $readings;
            unset($others[$i]);
            $others = array_values($others);
            if (count($others) === 1 ? ! $this->expectation->allowsReading($others[0]) : ! $this->isBelievable($others)) {
                continue;
            }
            // One reading leaves the slope open: that of last time is likelier, but the probe may be another by now.
            $lines = count($others) === 1
                ? array_map(static fn (CalibrationLine $l): CalibrationLine => CalibrationLine::shifted($l, $others[0]), [...($last === null ? [] : [$last]), $this->expectation->line])
                : [CalibrationLine::through($others, $this->expectation->line->reference)];

            $values = array_map(static fn (StandardReading $r): float => $r->value, $others);
            $fits = $this->nearestTo($readings[$i], $lines, $others[0])
                ?? $this->known->onlyOther($readings[$i], fn (StandardReading $r): bool => ! in_array($r->value, $values, true) && $this->isBelievable([...$others, $r]));

            return CalibrationFault::anotherStandard($readings[$i]->label, $this->signal($readings[$i]), $fits, true, $i);
        }

        return null;
    }

    /**
     * The known standard a reading would fit.
     *
     * @param  list<CalibrationLine>  $lines  by which its value may be told, the likeliest first
     * @param  StandardReading  $other  from which the step is counted
     */
    private function nearestTo(StandardReading $reading, array $lines, StandardReading $other): ?string
    {
        $fits = null;
        foreach ($lines as $line) {
            $value = $line->valueOf($reading->raw);
            $near = max(self::RECOGNISED_STEP_SHARE * abs($value - $other->value), $this->expectation->isProportional() ? self::RECOGNISED_SHARE * abs($value) : 0.0);
            $fits ??= $this->known->near($value, $near, $reading);
        }

        return $fits;
    }

    /**
     * Readings that make a line, held against the line of last time.
     *
     * @param  list<StandardReading>  $readings
     */
    private function againstLast(array $readings, CalibrationLine $last): ?CalibrationFault
    {
        for ($i = 1, $n = count($readings); $i < $n; $i++) {
            [$before, $reading] = [$readings[$i - 1], $readings[$i]];
            $less = 1.0 - ($reading->raw - $before->raw) / ($last->slope * ($reading->value - $before->value));
            if ($less < self::CARRIED_OVER_FROM || $less > self::CARRIED_OVER_TO) {
                continue;
            }
            $line = CalibrationLine::shifted($last, $before);
            $value = $line->valueOf($reading->raw);
            $fits = $this->known->near($value, self::RECOGNISED_STEP_SHARE * abs($value - $before->value), $reading);
            if ($fits !== null) {
                return CalibrationFault::anotherStandard($reading->label, $this->signal($reading), $fits, false, $i);
            }

            return CalibrationFault::carriedOver($before->label, $reading->label, 100.0 * $less, $i);
        }

        return null;
    }

    /** @param  list<StandardReading>  $readings */
    private function isBelievable(array $readings): bool
    {
        return $this->expectation->allows(CalibrationLine::through($readings, $this->expectation->line->reference), ...$readings);
    }

    /** @param  list<StandardReading>  $readings */
    private function allowsEach(array $readings): bool
    {
        return array_filter($readings, fn (StandardReading $r): bool => ! $this->expectation->allowsReading($r)) === [];
    }

    /** @param  list<StandardReading>  $readings */
    private function runsBackwards(array $readings): bool
    {
        return CalibrationLine::through($readings)->slope / $this->expectation->line->slope <= 0.0;
    }

    private function signal(StandardReading $reading): string
    {
        return $this->raw($reading->raw);
    }

    private function raw(float $value): string
    {
        $digits = abs($value) >= 1000.0 ? 0 : (abs($value) >= 10.0 ? 1 : 3);

        return str_replace('-', '−', number_format($value, $digits))." {$this->rawUnit}";
    }
}

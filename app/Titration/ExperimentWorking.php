<?php

declare(strict_types=1);

namespace App\Titration;

use App\Models\Experiment;
use App\Models\Run;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\EquivalencePoint;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\Line;
use Welkion\Core\Working\TitrationEntries;
use Welkion\Core\Working\TitrationWorking;

/** Works out one run of an experiment: its curve, its derivatives, its lines of working. */
final readonly class ExperimentWorking
{
    private function __construct(
        public Experiment $experiment,
        public Run $run,
        public RunCurve $runCurve,
        public ?TitrationCurve $curve,
    ) {
    }

    public static function of(Experiment $experiment, Run $run): self
    {
        return self::with($experiment, $run, RunCurve::of($run));
    }

    /** The same by other values of the readings: those of another calibration. */
    public static function with(Experiment $experiment, Run $run, RunCurve $runCurve): self
    {
        return new self($experiment, $run, $runCurve, $runCurve->curve());
    }

    /** @return list<Line> */
    public function lines(): array
    {
        return (new TitrationWorking)->lines($this->curve, $this->span(), $this->entries(), $this->runCurve->phUncertainty());
    }

    /** @return list<EquivalencePoint> all jumps, inside the span or not */
    public function jumps(): array
    {
        return $this->curve === null ? [] : (new EquivalenceFinder)->find($this->curve);
    }

    /** @return array{float, float}|null mL */
    public function span(): ?array
    {
        return $this->experiment->span_from === null || $this->experiment->span_to === null
            ? null : [$this->experiment->span_from, $this->experiment->span_to];
    }

    private function entries(): TitrationEntries
    {
        return new TitrationEntries(
            $this->experiment->titrant,
            $this->experiment->sample,
            $this->experiment->analyte,
            $this->entry(Protocol::TITRANT_CONCENTRATION),
            $this->entry(Protocol::SAMPLE_VOLUME),
            $this->entry(Protocol::RATIO),
            $this->entry(Protocol::MOLAR_MASS),
        );
    }

    private function entry(string $symbol): ?Measured
    {
        $entry = $this->experiment->entries[$symbol];

        try {
            return $entry['value'] === null
                ? null : Measured::of((float) $entry['value'], (float) $entry['uncertainty'], Unit::parse($entry['unit']));
        } catch (CoreException) {
            // Its line waits for it, as for one that was not typed.
            return null;
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Titration;

use App\Models\Calibration;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunChannel;
use Illuminate\Support\Collection;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Series\Series;
use Welkion\Core\Titration\StepAdvice;
use Welkion\Core\Titration\TitrationCurve;

/** A run's readings worked out: raw signals by the calibration the run uses. */
final readonly class RunCurve
{
    /** @param  Collection<int, ReadingPoint>  $points by volume */
    private function __construct(private Run $run, public Collection $points)
    {
    }

    /** By the calibration in force for the run. */
    public static function of(Run $run): self
    {
        $run->loadMissing(Run::WORKED_OUT_WITH);

        return self::by($run, $run->electrode()?->calibrationInForce());
    }

    /** By some calibration of its electrode, or by the ideal line. */
    public static function by(Run $run, ?Calibration $calibration): self
    {
        $run->loadMissing(Run::WORKED_OUT_WITH);
        $electrode = $run->electrode();
        $thermometer = $run->channels->first(static fn (RunChannel $c): bool => $c->probe->kind === ProbeKind::Thermometer);
        $line = $electrode?->readingBy($calibration);
        $celsius = $thermometer?->reading();

        return new self($run, $run->readings->toBase()->map(
            static fn (Reading $reading): ReadingPoint => ReadingPoint::of($reading, $electrode, $line, $thermometer, $celsius),
        ));
    }

    /** @return Collection<int, ReadingPoint> what counts: not set aside */
    public function used(): Collection
    {
        return $this->points->filter(
            static fn (ReadingPoint $p): bool => $p->reading->set_aside_reason === null && $p->ph !== null,
        )->values();
    }

    public function series(): Series
    {
        $used = $this->used();

        return Series::of(
            array_values($used->map(static fn (ReadingPoint $p): float => $p->reading->volume)->all()),
            array_values($used->map(static fn (ReadingPoint $p): float => $p->ph->value ?? 0.0)->all()),
        );
    }

    /** @return TitrationCurve|null null while there are too few readings for one */
    public function curve(): ?TitrationCurve
    {
        try {
            $series = $this->series();

            return TitrationCurve::of($series->x, $series->y);
        } catch (NotEnoughPoints) {
            return null;
        }
    }

    /** Standard uncertainty of a pH reading of this run: the largest, calibration included. */
    public function phUncertainty(): float
    {
        return (float) $this->used()->max(static fn (ReadingPoint $p): float => $p->ph->uncertainty ?? 0.0);
    }

    /** @return list<float> planned volumes still to come, mL */
    public function remaining(): array
    {
        try {
            $plan = $this->run->volumePlan();
        } catch (CoreException) {
            return [];
        }

        return $plan->remaining(
            array_values($this->points->map(static fn (ReadingPoint $p): float => $p->reading->volume)->all()),
        );
    }

    public function advice(): ?StepAdvice
    {
        return StepAdvice::for($this->series(), $this->remaining());
    }
}

<?php

declare(strict_types=1);

namespace App\Titration;

use App\Models\Calibration;
use App\Models\Experiment;
use App\Models\Reworking;
use App\Models\Run;
use App\Models\RunChannel;
use Welkion\Core\Working\Line;

/** The results of a run by the calibration it was recorded with and by those it was worked out again with, side by side. */
final readonly class Comparison
{
    /**
     * @param  list<array{calibration: Calibration|null, reworking: Reworking|null, lines: array<string, Line>}>  $columns  the recorded one first
     */
    private function __construct(public Run $run, public RunChannel $channel, public array $columns)
    {
    }

    /** @return self|null null for a run without a pH electrode */
    public static function of(Experiment $experiment, Run $run): ?self
    {
        $run->loadMissing(Run::WORKED_OUT_WITH);
        $channel = $run->electrode();
        if ($channel === null) {
            return null;
        }
        $column = static fn (?Calibration $calibration, ?Reworking $reworking): array => [
            'calibration' => $calibration?->setRelation('probe', $channel->probe), 'reworking' => $reworking,
            'lines' => self::byKey(ExperimentWorking::with($experiment, $run, RunCurve::by($run, $calibration))->lines()),
        ];

        return new self($run, $channel, [
            $column($channel->calibration, null),
            ...array_values($channel->reworkings->map(static fn (Reworking $r): array => $column($r->calibration, $r))->all()),
        ]);
    }

    /**
     * @param  list<Line>  $lines
     * @return array<string, Line>
     */
    private static function byKey(array $lines): array
    {
        return array_combine(array_map(static fn (Line $l): string => $l->key, $lines), $lines);
    }
}

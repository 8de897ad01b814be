<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Calibration\StandardRows;
use App\Models\Calibration;
use App\Models\CalibrationReading;
use App\Models\Probe;
use App\Models\User;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Surroundings;

/** Calibrations as they were taken since September: each standard read, the line worked out by the core, then kept. */
final readonly class CalibrationHistory
{
    /** Deviations of single readings from the line as real probes have them, in limits of scatter. */
    private const DEVIATIONS = [0.2, -0.4, 0.2];

    private const SAMPLES = 40;

    public function __construct(private User $teacher)
    {
    }

    /**
     * @param  list<array{int, float, float, float}>  $past  days ago, slope as a share of the maker's, offset beside it in raw unit, °C
     * @param  array<string, float>  $settings
     */
    public function seed(Probe $probe, Recipe $recipe, array $past, array $settings = []): void
    {
        foreach ($past as [$daysAgo, $share, $offset, $celsius]) {
            $at = now()->subDays($daysAgo)->setTime(9, 12);
            $calibration = Calibration::query()->create([
                'probe_id' => $probe->id, 'user_id' => $this->teacher->id, 'state' => Calibration::OPEN, 'recipe' => $recipe,
                'unit' => $recipe->unit($probe->model()->unit), 'settings' => $settings,
                'standards' => StandardRows::usual($recipe, $probe->model()), 'created_at' => $at, 'updated_at' => $at,
            ])->refresh()->setRelation('probe', $probe);
            $stated = $probe->model()->factoryLine($celsius);
            $true = CalibrationLine::kept($share * $stated->slope, 0.0, $stated->offset + $offset, 0.0, 0.0, $stated->reference);
            foreach (array_keys($calibration->standards) as $position) {
                $this->read($calibration, $position, $true, $celsius, $at->getTimestamp() + 30.0 * $position);
            }
            $line = $calibration->load('readings')->calibrated()?->line() ?? throw new \LogicException('A seeded calibration has no line.');
            $calibration->update([
                'state' => Calibration::KEPT, 'celsius' => $celsius, 'slope' => $line->slope, 'slope_uncertainty' => $line->slopeUncertainty,
                'offset' => $line->offset, 'offset_uncertainty' => $line->offsetUncertainty, 'covariance' => $line->covariance,
                'verdict' => $calibration->calibrated()?->verdict()->code, 'kept_at' => $at,
            ]);
        }
    }

    private function read(Calibration $calibration, int $position, CalibrationLine $true, float $celsius, float $at): void
    {
        $standard = $calibration->standard($position) ?? throw new \LogicException('There is no such standard.');
        $value = $standard->valueIn(new Surroundings($celsius, $calibration->setting('barometerKpa') ?? Surroundings::NORMAL_KPA));
        $limit = $calibration->probe->steadyLimits()->at($true->rawAt($value))->scatter;
        $raw = $true->rawAt($value) + self::DEVIATIONS[$position % count(self::DEVIATIONS)] * $limit;
        $step = $calibration->probe->resolution;
        CalibrationReading::query()->create([
            'calibration_id' => $calibration->id, 'position' => $position, 'value' => $value, 'celsius' => $celsius, 'raw' => $raw,
            'scatter' => 0.25 * $limit, 'sample_count' => self::SAMPLES, 'was_steady' => true, 'drift_per_minute' => 0.2 * $limit,
            'samples' => array_map(static fn (int $i): float => round(round(($raw + 0.3 * $limit * sin(1.7 * $i)) / $step) * $step, 6), range(1, self::SAMPLES)),
            'taken_at' => $at,
        ]);
    }
}

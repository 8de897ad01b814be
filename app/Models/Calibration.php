<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Welkion\Core\Calibration\CalibrationLine;
use Welkion\Core\Calibration\Origin;
use Welkion\Core\Calibration\Plunger;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardReading;
use Welkion\Core\Calibration\StandardSource;
use Welkion\Core\Calibration\Surroundings;
use Welkion\Core\Calibration\TemperatureCompensation;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/**
 * A probe's calibration, from the first standard until it is kept.
 *
 * @phpstan-type StandardRow array{source: string, code: string, label: string, value: float|int, uncertainty: float|int, unit: string, shelfId: int|null, isExample?: bool}
 *
 * @property int $id
 * @property int $probe_id
 * @property int $user_id
 * @property list<StandardRow> $standards
 * @property string $state
 * @property Recipe $recipe
 * @property Origin $origin
 * @property string $unit
 * @property array<string, float|null>|null $settings
 * @property float|null $celsius
 * @property float|null $slope
 * @property float|null $slope_uncertainty
 * @property float|null $offset
 * @property float|null $offset_uncertainty
 * @property float $covariance
 * @property int|null $copied_from_id
 * @property int|null $beside_id
 * @property string|null $verdict
 * @property string|null $set_aside_reason
 * @property Carbon|null $kept_at
 * @property Probe $probe
 * @property Collection<int, CalibrationReading> $readings
 * @property Collection<int, Calibration> $beside
 * @property Calibration|null $copiedFrom
 * @property int|null $run_channels_count
 */
final class Calibration extends Model
{
    public const OPEN = 'open';

    public const KEPT = 'kept';

    public const DROPPED = 'dropped';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Probe, $this> */
    public function probe(): BelongsTo
    {
        return $this->belongsTo(Probe::class);
    }

    /**
     * The reading in force for each standard; replaced ones stay in the table.
     *
     * @return HasMany<CalibrationReading, $this>
     */
    public function readings(): HasMany
    {
        $relation = $this->hasMany(CalibrationReading::class);
        $relation->whereNull('replaced_at')->orderBy('position');

        return $relation;
    }

    /**
     * Calibrations of other probes that stand in the same standards and are read with this one.
     *
     * @return HasMany<self, $this>
     */
    public function beside(): HasMany
    {
        $relation = $this->hasMany(self::class, 'beside_id');
        $relation->orderBy('id');

        return $relation;
    }

    /** @return BelongsTo<self, $this> the calibration its line was taken from */
    public function copiedFrom(): BelongsTo
    {
        return $this->belongsTo(self::class, 'copied_from_id');
    }

    /** @return HasMany<RunChannel, $this> the channels of runs that were recorded with it */
    public function runChannels(): HasMany
    {
        return $this->hasMany(RunChannel::class);
    }

    public function isOpen(): bool
    {
        return $this->state === self::OPEN;
    }

    public function standard(int $position): ?Standard
    {
        $row = $this->standards[$position] ?? null;

        return $row === null ? null : Standard::kept(
            StandardSource::from($row['source']), $row['code'], $row['label'], (float) $row['value'], (float) $row['uncertainty'], $row['unit'],
        );
    }

    /** @return array<int, StandardReading> by position: what makes the line, in the order it was chosen */
    public function points(): array
    {
        $points = [];
        foreach ($this->readings as $reading) {
            $standard = $this->standard($reading->position);
            if ($standard !== null && $standard->isPoint()) {
                $points[$reading->position] = StandardReading::of(
                    $standard->label, $reading->value, $reading->raw, $reading->scatter, $reading->was_steady, $standard->uncertainty,
                );
            }
        }

        return $points;
    }

    public function surroundings(float $celsius): Surroundings
    {
        return new Surroundings($celsius, $this->setting('barometerKpa') ?? Surroundings::NORMAL_KPA, $this->compensation());
    }

    /** Temperature of the standards, in °C: as kept, or the mean of those read so far. */
    public function celsius(): float
    {
        $mean = $this->celsius ?? $this->setting('celsius') ?? $this->readings->avg('celsius');

        return is_numeric($mean) ? (float) $mean : Surroundings::ROOM_C;
    }

    /** Whether enough different standards were read for the line its recipe promises. */
    public function hasLine(): bool
    {
        $values = array_map(static fn (StandardReading $r): string => (string) json_encode($r->value), $this->points());

        return $this->slope !== null || count(array_unique($values)) >= $this->recipe->leastStandards();
    }

    /**
     * The calibration as kept, or as it stands with the readings so far; null before there is one, and for one that was
     * kept but cannot be worked out any more.
     *
     * @throws CoreException If the readings give no line.
     */
    public function calibrated(): ?ProbeCalibration
    {
        $model = $this->probe->model();
        if ($this->slope !== null) {
            return $this->asKept($model);
        }
        $points = array_values($this->points());

        return $points === [] ? null : $model->calibrated($points, $this->celsius(), $this->unit, $this->base(), $this->compensation());
    }

    /** The line a single standard moves: that of the bore, of the last calibration, or the maker's. */
    public function base(): CalibrationLine
    {
        $bore = $this->setting('boreMm');
        if ($this->recipe->needsBore() && $bore !== null) {
            return Plunger::lineOf(Measured::of($bore, $this->setting('boreUncertaintyMm') ?? 0.0, Unit::parse('mm')));
        }
        $last = $this->previous();

        return $last !== null && $last->unit === $this->unit
            ? $last->calibrated()?->line() ?? $this->probe->model()->factoryLine($this->celsius())
            : $this->probe->model()->factoryLine($this->celsius());
    }

    /**
     * The calibration in force before this one.
     *
     * @param  Origin|null  $origin  only of this origin; null for any
     */
    public function previous(?Origin $origin = null): ?self
    {
        $before = self::query()->where('probe_id', $this->probe_id)->where('state', self::KEPT)->where('set_aside_reason', null)
            ->where('id', '<', $this->id)->latest('kept_at')->latest('id')->get()
            ->first(static fn (self $c): bool => $origin === null || $c->origin === $origin);

        return $before?->setRelation('probe', $this->probe);
    }

    public function ageDays(CarbonInterface $at): ?float
    {
        return $this->kept_at === null ? null : $this->kept_at->diffInSeconds($at) / 86400.0;
    }

    public function setting(string $name): ?float
    {
        $value = $this->settings[$name] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }

    /** What is stored may be older than a rule it breaks: that spoils this calibration, and no page that shows it. */
    private function asKept(ProbeModel $model): ?ProbeCalibration
    {
        try {
            $line = CalibrationLine::kept(
                (float) $this->slope, (float) $this->slope_uncertainty, (float) $this->offset, (float) $this->offset_uncertainty,
                $this->covariance, $this->probe->kind->reference(),
            );

            return $line->isUsable() ? $model->calibration($line, $this->celsius(), $this->unit, $this->compensation()) : null;
        } catch (CoreException|\ArithmeticError) {
            return null;
        }
    }

    private function compensation(): TemperatureCompensation
    {
        return new TemperatureCompensation($this->setting('coefficient') ?? TemperatureCompensation::DEFAULT);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'standards' => 'array', 'settings' => 'array', 'recipe' => Recipe::class, 'origin' => Origin::class, 'celsius' => 'float', 'slope' => 'float',
            'slope_uncertainty' => 'float', 'offset' => 'float', 'offset_uncertainty' => 'float', 'covariance' => 'float', 'kept_at' => 'datetime',
        ];
    }
}

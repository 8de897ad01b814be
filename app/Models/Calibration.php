<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Welkion\Core\Calibration\ElectrodeCalibration;
use Welkion\Core\Calibration\StandardReading;

/**
 * A pH electrode's calibration, from the first standard until it is kept.
 *
 * @property int $id
 * @property int $probe_id
 * @property int $user_id
 * @property list<array{label: string, ph: float, buffer: string|null}> $standards
 * @property string $state
 * @property float|null $celsius
 * @property float|null $slope
 * @property float|null $slope_uncertainty
 * @property float|null $offset
 * @property float|null $offset_uncertainty
 * @property Carbon|null $kept_at
 * @property Probe $probe
 * @property Collection<int, CalibrationReading> $readings
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

    public function isOpen(): bool
    {
        return $this->state === self::OPEN;
    }

    /** @return list<StandardReading> */
    public function standardReadings(): array
    {
        return array_values($this->readings->map(fn (CalibrationReading $reading): StandardReading => StandardReading::of(
            $this->standards[$reading->position]['label'],
            $reading->ph,
            $reading->millivolts,
            $reading->scatter,
            $reading->was_steady,
        ))->all());
    }

    /** Mean temperature of the standards read so far, in °C; null before the first. */
    public function celsiusOfReadings(): ?float
    {
        $mean = $this->readings->avg('celsius');

        return is_numeric($mean) ? (float) $mean : null;
    }

    /** The line as kept, or as it stands with the readings so far; null before there are two. */
    public function line(): ?ElectrodeCalibration
    {
        if ($this->slope !== null && $this->celsius !== null) {
            return ElectrodeCalibration::kept(
                $this->celsius,
                $this->slope,
                (float) $this->slope_uncertainty,
                (float) $this->offset,
                (float) $this->offset_uncertainty,
            );
        }
        $readings = $this->standardReadings();
        $celsius = $this->celsiusOfReadings();
        $different = count(array_unique(array_map(static fn (StandardReading $r): string => (string) $r->ph, $readings)));

        return $celsius !== null && $different >= 2 ? ElectrodeCalibration::from($readings, $celsius) : null;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'standards' => 'array', 'celsius' => 'float', 'slope' => 'float', 'slope_uncertainty' => 'float',
            'offset' => 'float', 'offset_uncertainty' => 'float', 'kept_at' => 'datetime',
        ];
    }
}

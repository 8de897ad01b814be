<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Welkion\Core\Titration\VolumePlan;
use Welkion\Core\Titration\VolumeRange;

/**
 * A stepwise run, start to finish.
 *
 * @property int $id
 * @property int $experiment_id
 * @property int $number
 * @property string $state
 * @property list<array{from: float, to: float, step: float}> $plan
 * @property Carbon $started_at
 * @property Carbon|null $finished_at
 * @property Experiment $experiment
 * @property Collection<int, RunChannel> $channels
 * @property Collection<int, Reading> $readings
 * @property int|null $readings_count
 */
final class Run extends Model
{
    public const OPEN = 'open';

    public const FINISHED = 'finished';

    /** What its results are worked out from. */
    public const WORKED_OUT_WITH = ['channels.probe', 'channels.calibration', 'channels.zero', 'channels.reworkings.calibration', 'readings.values'];

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Experiment, $this> */
    public function experiment(): BelongsTo
    {
        return $this->belongsTo(Experiment::class);
    }

    /** @return HasMany<RunChannel, $this> */
    public function channels(): HasMany
    {
        $relation = $this->hasMany(RunChannel::class);
        $relation->orderBy('id');

        return $relation;
    }

    /**
     * The readings in force, by volume.
     *
     * @return HasMany<Reading, $this>
     */
    public function readings(): HasMany
    {
        $relation = $this->hasMany(Reading::class);
        $relation->whereNull('replaced_by_id')->orderBy('volume')->orderBy('id');

        return $relation;
    }

    /** The channel of its pH electrode. */
    public function electrode(): ?RunChannel
    {
        return $this->channels->first(static fn (RunChannel $c): bool => $c->probe->isPhElectrode());
    }

    /** @return list<string> what must be said of the calibrations it was recorded with; empty when all are good */
    public function trustSentences(): array
    {
        $this->loadMissing(self::WORKED_OUT_WITH);

        return array_values(array_filter($this->channels->map(
            fn (RunChannel $c): ?string => $c->setRelation('run', $this)->trustSentence(),
        )->all()));
    }

    public function isOpen(): bool
    {
        return $this->state === self::OPEN;
    }

    public function volumePlan(): VolumePlan
    {
        return self::planFrom($this->plan);
    }

    /** @param  list<array{from: float|int, to: float|int, step: float|int}>  $ranges */
    public static function planFrom(array $ranges): VolumePlan
    {
        return VolumePlan::of(array_map(
            static fn (array $r): VolumeRange => VolumeRange::of((float) $r['from'], (float) $r['to'], (float) $r['step']),
            $ranges,
        ));
    }

    /** @return list<array{from: float, to: float, step: float}> */
    public static function rangesOf(VolumePlan $plan): array
    {
        return array_map(
            static fn (VolumeRange $r): array => ['from' => $r->from, 'to' => $r->to, 'step' => $r->step],
            $plan->ranges,
        );
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['plan' => 'array', 'number' => 'integer', 'started_at' => 'datetime', 'finished_at' => 'datetime'];
    }
}

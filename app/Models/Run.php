<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\RowOrder;
use Welkion\Core\Notebook\TimedPlan;

/**
 * Rows taken together, start to finish.
 *
 * @property int $id
 * @property int $experiment_id
 * @property int|null $bench_id
 * @property int|null $beside_id
 * @property string|null $request_key
 * @property string $kind
 * @property int $number
 * @property string $name
 * @property string|null $condition
 * @property string|null $aside  why it does not count among the runs
 * @property int|null $trial
 * @property float|null $place
 * @property array<string, mixed>|null $plan
 * @property float|null $armed_at
 * @property float|null $ended_s
 * @property string|null $ended_by
 * @property string $state
 * @property list<array{int, int}>|null $row_order
 * @property int $rows_made
 * @property int $data_revision
 * @property Carbon $started_at
 * @property Carbon|null $finished_at
 * @property Carbon|null $looked_at
 * @property Carbon|null $thrown_away_at
 * @property Carbon $updated_at
 * @property Experiment $experiment
 * @property Bench|null $bench
 * @property Bench|null $beside
 * @property Collection<int, RunChannel> $channels
 * @property Collection<int, Reading> $readings
 * @property Collection<int, SetAside> $setAsides
 * @property Collection<int, Marker> $markers
 * @property Collection<int, TypedColumn> $typedColumns
 * @property int|null $readings_count
 */
final class Run extends Model
{
    private const SEEN_EACH_S = 60;

    private const FORGOTTEN_AFTER_S = 3600;

    public const OPEN = 'open';

    public const FINISHED = 'finished';

    public const STEPWISE = 'stepwise';

    public const TIMED = 'timed';

    public const TYPED = 'typed';

    /** So long after a timed run has ended it can go on without a gap, in s: what comes meanwhile is kept. */
    public const LINGERS_S = 60;

    public const BY_LENGTH = 'length';

    public const BY_EVENT = 'event';

    public const BY_HAND = 'hand';

    /** What its rows are worked out from. */
    public const WORKED_OUT_WITH = ['channels.probe.bench', 'channels.calibration', 'channels.zero', 'channels.reworkings.calibration', 'readings.cells', 'setAsides'];

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Experiment, $this> */
    public function experiment(): BelongsTo
    {
        return $this->belongsTo(Experiment::class);
    }

    /** @return BelongsTo<Bench, $this> */
    public function bench(): BelongsTo
    {
        return $this->belongsTo(Bench::class);
    }

    /** @return BelongsTo<Bench, $this> a second bench that feeds it */
    public function beside(): BelongsTo
    {
        return $this->belongsTo(Bench::class, 'beside_id');
    }

    /** @return Builder<self> those that are open and fed by a bench */
    public static function openAt(int $benchId): Builder
    {
        return self::query()->where('state', self::OPEN)->where('thrown_away_at', null)
            ->where(static fn ($query) => $query->where('bench_id', $benchId)->orWhere('beside_id', $benchId));
    }

    /** @return list<Bench> those that feed it, its own first */
    public function benches(): array
    {
        return array_values(array_filter([$this->bench, $this->beside]));
    }

    /** @return HasMany<RunChannel, $this> */
    public function channels(): HasMany
    {
        $relation = $this->hasMany(RunChannel::class);
        $relation->orderBy('id');

        return $relation;
    }

    /** @return HasMany<TypedColumn, $this> without their numbers, which they read themselves */
    public function typedColumns(): HasMany
    {
        $relation = $this->hasMany(TypedColumn::class);
        $relation->select(TypedColumn::WITHOUT_NUMBERS);

        return $relation;
    }

    /** Of a typed one. */
    public function rowOrder(): RowOrder
    {
        return RowOrder::fromArray($this->row_order ?? []);
    }

    /** Whether the cells of a column are typed in this run: in a typed one all that are not worked out, where it was recorded those beside. */
    public function isTypedIn(Column $column): bool
    {
        return $this->isTyped() ? $column->kind !== ColumnKind::Derived : $column->kind === ColumnKind::Typed && ! $this->isTimed();
    }

    /** @return Collection<int, RunChannel> those that one of its benches feeds */
    public function channelsAt(int $benchId): Collection
    {
        return $this->channels->where('is_beside', $this->beside_id === $benchId);
    }

    /**
     * The readings in force, as they were taken.
     *
     * @return HasMany<Reading, $this>
     */
    public function readings(): HasMany
    {
        $relation = $this->hasMany(Reading::class);
        $relation->where('replaced_by_id', null)->where('deleted_at', null)->orderBy('row');

        return $relation;
    }

    /** @return HasMany<SetAside, $this> */
    public function setAsides(): HasMany
    {
        $relation = $this->hasMany(SetAside::class);
        $relation->orderBy('first_row')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Marker, $this> */
    public function markers(): HasMany
    {
        $relation = $this->hasMany(Marker::class);
        $relation->orderBy('at')->orderBy('id');

        return $relation;
    }

    /** Its name, else what it belongs to, else its number. */
    public function title(): string
    {
        return match (true) {
            $this->name !== '' => $this->name,
            $this->condition !== null && $this->trial !== null => "{$this->condition} trial {$this->trial}",
            default => "Run {$this->number}",
        };
    }

    /** Where it stands among the runs of its notebook. */
    public function place(): float
    {
        return $this->place ?? (float) $this->number;
    }

    public function isTimed(): bool
    {
        return $this->kind === self::TIMED;
    }

    /** How a timed run is recorded. */
    public function timedPlan(): TimedPlan
    {
        return TimedPlan::fromArray($this->plan ?? []);
    }

    /** Whether a timed run still waits for what it begins by. */
    public function isWaiting(): bool
    {
        return $this->isTimed() && $this->isOpen() && $this->hasNotBegun();
    }

    /** Clock of its bench when a timed run began, s; null while it waits. */
    public function zeroTime(): ?float
    {
        return $this->channels->first(static fn (RunChannel $c): bool => $c->zero_time !== null && ! $c->is_beside)?->zero_time;
    }

    /** How well the clock of the bench beside is known against that of its own, standard uncertainty in s; null without. */
    public function clockError(): ?float
    {
        return $this->channels->first(static fn (RunChannel $c): bool => $c->clock_error !== null)?->clock_error;
    }

    public function isTyped(): bool
    {
        return $this->kind === self::TYPED;
    }

    /** Whether nothing was ever recorded or typed in it. */
    public function isEmpty(): bool
    {
        return match ($this->kind) {
            self::TIMED => $this->hasNotBegun(),
            self::TYPED => $this->rows_made === 0,
            default => (int) $this->readings_count === 0,
        };
    }

    public function hasNotBegun(): bool
    {
        return $this->zeroTime() === null;
    }

    public function isOpen(): bool
    {
        return $this->state === self::OPEN && $this->thrown_away_at === null;
    }

    /** Somebody has it on a screen, or takes a reading. */
    public function seen(): void
    {
        if ($this->isOpen() && ($this->looked_at === null || $this->looked_at->diffInSeconds(now()) > self::SEEN_EACH_S)) {
            self::query()->whereKey($this->id)->update(['looked_at' => now(), 'updated_at' => $this->updated_at]);
        }
    }

    /** Since when nobody has looked at it; null while that is less than an hour, and for one that is finished. */
    public function unwatchedSince(): ?Carbon
    {
        $last = $this->looked_at ?? $this->started_at;

        return $this->isOpen() && $last->diffInSeconds(now()) >= self::FORGOTTEN_AFTER_S ? $last : null;
    }

    /** @return list<string> what must be said of the calibrations its columns were recorded with; empty when all are good */
    public function trustSentences(): array
    {
        return array_values(array_filter($this->channels->filter(static fn (RunChannel $c): bool => $c->role !== null)->map(
            fn (RunChannel $c): ?string => $c->setRelation('run', $this)->trustSentence(),
        )->all()));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'plan' => 'array', 'row_order' => 'array', 'rows_made' => 'integer', 'number' => 'integer', 'trial' => 'integer', 'data_revision' => 'integer', 'started_at' => 'datetime',
            'armed_at' => 'float', 'ended_s' => 'float', 'finished_at' => 'datetime', 'looked_at' => 'datetime', 'thrown_away_at' => 'datetime',
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Welkion\Core\Notebook\Board;

/**
 * A notebook, whatever is studied in it.
 *
 * @property int $id
 * @property int $user_id
 * @property int|null $bench_id
 * @property int|null $beside_id
 * @property string|null $request_key
 * @property string $title
 * @property string|null $aim
 * @property string|null $conclusion
 * @property array<string, mixed> $plan
 * @property int $revision
 * @property Carbon|null $thrown_away_at
 * @property User $user
 * @property Bench|null $bench
 * @property Bench|null $beside
 * @property Collection<int, Run> $runs
 * @property Collection<int, Column> $columns
 * @property Collection<int, Entry> $entries
 * @property Carbon $updated_at
 */
final class Experiment extends Model
{
    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** What its board shows; until someone arranges it, what a class looks at first. */
    public function board(): Board
    {
        $board = $this->plan['board'] ?? null;

        return is_array($board) ? Board::fromArray($board) : Board::ready();
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Bench, $this> */
    public function bench(): BelongsTo
    {
        return $this->belongsTo(Bench::class);
    }

    /** @return BelongsTo<Bench, $this> a second bench its runs are recorded from */
    public function beside(): BelongsTo
    {
        return $this->belongsTo(Bench::class, 'beside_id');
    }

    /** @return HasMany<Run, $this> those that were not thrown away */
    public function runs(): HasMany
    {
        $relation = $this->hasMany(Run::class);
        $relation->where('thrown_away_at', null)->orderByRaw('coalesce(place, number), number');

        return $relation;
    }

    /** @return HasMany<Column, $this> */
    public function columns(): HasMany
    {
        $relation = $this->hasMany(Column::class);
        $relation->orderBy('position')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Entry, $this> */
    public function entries(): HasMany
    {
        $relation = $this->hasMany(Entry::class);
        $relation->orderBy('position')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Span, $this> */
    public function spans(): HasMany
    {
        return $this->hasMany(Span::class);
    }

    /** @return HasMany<Figure, $this> */
    public function figures(): HasMany
    {
        return $this->hasMany(Figure::class);
    }

    /** @return HasMany<TableFile, $this> */
    public function files(): HasMany
    {
        return $this->hasMany(TableFile::class);
    }

    /** @return HasMany<Line, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(Line::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['plan' => 'array', 'revision' => 'integer', 'thrown_away_at' => 'datetime'];
    }
}

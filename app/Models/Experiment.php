<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * @property int $id
 * @property int $user_id
 * @property int $bench_id
 * @property string $title
 * @property string $protocol
 * @property string|null $aim
 * @property string|null $conclusion
 * @property string $titrant
 * @property string $sample
 * @property string $analyte
 * @property array<string, array{value: float|null, uncertainty: float, unit: string}> $entries
 * @property list<array{from: float, to: float, step: float}> $plan
 * @property float|null $span_from
 * @property float|null $span_to
 * @property Bench $bench
 * @property Collection<int, Run> $runs
 * @property Carbon $updated_at
 */
final class Experiment extends Model
{
    public const TITRATION = 'titration';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Bench, $this> */
    public function bench(): BelongsTo
    {
        return $this->belongsTo(Bench::class);
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        $relation = $this->hasMany(Run::class);
        $relation->orderBy('number');

        return $relation;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['entries' => 'array', 'plan' => 'array', 'span_from' => 'float', 'span_to' => 'float'];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * One place with its connected probes.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property string $host
 * @property int $port
 * @property bool $is_simulated
 * @property string|null $recorder
 * @property string|null $link_name
 * @property Carbon|null $put_away_at
 * @property array<string, array{driftPerMinute: float, scatter: float, tolerance: float, windowS: float}>|null $steady_limits
 * @property Collection<int, Probe> $probes
 * @property Collection<int, Probe> $probesPutAway
 * @property Collection<int, Experiment> $experiments
 * @property Collection<int, Run> $openRuns
 * @property Collection<int, Run> $openRunsBeside
 */
final class Bench extends Model
{
    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** Where its device listens. */
    public function address(): string
    {
        return self::addressOf($this->host, $this->port);
    }

    /** The number of a device may hold colons itself (IPv6). */
    public static function addressOf(string $host, int $port): string
    {
        return str_contains($host, ':') ? "[{$host}]:{$port}" : "{$host}:{$port}";
    }

    /**
     * The probes last seen here, plugged in or not, but for those put away.
     *
     * @return HasMany<Probe, $this>
     */
    public function probes(): HasMany
    {
        $relation = $this->hasMany(Probe::class);
        $relation->where('put_away_at', null)->orderBy('position')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Probe, $this> */
    public function probesPutAway(): HasMany
    {
        $relation = $this->hasMany(Probe::class);
        $relation->where('put_away_at', '!=', null)->orderBy('id');

        return $relation;
    }

    /**
     * The experiments that record here next, the latest changed first.
     *
     * @return HasMany<Experiment, $this>
     */
    public function experiments(): HasMany
    {
        $relation = $this->hasMany(Experiment::class);
        $relation->where('thrown_away_at', null)->latest('updated_at')->latest('id');

        return $relation;
    }

    /** @return HasMany<Run, $this> */
    public function openRuns(): HasMany
    {
        $relation = $this->hasMany(Run::class);
        $relation->where('state', Run::OPEN)->where('thrown_away_at', null);

        return $relation;
    }

    /** @return HasMany<Run, $this> of other benches, which it feeds */
    public function openRunsBeside(): HasMany
    {
        $relation = $this->hasMany(Run::class, 'beside_id');
        $relation->where('state', Run::OPEN)->where('thrown_away_at', null);

        return $relation;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['port' => 'integer', 'is_simulated' => 'boolean', 'put_away_at' => 'datetime', 'steady_limits' => 'array'];
    }
}

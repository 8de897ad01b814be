<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One place with its connected probes.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property string $host
 * @property int $port
 * @property bool $is_simulated
 * @property Collection<int, Probe> $probes
 */
final class Bench extends Model
{
    protected $guarded = [];

    /** @return HasMany<Probe, $this> */
    public function probes(): HasMany
    {
        $relation = $this->hasMany(Probe::class);
        $relation->orderBy('id');

        return $relation;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['port' => 'integer', 'is_simulated' => 'boolean'];
    }
}

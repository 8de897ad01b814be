<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password'];

    protected $hidden = ['password', 'remember_token'];

    /** @return HasMany<Experiment, $this> */
    public function experiments(): HasMany
    {
        return $this->hasMany(Experiment::class);
    }

    /** @return HasMany<Bench, $this> */
    public function benches(): HasMany
    {
        return $this->hasMany(Bench::class);
    }

    /** @return HasMany<ShelfStandard, $this> */
    public function shelf(): HasMany
    {
        return $this->hasMany(ShelfStandard::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use App\Auth\EmailAddress;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password'];

    protected $hidden = ['password'];

    /** @return HasMany<Experiment, $this> */
    public function experiments(): HasMany
    {
        return $this->hasMany(Experiment::class);
    }

    /** @return HasMany<ProtocolFile, $this> */
    public function protocols(): HasMany
    {
        return $this->hasMany(ProtocolFile::class);
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

    /** Nobody is remembered by a cookie of its own: who stays signed in does so by a session that can be ended. */
    public function getRememberTokenName(): string
    {
        return '';
    }

    /** Stored as it is looked up. */
    protected function email(): Attribute
    {
        return Attribute::make(set: EmailAddress::normalised(...));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }
}

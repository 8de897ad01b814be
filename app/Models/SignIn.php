<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Query\Expression;

/**
 * One browser somebody is signed in with. Its key is its secret: outside it is called by a fingerprint of that.
 *
 * @property string $id
 * @property int|null $user_id
 * @property string|null $ip_address
 * @property string|null $user_agent
 * @property int $last_activity
 */
final class SignIn extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'sessions';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $hidden = ['id', 'payload'];

    public function fingerprint(): string
    {
        return hash('sha256', $this->id);
    }

    public function resolveRouteBinding($value, $field = null): ?self
    {
        return self::query()->where('user_id', '!=', null)->where(new Expression('SHA2(id, 256)'), $value)->get()->first();
    }
}

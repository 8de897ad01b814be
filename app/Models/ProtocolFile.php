<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A teacher's own protocol.
 *
 * @property int $id
 * @property int $user_id
 * @property string|null $request_key
 * @property string $title
 * @property array<string, mixed> $content
 * @property Carbon $updated_at
 */
final class ProtocolFile extends Model
{
    protected $table = 'protocols';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['content' => 'array'];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One change of a notebook, as the journal keeps it.
 *
 * @phpstan-type TouchedRow array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}
 *
 * @property int $id
 * @property int $experiment_id
 * @property int $revision
 * @property int $user_id
 * @property string $request_key
 * @property string $screen
 * @property string $kind
 * @property int|null $of_id
 * @property bool $is_undone
 * @property bool $is_redoable
 * @property string $words
 * @property list<TouchedRow> $rows
 * @property Carbon $created_at
 * @property User $user
 */
final class Change extends Model
{
    public const DO = 'do';

    public const UNDO = 'undo';

    public const REDO = 'redo';

    /** It happened by itself. */
    public const NOTED = 'noted';

    public const UPDATED_AT = null;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['rows' => 'array', 'is_undone' => 'boolean', 'is_redoable' => 'boolean', 'revision' => 'integer', 'created_at' => 'datetime'];
    }
}

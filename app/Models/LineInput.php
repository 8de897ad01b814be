<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a line uses, so that what depends on a thing is one query.
 *
 * @property int $id
 * @property int $line_id
 * @property string $slot
 * @property string $source_type
 * @property int $source_id
 * @property string|null $part
 */
final class LineInput extends Model
{
    /** Begins the slot of a symbol that stands in the line's formula. */
    public const IN_FORMULA = '=';

    public const COLUMN = 'column';

    public const ENTRY = 'entry';

    public const LINE = 'line';

    public $timestamps = false;

    protected $guarded = [];
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\TableHints;

/**
 * A file or a pasted text that numbers are read from, kept as it came.
 *
 * @property int $id
 * @property int $experiment_id
 * @property int $user_id
 * @property string $request_key
 * @property string $name
 * @property int $bytes
 * @property string $place
 * @property array{separator: string|null, mark: string|null, hasHeader: bool|null}|null $hints
 * @property Carbon|null $taken_at
 */
final class TableFile extends Model
{
    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** How it was understood when its numbers were taken; all open before. */
    public function hints(): TableHints
    {
        return self::hintsOf($this->hints ?? []);
    }

    /** @param  array<array-key, mixed>  $told */
    public static function hintsOf(array $told): TableHints
    {
        $separator = $told['separator'] ?? null;

        return new TableHints(
            is_string($separator) && isset(TableHints::SEPARATORS[$separator]) ? $separator : null,
            is_string($told['mark'] ?? null) ? DecimalMark::tryFrom($told['mark']) : null,
            is_bool($told['hasHeader'] ?? null) ? $told['hasHeader'] : null,
        );
    }

    /** @return array{separator: string|null, mark: string|null, hasHeader: bool|null} */
    public static function told(TableHints $hints): array
    {
        return ['separator' => $hints->separator, 'mark' => $hints->mark?->value, 'hasHeader' => $hints->hasHeader];
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['bytes' => 'integer', 'hints' => 'array', 'taken_at' => 'datetime'];
    }
}

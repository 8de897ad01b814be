<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\StepLimits;
use Welkion\Core\Units\Unit;

/**
 * One quantity of the rows of every run.
 *
 * @property int $id
 * @property int $experiment_id
 * @property string $symbol
 * @property string $name
 * @property string $unit
 * @property ColumnKind $kind
 * @property string|null $role
 * @property bool $is_raw
 * @property bool $is_steady
 * @property bool $is_words
 * @property string|null $formula
 * @property int|null $decimals
 * @property float|null $least
 * @property float|null $most
 * @property float|null $finest
 * @property int $position
 * @property float $uncertainty
 * @property string|null $uncertainty_of
 * @property int $edition
 * @property bool $is_hidden
 * @property int|null $width
 */
final class Column extends Model
{
    /** Decimals of a step column that tells none. */
    private const STEP_DECIMALS = 2;

    public $timestamps = false;

    protected $guarded = [];

    public function stepLimits(): StepLimits
    {
        return new StepLimits(
            Unit::parse($this->unit), $this->least ?? -1e9, $this->most ?? 1e9, $this->finest ?? 1e-9, $this->decimals ?? self::STEP_DECIMALS,
        );
    }

    /** Whether something was typed in it, in any run. */
    public function isTypedAnywhere(): bool
    {
        return TypedColumn::query()->where('column_id', $this->id)->exists();
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => ColumnKind::class, 'is_raw' => 'boolean', 'is_steady' => 'boolean', 'is_words' => 'boolean', 'decimals' => 'integer',
            'least' => 'float', 'most' => 'float', 'finest' => 'float', 'position' => 'integer', 'uncertainty' => 'float', 'edition' => 'integer', 'is_hidden' => 'boolean', 'width' => 'integer',
        ];
    }
}

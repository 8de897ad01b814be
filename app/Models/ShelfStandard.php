<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardSource;

/**
 * A standard that stands on a teacher's shelf: written down once, chosen later.
 *
 * @property int $id
 * @property int $user_id
 * @property ProbeKind $kind
 * @property StandardSource $source
 * @property string $code
 * @property string $label
 * @property float $value
 * @property float $uncertainty
 * @property string $unit
 * @property string|null $lot
 * @property Carbon|null $expires_on
 */
final class ShelfStandard extends Model
{
    use SoftDeletes;

    protected $guarded = [];

    public function standard(): Standard
    {
        return Standard::kept($this->source, $this->code, $this->label, $this->value, $this->uncertainty, $this->unit);
    }

    /** A standard is good to the end of the day that its bottle states. */
    public function isExpired(CarbonInterface $now): bool
    {
        return $this->expires_on !== null && $now->greaterThan($this->expires_on->copy()->endOfDay());
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => ProbeKind::class, 'source' => StandardSource::class, 'value' => 'float', 'uncertainty' => 'float', 'expires_on' => 'date',
        ];
    }
}

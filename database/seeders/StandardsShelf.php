<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\User;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Standard;

/** What stands on the shelf of the preparation room. */
final class StandardsShelf
{
    public function seed(User $teacher): void
    {
        $this->put($teacher, ProbeKind::PhElectrode, Standard::buffer(Buffer::Technical7), 'buffer 7.00', 'LK-0726', 210);
        $this->put($teacher, ProbeKind::PhElectrode, Standard::buffer(Buffer::Technical4), 'buffer 4.01', 'LK-0711', 190);
        $this->put($teacher, ProbeKind::PhElectrode, Standard::buffer(Buffer::Technical10), 'buffer 10.01', 'LK-0324', -26);
        $this->put($teacher, ProbeKind::PhElectrode, Standard::buffer(Buffer::Borax), 'borax, made in May', 'own', 14);
        $this->put($teacher, ProbeKind::ConductivityCell, Standard::potassiumChloride(PotassiumChloride::Hundredth), '1413 µS/cm', 'LK-0689', 95);
        $this->put($teacher, ProbeKind::ConductivityCell, Standard::potassiumChloride(PotassiumChloride::Tenth), '12.88 mS/cm', 'LK-0690', 95);
        $this->put($teacher, ProbeKind::GripBulb, Standard::weight(2.0), 'brass weight 2 kg', null, null);
        $this->put($teacher, ProbeKind::GripBulb, Standard::weight(5.0), 'brass weight 5 kg', null, null);
    }

    private function put(User $teacher, ProbeKind $kind, Standard $standard, string $label, ?string $lot, ?int $goodForDays): void
    {
        $teacher->shelf()->create([
            'kind' => $kind, 'source' => $standard->source, 'code' => $standard->code, 'label' => $label, 'value' => $standard->value,
            'uncertainty' => $standard->uncertainty, 'unit' => $standard->unit, 'lot' => $lot,
            'expires_on' => $goodForDays === null ? null : now()->addDays($goodForDays)->toDateString(),
        ]);
    }
}

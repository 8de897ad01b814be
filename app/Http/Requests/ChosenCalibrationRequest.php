<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Calibration;
use Illuminate\Foundation\Http\FormRequest;

/** One of the teacher's calibrations, to use it for something. */
final class ChosenCalibrationRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['calibrationId' => ['required', 'integer', 'between:1,'.PHP_INT_MAX]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['calibrationId.*' => 'Choose a calibration.'];
    }

    public function calibration(): Calibration
    {
        return Calibration::query()->with('probe.bench')->whereKey($this->integer('calibrationId'))
            ->whereHas('probe.bench', fn ($bench) => $bench->where('user_id', $this->user()?->id))->firstOrFail();
    }
}

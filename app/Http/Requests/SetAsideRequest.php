<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Reading;
use App\Models\Run;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** Readings of a run to set aside with a reason, or to use again. */
final class SetAsideRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'readings' => ['required', 'array', 'list', 'min:1', 'max:5000'],
            'readings.*' => ['integer:strict', 'between:1,'.PHP_INT_MAX],
            'reason' => ['present', 'nullable', 'string', 'min:3', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'readings.*' => 'Choose the readings.',
            'reason.min' => 'Say why in a few words, so that a reader can judge.',
            'reason.max' => 'Say why in at most 200 letters.',
        ];
    }

    /** @return list<Reading> */
    public function readings(Run $run): array
    {
        $ids = array_values(array_unique($this->array('readings')));
        $readings = array_values($run->readings()->whereKey($ids)->get()->all());
        if (count($readings) < count($ids)) {
            throw ValidationException::withMessages(['readings' => 'One of these readings is not part of this run any more.']);
        }

        return $readings;
    }

    public function reason(): ?string
    {
        return $this->filled('reason') ? $this->string('reason')->trim()->toString() : null;
    }
}

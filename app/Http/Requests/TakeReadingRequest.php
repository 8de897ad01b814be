<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use App\Models\Run;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Titration\VolumeRange;

final class TakeReadingRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $run = $this->route('run');

        return [
            'key' => ['required', 'uuid'],
            'volume' => ['required', Within::of('The volume', 0.0, VolumeRange::LARGEST_ML, 'mL', ', like 9.75')],
            'replaces' => ['bail', 'nullable', 'integer', 'between:1,'.PHP_INT_MAX, Rule::exists('readings', 'id')->where('run_id', $run instanceof Run ? $run->id : 0)],
            'takeAnyway' => ['boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'volume.required' => 'Type the volume the burette shows.',
            'replaces.exists' => 'The reading to retake is not part of this run any more.',
        ];
    }

    public function key(): string
    {
        return $this->string('key')->toString();
    }

    public function replaces(): ?int
    {
        return $this->filled('replaces') ? $this->integer('replaces') : null;
    }
}

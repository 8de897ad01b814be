<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Bench;
use Illuminate\Foundation\Http\FormRequest;

final class StoreExperimentRequest extends FormRequest
{
    /** A teacher records only on benches of their own. */
    public function authorize(): bool
    {
        $id = $this->input('benchId');
        $bench = is_int($id) ? Bench::query()->find($id) : null;

        return $bench === null || $this->user()?->can('use', $bench) === true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'title' => ['required', 'string', 'max:120'],
            'protocol' => ['required', 'in:titration'],
            'benchId' => ['bail', 'required', 'integer:strict', 'between:1,'.PHP_INT_MAX, 'exists:benches,id'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'title.required' => 'Give the experiment a title, for example a question.',
            'title.max' => 'A title may have at most 120 letters.',
            'benchId.*' => 'Choose a bench.',
            'benchId.exists' => 'This bench does not exist any more. Choose another.',
        ];
    }

    public function bench(): Bench
    {
        return Bench::query()->findOrFail($this->integer('benchId'));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Experiment;
use App\Models\Run;
use Illuminate\Foundation\Http\FormRequest;

/** What somebody thinks the result of a line is. */
final class GuessRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'typed' => ['present', 'nullable', 'string', 'max:60'],
            'runId' => ['sometimes', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX],
        ];
    }

    public function typed(): string
    {
        return $this->string('typed')->trim()->toString();
    }

    public function run(Experiment $experiment): ?Run
    {
        return $this->filled('runId') ? Run::query()->where('experiment_id', $experiment->id)->findOrFail($this->integer('runId')) : null;
    }
}

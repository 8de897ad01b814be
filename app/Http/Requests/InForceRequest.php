<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Reworking;
use App\Models\Run;
use Illuminate\Foundation\Http\FormRequest;

/** Which working-out of a run its results are told by; null: the recorded one. */
final class InForceRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['reworkingId' => ['present', 'nullable', 'integer', 'between:1,'.PHP_INT_MAX]];
    }

    public function reworking(Run $run): ?Reworking
    {
        return $this->filled('reworkingId')
            ? Reworking::query()->whereRelation('channel', 'run_id', $run->id)->findOrFail($this->integer('reworkingId'))
            : null;
    }
}

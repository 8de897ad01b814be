<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Recorder\ChannelTrack;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Calibration\ProbeKind;

/** When a kind of probe is called steady on a bench; null: as the kind is everywhere. */
final class BenchRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::enum(ProbeKind::class)],
            'limits' => ['present', 'nullable', 'array:driftPerMinute,scatter,tolerance,windowS'],
            'limits.driftPerMinute' => ['required_with:limits', 'numeric', 'gt:0'],
            'limits.scatter' => ['required_with:limits', 'numeric', 'gt:0'],
            'limits.tolerance' => ['required_with:limits', 'numeric', 'gt:0'],
            'limits.windowS' => ['required_with:limits', 'numeric', 'between:1,'.ChannelTrack::LONGEST_WINDOW_S],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'limits.windowS.*' => 'The window must be a number of seconds from 1 to '.ChannelTrack::LONGEST_WINDOW_S.'.',
            'limits.*.*' => 'Each limit must be a number above 0.',
        ];
    }

    public function kind(): ProbeKind
    {
        return ProbeKind::from($this->string('kind')->toString());
    }

    /** @return array{driftPerMinute: float, scatter: float, tolerance: float, windowS: float}|null */
    public function limits(): ?array
    {
        return $this->input('limits') === null ? null : [
            'driftPerMinute' => $this->float('limits.driftPerMinute'), 'scatter' => $this->float('limits.scatter'),
            'tolerance' => $this->float('limits.tolerance'), 'windowS' => $this->float('limits.windowS'),
        ];
    }
}

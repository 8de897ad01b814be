<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use App\Recorder\ChannelTrack;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Calibration\ProbeKind;

/** When a kind of probe is called steady on a bench; null: as the kind is everywhere. */
final class BenchRequest extends FormRequest
{
    /** How far a limit may be from what is usual for the kind, either way. */
    private const FACTOR = 1000.0;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $kind = is_string($this->input('kind')) ? ProbeKind::tryFrom($this->input('kind')) : null;
        $rules = [
            'kind' => ['required', Rule::enum(ProbeKind::class)],
            'limits' => ['present', 'nullable', 'array:driftPerMinute,scatter,tolerance,windowS'],
        ];

        // All four, or none: an empty list is no set of limits.
        return $kind === null || $this->input('limits') === null ? $rules : $rules + self::limitRules($kind);
    }

    /** @return array<string, list<mixed>> */
    private static function limitRules(ProbeKind $kind): array
    {
        $usual = $kind->steadyLimits();
        $near = static fn (string $what, float $value, string $unit): Within => Within::of($what, $value / self::FACTOR, $value * self::FACTOR, $unit);

        return [
            'limits.driftPerMinute' => ['required', $near('The largest drift', $usual->driftPerMinute, "{$kind->unit()} per minute")],
            'limits.scatter' => ['required', $near('The largest scatter', $usual->scatter, $kind->unit())],
            'limits.tolerance' => ['required', $near('What is left to go', $usual->tolerance, $kind->unit())],
            'limits.windowS' => ['required', Within::of('The window', 1.0, ChannelTrack::LONGEST_WINDOW_S, 's')],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'kind.*' => 'Choose a kind of probe.',
            'limits.array' => 'The limits are drift, scatter, tolerance and window, each a number.',
            'limits.*.required' => 'Type all four: drift, scatter, tolerance and window.',
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

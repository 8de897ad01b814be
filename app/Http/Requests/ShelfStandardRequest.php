<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardRange;
use Welkion\Core\Calibration\StandardSource;

/** A bottle, weight or gauge as it is written down on the shelf. */
final class ShelfStandardRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $kind = is_string($this->input('kind')) ? ProbeKind::tryFrom($this->input('kind')) : null;
        $range = $this->input('source') === 'weight' ? StandardRange::ofWeights() : StandardRange::in($kind?->unit() ?? '');

        return [
            // A probe of no known kind has no standards that others could use.
            'kind' => ['required', Rule::enum(ProbeKind::class)->except([ProbeKind::AnyQuantity])],
            'source' => ['required', Rule::in(['buffer', 'potassium-chloride', 'weight', 'typed'])],
            'code' => [
                'required_if:source,buffer,potassium-chloride', 'nullable', 'string', 'max:20',
                Rule::when($this->input('source') === 'buffer', [Rule::enum(Buffer::class)]),
                Rule::when($this->input('source') === 'potassium-chloride', [Rule::enum(PotassiumChloride::class)]),
            ],
            'label' => ['required', 'string', 'max:60'],
            'value' => ['required_if:source,typed,weight', 'nullable', Within::of('Its value', $range->least, $range->most, $range->unit)],
            'uncertainty' => ['nullable', Within::of('Its ±', 0.0, $range->largestUncertainty(), $range->unit)],
            'lot' => ['nullable', 'string', 'max:60'],
            'expiresOn' => ['bail', 'nullable', 'string', 'date_format:Y-m-d', 'after:1900-01-01', 'before:2200-01-01'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'code.required_if' => 'Choose which one it is.',
            'label.required' => 'Type the name that stands on it.',
            'value.required_if' => 'Type its value as a number.',
            'expiresOn.*' => 'Type the day it is good until as year-month-day, like 2027-03-31.',
        ];
    }

    /** @return array<string, mixed> columns of the shelf */
    public function columns(): array
    {
        $kind = ProbeKind::from($this->string('kind')->toString());
        $source = StandardSource::from($this->string('source')->toString());
        $label = $this->string('label')->trim()->toString();
        $standard = match ($source) {
            StandardSource::Buffer => Standard::buffer(Buffer::from($this->string('code')->toString())),
            StandardSource::PotassiumChloride => Standard::potassiumChloride(PotassiumChloride::from($this->string('code')->toString())),
            StandardSource::Weight => Standard::weight($this->float('value')),
            default => Standard::typed($label, $this->float('value'), $this->float('uncertainty'), $kind->unit()),
        };

        return [
            'kind' => $kind, 'source' => $source, 'code' => $standard->code, 'label' => $label, 'value' => $standard->value,
            'uncertainty' => $this->filled('uncertainty') ? $this->float('uncertainty') : $standard->uncertainty, 'unit' => $standard->unit,
            'lot' => $this->filled('lot') ? $this->string('lot')->trim()->toString() : null,
            'expires_on' => $this->filled('expiresOn') ? $this->string('expiresOn')->toString() : null,
        ];
    }
}

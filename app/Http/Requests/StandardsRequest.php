<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Calibration\Buffer;

final class StandardsRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'standards' => ['required', 'array', 'min:2', 'max:5'],
            'standards.*' => ['array:buffer,ph'],
            'standards.*.buffer' => ['nullable', Rule::enum(Buffer::class)],
            'standards.*.ph' => ['required_without:standards.*.buffer', 'nullable', 'numeric', 'between:0,14'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'standards.required' => 'Choose the standards in hand.',
            'standards.min' => 'A line needs at least two standards.',
            'standards.max' => 'Five standards are enough for any electrode.',
            'standards.*.ph.between' => 'The pH of standard :position must lie between 0 and 14.',
            'standards.*.ph.numeric' => 'The pH of standard :position must be a number, like 6.86.',
            'standards.*.ph.required_without' => 'Type the pH of standard :position.',
        ];
    }

    /** @return list<array{label: string, ph: float, buffer: string|null}> */
    public function standards(): array
    {
        /** @var list<array{buffer?: string|null, ph?: float|int|string|null}> $standards */
        $standards = $this->validated('standards');

        return array_map(static function (array $standard): array {
            $buffer = isset($standard['buffer']) ? Buffer::from($standard['buffer']) : null;
            $ph = $buffer?->nominalPh() ?? (float) ($standard['ph'] ?? 0.0);

            return ['label' => $buffer?->label() ?? number_format($ph, 2), 'ph' => $ph, 'buffer' => $buffer?->value];
        }, $standards);
    }
}

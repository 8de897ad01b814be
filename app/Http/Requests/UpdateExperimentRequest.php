<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\PlanRules;
use App\Http\Rules\Within;
use App\Models\Experiment;
use App\Models\Run;
use App\Titration\Protocol;
use Illuminate\Contracts\Validation\Validator;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Units\Unit;

/** Changes of an experiment; what is left out stays as it is. */
final class UpdateExperimentRequest extends FormRequest
{
    /** Masses, volumes and concentrations in the units of a laboratory are all far inside. */
    private const LEAST = 1e-9;

    private const MOST = 1e9;

    private const TEXTS = ['title', 'aim', 'conclusion', 'titrant', 'sample', 'analyte'];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'title' => ['sometimes', 'required', 'string', 'max:120'],
            'aim' => ['sometimes', 'nullable', 'string', 'max:4000'],
            'conclusion' => ['sometimes', 'nullable', 'string', 'max:8000'],
            'titrant' => ['sometimes', 'required', 'string', 'max:60'],
            'sample' => ['sometimes', 'required', 'string', 'max:60'],
            'analyte' => ['sometimes', 'required', 'string', 'max:60'],
            'entries' => ['sometimes', 'array', 'list', 'max:100'],
            'entries.*' => ['array'],
            'entries.*.symbol' => ['required', Rule::in(array_keys(Protocol::ENTRIES))],
            'entries.*.value' => ['sometimes', 'nullable', Within::of('The value', self::LEAST, self::MOST)],
            'entries.*.uncertainty' => ['sometimes', Within::of('The ±', 0.0, self::MOST)],
            'entries.*.unit' => ['sometimes', 'nullable', 'string', 'max:20'],
            'span' => ['sometimes', 'nullable', 'array', 'list', 'size:2'],
            'span.*' => [Within::of('Each end of the span', 0.0, 1000.0, 'mL')],
        ] + PlanRules::ranges('plan', ['sometimes']);
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'title.required' => 'An experiment needs a title.',
        ] + PlanRules::MESSAGES;
    }

    /** @return list<\Closure(Validator): void> */
    public function after(): array
    {
        return [function (Validator $validator): void {
            foreach ($this->array('entries') as $i => $entry) {
                $unit = is_array($entry) && is_string($entry['unit'] ?? null) ? $entry['unit'] : null;
                $symbol = is_array($entry) ? $entry['symbol'] ?? '' : '';
                $expected = is_string($symbol) ? Protocol::ENTRIES[$symbol]['unit'] ?? null : null;
                if ($unit === null || $expected === null) {
                    continue;
                }
                try {
                    Unit::parse($unit)->convert(1.0, Unit::parse($expected));
                } catch (CoreException $error) {
                    $validator->errors()->add("entries.{$i}.unit", $error->getMessage());
                }
            }
        }];
    }

    /** @return array<string, mixed> columns to write */
    public function changes(Experiment $experiment): array
    {
        $changes = array_intersect_key($this->validated(), array_flip(self::TEXTS));
        if ($this->has('entries')) {
            $changes['entries'] = $this->entriesInto($experiment->entries);
        }
        if ($this->has('plan')) {
            $changes['plan'] = Run::rangesOf(Run::planFrom(array_values($this->validated('plan'))));
        }
        if ($this->has('span')) {
            /** @var array{float|int|string, float|int|string}|null $span */
            $span = $this->validated('span');
            $changes['span_from'] = $span === null ? null : (float) min($span);
            $changes['span_to'] = $span === null ? null : (float) max($span);
        }

        return $changes;
    }

    /**
     * What a screen does not send stays, so that two fields left quickly one after the other both count.
     *
     * @param  array<string, array{value: float|null, uncertainty: float, unit: string}>  $entries
     * @return array<string, array{value: float|null, uncertainty: float, unit: string}>
     */
    private function entriesInto(array $entries): array
    {
        foreach ($this->validated('entries') as $entry) {
            $kept = $entries[$entry['symbol']];
            $entries[$entry['symbol']] = [
                'value' => array_key_exists('value', $entry) ? self::number($entry['value']) : $kept['value'],
                'uncertainty' => self::number($entry['uncertainty'] ?? null) ?? $kept['uncertainty'],
                'unit' => (string) ($entry['unit'] ?? $kept['unit']),
            ];
        }

        return $entries;
    }

    private static function number(mixed $value): ?float
    {
        return is_numeric($value) ? (float) $value : null;
    }
}

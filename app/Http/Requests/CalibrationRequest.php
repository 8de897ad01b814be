<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Calibration\StandardRows;
use App\Http\Rules\Within;
use App\Models\Calibration;
use App\Models\Probe;
use App\Models\ShelfStandard;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\PotassiumChloride;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardRange;
use Welkion\Core\Calibration\StandardSource;

/**
 * How a probe is to be calibrated: by which recipe, in which standards, at which pressure.
 *
 * @phpstan-import-type StandardRow from Calibration
 */
final class CalibrationRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $range = StandardRange::in($this->unit());

        return [
            'recipe' => [$this->isMethod('POST') ? 'required' : 'prohibited', Rule::in(array_column(Recipe::for($this->kind()), 'value'))],
            'standards' => ['array', 'min:1', 'max:5'],
            'standards.*' => ['array:source,code,label,value,uncertainty,shelfId,isExample'],
            'standards.*.source' => ['required_without:standards.*.shelfId', Rule::enum(StandardSource::class)],
            'standards.*.code' => ['nullable', 'string', 'max:20'],
            'standards.*.label' => ['nullable', 'string', 'max:60'],
            'standards.*.value' => ['nullable', Within::of('The value of standard {number}', $range->least, $range->most, $range->unit)],
            'standards.*.uncertainty' => ['nullable', Within::of('The ± of standard {number}', 0.0, $range->largestUncertainty(), $range->unit)],
            'standards.*.isExample' => ['nullable', 'boolean'],
            'standards.*.shelfId' => ['nullable', 'integer', 'between:1,'.PHP_INT_MAX],
            'settings' => ['array:barometerKpa,boreMm,boreUncertaintyMm,deadVolumeMl,coefficient,celsius'],
            'settings.barometerKpa' => ['nullable', Within::of('The barometer', 50, 110, 'kPa', ': read it at this place, not reduced to sea level')],
            'settings.boreMm' => ['nullable', Within::of('The inner diameter of the syringe', 1, 200, 'mm')],
            'settings.boreUncertaintyMm' => ['nullable', Within::of('The ± of the inner diameter', 0, 10, 'mm')],
            'settings.deadVolumeMl' => ['nullable', Within::of('The dead volume', 0, 100, 'mL')],
            'settings.coefficient' => ['nullable', Within::of('The temperature coefficient', 0, 0.1, 'per °C', '; 0.0191 fits dilute salts')],
            'settings.celsius' => ['nullable', Within::of('The temperature of the standards', 0, 50, '°C')],
            'beside' => ['array', 'max:5'],
            'beside.*' => ['integer', 'distinct'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'recipe.in' => 'This kind of probe is not calibrated in that way. Choose one of the ways its page offers.',
            'standards.min' => 'Choose at least one standard.',
            'standards.max' => 'Five standards are enough for any probe.',
            'standards.*.array' => 'Standard :position must be one from the shelf, or one by source.',
            'standards.*.code.*' => 'The code of standard :position must be a short text.',
            'standards.*.label.*' => 'The name of standard :position must be a text of at most 60 letters.',
        ];
    }

    public function recipe(): Recipe
    {
        return Recipe::from($this->string('recipe')->toString());
    }

    /** @return list<StandardRow>|null null when none were chosen */
    public function standards(): ?array
    {
        if (! $this->has('standards')) {
            return null;
        }
        /** @var list<array{source?: string, code?: string|null, label?: string|null, value?: float|int|string|null, uncertainty?: float|int|string|null, shelfId?: int|null, isExample?: bool|null}> $chosen */
        $chosen = array_values($this->validated('standards'));

        return array_map(fn (array $one, int $i): array => $this->row($one, $i + 1), $chosen, array_keys($chosen));
    }

    /** @return array<string, float|null> */
    public function settings(): array
    {
        /** @var array<string, float|int|string|null> $settings */
        $settings = $this->validated('settings') ?? [];

        return array_map(static fn (mixed $value): ?float => $value === null ? null : (float) $value, $settings);
    }

    /**
     * @return list<Probe>
     *
     * @throws ModelNotFoundException If one is not a probe of this teacher.
     */
    public function beside(): array
    {
        /** @var list<int> $ids */
        $ids = $this->validated('beside') ?? [];

        return array_map(fn (int $id): Probe => Probe::query()->whereKey($id)->whereRelation('bench', 'user_id', $this->user()?->id)->firstOrFail(), $ids);
    }

    /**
     * @param  array{source?: string, code?: string|null, label?: string|null, value?: float|int|string|null, uncertainty?: float|int|string|null, shelfId?: int|null, isExample?: bool|null}  $one
     * @return StandardRow
     */
    private function row(array $one, int $number): array
    {
        if (isset($one['shelfId'])) {
            $bottle = ShelfStandard::query()->where('user_id', $this->user()?->id)->where('kind', $this->kind())->findOrFail($one['shelfId']);

            return StandardRows::row($bottle->standard(), $bottle->id);
        }
        $unit = $this->unit();
        $value = (float) ($one['value'] ?? 0.0);
        $label = trim($one['label'] ?? '');
        $source = StandardSource::from($one['source'] ?? 'typed');
        $standard = match ($source) {
            StandardSource::Buffer => Standard::buffer(Buffer::tryFrom($one['code'] ?? '') ?? $this->fail($number, 'is no buffer we know; choose another, or type its pH')),
            StandardSource::PotassiumChloride => Standard::potassiumChloride(
                PotassiumChloride::tryFrom($one['code'] ?? '') ?? $this->fail($number, 'is no solution we know; choose another, or type its conductivity'),
            ),
            StandardSource::Ice => Standard::ice(),
            StandardSource::Boiling => Standard::boilingWater(),
            StandardSource::Room => Standard::room(),
            StandardSource::Weight => Standard::weight($this->kilograms($one['code'] ?? $value, $number)),
            StandardSource::Rest => Standard::rest($label === '' ? 'nothing' : $label, $unit),
            StandardSource::Pulse => Standard::pulse($value),
            StandardSource::Fit => Standard::fit($label === '' ? 'comfortable stretch' : $label, $value, $unit),
            StandardSource::Typed => $this->typed($one['value'] ?? null, (float) ($one['uncertainty'] ?? 0.0), $label, $unit, $number),
        };

        return ['isExample' => (bool) ($one['isExample'] ?? false)] + StandardRows::row($standard);
    }

    private function typed(float|int|string|null $value, float $uncertainty, string $label, string $unit, int $number): Standard
    {
        if ($value === null) {
            $this->fail($number, 'needs a value: type it');
        }
        $shown = $unit === 'pH' ? number_format((float) $value, 2) : json_encode((float) $value)." {$unit}";

        return Standard::typed($label === '' ? $shown : $label, (float) $value, $uncertainty, $unit);
    }

    private function kilograms(float|string $mass, int $number): float
    {
        $range = StandardRange::ofWeights();
        $rule = Within::of("The mass of standard {$number}", $range->least, $range->most, $range->unit);

        return $rule->holds($mass) ? (float) $mass : throw ValidationException::withMessages(["standards.{$number}" => $rule->sentence()]);
    }

    private function fail(int $number, string $why): never
    {
        throw ValidationException::withMessages(["standards.{$number}" => "Standard {$number} {$why}."]);
    }

    private function kind(): ProbeKind
    {
        return $this->probe()->kind;
    }

    private function unit(): string
    {
        $calibration = $this->route('calibration');

        if ($calibration instanceof Calibration) {
            return $calibration->unit;
        }
        $recipe = is_string($this->input('recipe')) ? Recipe::tryFrom($this->input('recipe')) : null;

        $unit = $this->probe()->model()->unit;

        return $recipe?->unit($unit) ?? $unit;
    }

    private function probe(): Probe
    {
        $calibration = $this->route('calibration');
        $probe = $calibration instanceof Calibration ? $calibration->probe : $this->route('probe');

        return $probe instanceof Probe ? $probe : throw new \LogicException('This request belongs to routes of a probe or a calibration.');
    }
}

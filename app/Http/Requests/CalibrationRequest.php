<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Calibration\StandardRows;
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
use Welkion\Core\Calibration\StandardSource;

/**
 * How a probe is to be calibrated: by which recipe, in which standards, at which pressure.
 *
 * @phpstan-import-type StandardRow from Calibration
 */
final class CalibrationRequest extends FormRequest
{
    /** From where to where a typed standard may lie, by the unit it is in. */
    private const RANGES = [
        'pH' => [0.0, 14.0], '°C' => [-50.0, 250.0], 'kPa' => [0.0, 1000.0], 'µS/cm' => [0.01, 500_000.0],
        'N' => [0.0, 2000.0], 'mL' => [0.0, 1000.0], 'mV' => [-1000.0, 1000.0],
    ];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'recipe' => [$this->isMethod('POST') ? 'required' : 'prohibited', Rule::in(array_column(Recipe::for($this->kind()), 'value'))],
            'standards' => ['array', 'min:1', 'max:5'],
            'standards.*' => ['array:source,code,label,value,uncertainty,shelfId,isExample'],
            'standards.*.source' => ['required_without:standards.*.shelfId', Rule::enum(StandardSource::class)],
            'standards.*.code' => ['nullable', 'string', 'max:20'],
            'standards.*.label' => ['nullable', 'string', 'max:60'],
            'standards.*.value' => ['nullable', 'numeric'],
            'standards.*.uncertainty' => ['nullable', 'numeric', 'min:0'],
            'standards.*.isExample' => ['nullable', 'boolean'],
            'standards.*.shelfId' => ['nullable', 'integer'],
            'settings' => ['array:barometerKpa,boreMm,boreUncertaintyMm,deadVolumeMl,coefficient,celsius'],
            'settings.barometerKpa' => ['nullable', 'numeric', 'between:50,110'],
            'settings.boreMm' => ['nullable', 'numeric', 'gt:0', 'max:200'],
            'settings.boreUncertaintyMm' => ['nullable', 'numeric', 'min:0', 'max:10'],
            'settings.deadVolumeMl' => ['nullable', 'numeric', 'min:0', 'max:100'],
            'settings.coefficient' => ['nullable', 'numeric', 'between:0,0.1'],
            'settings.celsius' => ['nullable', 'numeric', 'between:0,50'],
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
            'standards.*.value.numeric' => 'The value of standard :position must be a number, like 6.86.',
            'standards.*.uncertainty.*' => 'The ± of standard :position must be a number, 0 or more.',
            'settings.barometerKpa.*' => 'The barometer must be a number between 50 and 110 kPa: read it at this place, not reduced to sea level.',
            'settings.boreMm.*' => 'The inner diameter of the syringe must be a number above 0 mm, at most 200.',
            'settings.coefficient.*' => 'The temperature coefficient must lie between 0 and 0.1 per °C; 0.0191 fits dilute salts.',
            'settings.celsius.*' => 'The temperature of the standards must lie between 0 and 50 °C.',
            'settings.deadVolumeMl.*' => 'The dead volume must be a number of mL from 0 to 100.',
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
            StandardSource::Weight => Standard::weight((float) ($one['code'] ?? $value)),
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
        [$from, $to] = self::RANGES[$unit] ?? [-1e6, 1e6];
        if ((float) $value < $from || (float) $value > $to) {
            $this->fail($number, "must lie between {$from} and {$to} {$unit}");
        }
        $shown = $unit === 'pH' ? number_format((float) $value, 2) : json_encode((float) $value)." {$unit}";

        return Standard::typed($label === '' ? $shown : $label, (float) $value, $uncertainty, $unit);
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

        return $calibration instanceof Calibration ? $calibration->unit : $this->recipe()->unit($this->kind());
    }

    private function probe(): Probe
    {
        $calibration = $this->route('calibration');
        $probe = $calibration instanceof Calibration ? $calibration->probe : $this->route('probe');

        return $probe instanceof Probe ? $probe : throw new \LogicException('This request belongs to routes of a probe or a calibration.');
    }
}

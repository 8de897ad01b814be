<?php

declare(strict_types=1);

namespace App\Http\Rules;

use Welkion\Core\Titration\VolumeRange;

/** What a typed plan of volumes must be. */
final class PlanRules
{
    public const MESSAGES = [
        '*.required' => 'Each range of the plan needs a first volume, a last volume and a step.',
        'plan.*.*.required' => 'Each range of the plan needs a first volume, a last volume and a step.',
    ];

    private const MOST_RANGES = 12;

    /**
     * @param  list<string>  $presence
     * @return array<string, list<mixed>>
     */
    public static function ranges(string $field, array $presence): array
    {
        return [$field => [...$presence, 'array', 'list', 'min:1', 'max:'.self::MOST_RANGES], "{$field}.*" => ['array']] + self::range("{$field}.*");
    }

    /** @return array<string, list<mixed>> */
    public static function range(string $field): array
    {
        return [
            "{$field}.from" => ['required', Within::of('The first volume', 0.0, VolumeRange::LARGEST_ML, 'mL')],
            "{$field}.to" => ['required', Within::of('The last volume', 0.0, VolumeRange::LARGEST_ML, 'mL')],
            "{$field}.step" => ['required', Within::of('The step', VolumeRange::SMALLEST_STEP_ML, VolumeRange::LARGEST_ML, 'mL')],
        ];
    }
}

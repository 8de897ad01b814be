<?php

declare(strict_types=1);

namespace App\Http\Rules;

use App\Exceptions\Refusal;
use Welkion\Core\Notebook\StepPlan;

/** What a typed plan of steps must look like; whether it can be is the core's to say. */
final class PlanRules
{
    /** @return array<string, list<mixed>> */
    public static function rules(string $field): array
    {
        return [
            $field => ['sometimes', 'array'],
            "{$field}.ranges" => ['sometimes', 'array', 'list', 'max:20'],
            "{$field}.ranges.*" => ['array:from,to,step'],
            "{$field}.ranges.*.*" => ['numeric'],
            "{$field}.steps" => ['sometimes', 'array', 'list', 'max:'.StepPlan::MOST_STEPS],
            "{$field}.steps.*" => [self::step(...)],
        ];
    }

    public const MESSAGES = ['*.ranges.*.*.numeric' => 'Each range of the plan needs a first value, a last value and a step.'];

    /** @throws Refusal never; the rule tells by itself */
    private static function step(string $attribute, mixed $value, \Closure $fail): void
    {
        if (! is_int($value) && ! (is_float($value) && is_finite($value)) && ! (is_string($value) && trim($value) !== '' && mb_strlen($value) <= 60)) {
            $fail('A step is a number or a word of at most 60 letters.');
        }
    }

    /**
     * Numbers as numbers, however they came.
     *
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    public static function read(array $plan): array
    {
        if (is_array($plan['ranges'] ?? null)) {
            $plan['ranges'] = array_map(static fn (mixed $r): array => array_map(static fn (mixed $n): float => is_numeric($n) ? (float) $n : NAN, is_array($r) ? $r : []), $plan['ranges']);
        }

        return $plan;
    }
}

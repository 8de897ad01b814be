<?php

declare(strict_types=1);

namespace App\Http\Rules;

use App\Exceptions\Refusal;
use Welkion\Core\Notebook\StepLimits;
use Welkion\Core\Notebook\StepPlan;
use Welkion\Core\Notebook\TimedPlan;

/** What a typed plan of a run must look like; whether it can be is the core's to say. */
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
            "{$field}.rate" => ['sometimes', 'numeric'],
            "{$field}.length" => ['sometimes', 'nullable', 'numeric'],
            "{$field}.begin" => ['sometimes', 'nullable', 'array:when,column,level,within,before'],
            "{$field}.end" => ['sometimes', 'nullable', 'array:when,column,level,within'],
            "{$field}.steps" => ['sometimes', 'array', 'list', 'max:'.StepPlan::MOST_STEPS],
            "{$field}.steps.*" => [self::step(...)],
        ];
    }

    public const MESSAGES = ['*.rate.*' => 'Say how often in readings a second, as a number.', '*.length.*' => 'Say how long in seconds, as a number.', '*.ranges.*.*.numeric' => 'Each range of the plan needs a first value, a last value and a step.'];

    /** @throws Refusal never; the rule tells by itself */
    private static function step(string $attribute, mixed $value, \Closure $fail): void
    {
        if (! is_int($value) && ! (is_float($value) && is_finite($value)) && ! (is_string($value) && trim($value) !== '' && mb_strlen($value) <= 60)) {
            $fail('A step is a number or a word of at most 60 letters.');
        }
    }

    /**
     * @param  array<array-key, mixed>  $plan  as typed
     * @param  \Closure(): StepLimits  $limits  of a stepwise one
     */
    public static function plan(array $plan, \Closure $limits): StepPlan|TimedPlan
    {
        return isset($plan['rate']) ? TimedPlan::fromArray($plan) : StepPlan::fromArray(self::read($plan), $limits());
    }

    /**
     * Numbers as numbers, however they came.
     *
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    private static function read(array $plan): array
    {
        if (is_array($plan['ranges'] ?? null)) {
            $plan['ranges'] = array_map(static fn (mixed $r): array => array_map(static fn (mixed $n): float => is_numeric($n) ? (float) $n : NAN, is_array($r) ? $r : []), $plan['ranges']);
        }

        return $plan;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;

/** What a stepwise run is to be set to, one after the other: ranges with steps, single values, or words. */
final readonly class StepPlan
{
    public const MOST_STEPS = 500;

    /**
     * @param  list<StepRange>  $ranges  empty for single values and words
     * @param  list<float|string>  $steps
     */
    private function __construct(public array $ranges, public array $steps, private StepLimits $limits)
    {
    }

    /**
     * @param  list<StepRange>  $ranges  at least one
     *
     * @throws InvalidQuantity If there is no range, one begins before the last ended, or there are too many steps.
     */
    public static function ofRanges(array $ranges, StepLimits $limits): self
    {
        if ($ranges === []) {
            throw new InvalidQuantity('A plan needs at least one range.');
        }
        for ($i = 1, $n = count($ranges); $i < $n; $i++) {
            $direction = $ranges[$i - 1]->direction() ?: $ranges[$i]->direction();
            if (($ranges[$i]->from - $ranges[$i - 1]->to) * $direction < 0.0) {
                throw new InvalidQuantity(sprintf(
                    'Range %d starts at %s, before the one above it ends at %s. Start it there or later.',
                    $i + 1, self::shown($ranges[$i]->from, $limits), self::shown($ranges[$i - 1]->to, $limits),
                ));
            }
        }
        self::requireFew(array_sum(array_map(static fn (StepRange $r): int => $r->count(), $ranges)));
        $steps = [];
        foreach ($ranges as $range) {
            foreach ($range->values() as $value) {
                if ($steps === [] || abs($value - $steps[count($steps) - 1]) > $limits->same()) {
                    $steps[] = $value;
                }
            }
        }

        return new self($ranges, $steps, $limits);
    }

    /**
     * @param  list<float|string>  $steps  each once
     *
     * @throws InvalidQuantity If a value lies outside of the limits, comes twice, or there are too many.
     */
    public static function ofSteps(array $steps, StepLimits $limits): self
    {
        self::requireFew(count($steps));
        foreach ($steps as $i => $step) {
            if (is_float($step) && ! ($step >= $limits->least && $step <= $limits->most)) {
                throw InvalidQuantity::outOfRange('step', $step, $limits->least, $limits->most, $limits->unit->symbol);
            }
            foreach (array_slice($steps, 0, $i) as $other) {
                if (self::isSame($step, $other, $limits)) {
                    throw new InvalidQuantity(sprintf('The step %s comes twice.', is_float($step) ? self::shown($step, $limits) : "\"{$step}\""));
                }
            }
        }

        return new self([], $steps, $limits);
    }

    /**
     * As it is written down: {"ranges": [{"from", "to", "step"}]} or {"steps": [...]}.
     *
     * @param  array<array-key, mixed>  $plan
     *
     * @throws InvalidQuantity If it is no plan.
     */
    public static function fromArray(array $plan, StepLimits $limits): self
    {
        $fields = new Fields($plan);
        if (is_array($plan['ranges'] ?? null)) {
            return self::ofRanges(array_map(static fn (Fields $r): StepRange => StepRange::of(
                $r->number('from') ?? NAN, $r->number('to') ?? NAN, $r->number('step') ?? NAN, $limits,
            ), $fields->things('ranges')), $limits);
        }

        return self::ofSteps(array_values(array_map(
            static fn (mixed $s): float|string => is_int($s) || is_float($s) ? (float) $s : (is_string($s) ? $s : ''), $fields->fields('steps')->all,
        )), $limits);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->ranges === [] ? ['steps' => $this->steps]
            : ['ranges' => array_map(static fn (StepRange $r): array => ['from' => $r->from, 'to' => $r->to, 'step' => $r->step], $this->ranges)];
    }

    /** +1 where all steps rise, -1 where all fall, 0 for words and for plans that go up and down. */
    public function direction(): int
    {
        $ways = [];
        for ($i = 1, $n = count($this->steps); $i < $n; $i++) {
            [$a, $b] = [$this->steps[$i - 1], $this->steps[$i]];
            $ways[] = is_float($a) && is_float($b) ? $b <=> $a : 0;
        }
        $ways = array_values(array_unique($ways));

        return count($ways) === 1 ? $ways[0] : 0;
    }

    /**
     * The steps still to come after those that were taken.
     *
     * @param  list<float|string>  $taken
     * @return list<float|string>
     */
    public function remaining(array $taken): array
    {
        $direction = $this->direction();
        $numbers = array_values(array_filter($taken, is_float(...)));
        if ($direction !== 0) {
            $reached = $numbers === [] ? -INF : max(array_map(static fn (float $v): float => $direction * $v, $numbers));

            return array_values(array_filter($this->steps, fn (float|string $s): bool => is_float($s) && $direction * $s > $reached + $this->limits->same()));
        }

        return array_values(array_filter($this->steps, fn (float|string $s): bool => ! $this->isIn($s, $taken)));
    }

    /**
     * Whether a step stands among others.
     *
     * @param  list<float|string>  $others
     */
    public function isIn(float|string $step, array $others): bool
    {
        foreach ($others as $other) {
            if (self::isSame($step, $other, $this->limits)) {
                return true;
            }
        }

        return false;
    }

    /** The same plan of ranges, but from one value to another in finer steps; what lies before and after stays. */
    public function refined(float $from, float $to, float $step): self
    {
        $same = $this->limits->same();
        $direction = $this->direction() ?: 1;
        $ranges = [];
        $before = static fn (float $a, float $b): bool => ($b - $a) * $direction > $same;
        foreach ($this->ranges as $range) {
            if ($before($range->from, $from)) {
                $kept = array_filter($range->values(), static fn (float $v): bool => ! $before($from, $v));
                $ranges[] = StepRange::of($range->from, end($kept) === false ? $range->from : end($kept), $range->step, $this->limits);
            }
        }
        $ranges[] = StepRange::of($from, $to, $step, $this->limits);
        foreach ($this->ranges as $range) {
            if ($before($to, $range->to)) {
                $kept = array_filter($range->values(), static fn (float $v): bool => $before($to, $v));
                $ranges[] = StepRange::of(reset($kept) === false ? $range->to : reset($kept), $range->to, $range->step, $this->limits);
            }
        }

        return self::ofRanges($ranges, $this->limits);
    }

    public static function isSame(float|string $a, float|string $b, StepLimits $limits): bool
    {
        return is_float($a) && is_float($b) ? abs($a - $b) <= $limits->same() : $a === $b;
    }

    private static function requireFew(int|float $count): void
    {
        if ($count > self::MOST_STEPS) {
            throw new InvalidQuantity("This plan has {$count} steps; at most ".self::MOST_STEPS.' fit. Take larger steps.');
        }
    }

    private static function shown(float $value, StepLimits $limits): string
    {
        return trim(json_encode($value).' '.$limits->unit->symbol);
    }
}

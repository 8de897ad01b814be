<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Exception\InvalidQuantity;

/** The burette volumes at which readings are to be taken: ranges with steps, one after the other. */
final readonly class VolumePlan
{
    /** Volumes closer than this are the same step. */
    public const SAME_ML = 0.004;

    public const DECIMALS = 3;

    private const MOST_STEPS = 500;

    /** @param  list<VolumeRange>  $ranges */
    private function __construct(public array $ranges)
    {
    }

    /**
     * @param  list<VolumeRange>  $ranges  at least one
     *
     * @throws InvalidQuantity If there is no range, one starts before the last ended, or there are too many steps.
     */
    public static function of(array $ranges): self
    {
        if ($ranges === []) {
            throw new InvalidQuantity('A plan needs at least one range of volumes.');
        }
        for ($i = 1, $n = count($ranges); $i < $n; $i++) {
            if ($ranges[$i]->from < $ranges[$i - 1]->to) {
                throw new InvalidQuantity(sprintf(
                    'Range %d starts at %s mL, before the one above it ends at %s mL. Start it there or later.',
                    $i + 1,
                    json_encode($ranges[$i]->from),
                    json_encode($ranges[$i - 1]->to),
                ));
            }
        }
        $plan = new self($ranges);
        $count = count($plan->volumes());
        if ($count > self::MOST_STEPS) {
            throw new InvalidQuantity("This plan has {$count} steps; at most ".self::MOST_STEPS.' fit. Take larger steps.');
        }

        return $plan;
    }

    /** @return list<float> rising volumes in mL, each once */
    public function volumes(): array
    {
        $volumes = [];
        foreach ($this->ranges as $range) {
            foreach ($range->volumes() as $volume) {
                if ($volumes === [] || $volume - $volumes[count($volumes) - 1] > self::SAME_ML) {
                    $volumes[] = $volume;
                }
            }
        }

        return $volumes;
    }

    /**
     * The planned volumes still to come after what was taken.
     *
     * @param  list<float>  $taken  volumes in mL at which a reading stands
     * @return list<float>
     */
    public function remaining(array $taken): array
    {
        $reached = $taken === [] ? -INF : max($taken);

        return array_values(array_filter(
            $this->volumes(),
            static fn (float $volume): bool => $volume > $reached + self::SAME_ML,
        ));
    }

    /** The same plan, but from one volume to another in finer steps; what lies before and after stays. */
    public function refined(float $from, float $to, float $step): self
    {
        $ranges = [];
        foreach ($this->ranges as $range) {
            if ($range->from < $from - self::SAME_ML) {
                $before = array_filter($range->volumes(), static fn (float $v): bool => $v <= $from + self::SAME_ML);
                $ranges[] = VolumeRange::of($range->from, max($range->from, ...$before), $range->step);
            }
        }
        $ranges[] = VolumeRange::of($from, $to, $step);
        foreach ($this->ranges as $range) {
            if ($range->to > $to + self::SAME_ML) {
                $after = array_filter($range->volumes(), static fn (float $v): bool => $v > $to + self::SAME_ML);
                $ranges[] = VolumeRange::of(min($range->to, ...$after), $range->to, $range->step);
            }
        }

        return self::of($ranges);
    }
}

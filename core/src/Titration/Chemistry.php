<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

/**
 * A guess at what is in the beaker: acid groups that give up protons one after the other, and strong acid.
 *
 * Amounts are told in mL of titrant. A base titrated with acid is the same seen from below: pOH for pH.
 *
 * @internal used by ChargeBalance and ChargeBalanceFit
 */
final readonly class Chemistry
{
    /**
     * @param  list<list<float>>  $groups  for each group, its amount as a sum over the free amounts
     * @param  list<float>  $strong  the amount of strong acid as a sum over the free amounts; negative for groups that
     *                               have given up protons before the start
     * @param  list<float>  $amounts  starting values of the free amounts, mL
     * @param  list<float>  $pKs  starting values, one for each group, rising
     */
    private function __construct(public array $groups, public array $strong, public array $amounts, public array $pKs)
    {
    }

    /**
     * What may give jumps at these volumes.
     *
     * @param  non-empty-list<float>  $jumps  mL, rising
     * @param  callable(float): float  $phAt  the pH at a volume (pOH for a base)
     * @return list<self>
     */
    public static function guesses(array $jumps, callable $phAt): array
    {
        $first = $jumps[0];
        $last = $jumps[count($jumps) - 1];
        if (count($jumps) === 1) {
            return [
                new self([], [1.0], [$first], []),
                ...array_map(static fn (int $groups): self => self::alike($groups, $first / $groups, 0, $phAt), [1, 2, 3]),
                self::alike(2, $first, 0, $phAt, $first),
                self::alike(2, $first, 1, $phAt),
            ];
        }
        $second = $jumps[1];
        $between = $phAt(($first + $second) / 2.0);
        $guesses = [
            self::alike(count($jumps), $last / count($jumps), 0, $phAt),
            self::alike(count($jumps) + 1, $last / count($jumps), 0, $phAt, $last),
            self::alike(count($jumps) + 1, $last / count($jumps), 1, $phAt),
        ];
        if (count($jumps) === 2) {
            $guesses[] = new self([[0.0, 1.0]], [1.0, 0.0], [$first, $second - $first], [$between]);
            $guesses[] = new self([[1.0, 0.0], [0.0, 1.0]], [0.0, 0.0], [$first, $second - $first], [$phAt($first / 2.0), $between]);
        }

        return $guesses;
    }

    /** @return list<float> for each equivalence point, the first first, its volume as a sum over the free amounts */
    public function equivalence(int $point): array
    {
        $sum = $this->strong;
        $isStrongFirst = max(0.0, ...$this->strong) > 0.0;
        // A strong acid is neutralised before any group, so it has an equivalence point of its own.
        $groups = $isStrongFirst ? $point : $point + 1;
        foreach (array_slice($this->groups, 0, $groups) as $group) {
            foreach ($group as $m => $share) {
                $sum[$m] += $share;
            }
        }

        return array_values($sum);
    }

    /** How many equivalence points it has. */
    public function pointCount(): int
    {
        return count($this->groups) + (max(0.0, ...$this->strong) > 0.0 ? 1 : 0);
    }

    /**
     * An acid of several groups of the same amount.
     *
     * @param  callable(float): float  $phAt
     * @param  float|null  $until  volume up to which the pKa can be read; groups beyond it react after all jumps
     */
    private static function alike(int $groups, float $amount, int $goneBefore, callable $phAt, ?float $until = null): self
    {
        $pKs = [];
        for ($group = 0; $group < $groups; $group++) {
            $half = ($group + 0.5 - $goneBefore) * $amount;
            $pKs[] = match (true) {
                $half < 0.0 => 2.0 * $phAt(0.0) - $phAt($amount / 2.0),
                $until !== null && $half > $until => 11.5,
                default => $phAt($half),
            };
        }
        // Groups read from nearly the same pH are set a little apart.
        for ($group = 1; $group < $groups; $group++) {
            $pKs[$group] = max($pKs[$group], $pKs[$group - 1] + 0.7);
        }

        return new self(array_fill(0, $groups, [1.0]), [-1.0 * $goneBefore], [$amount], array_values($pKs));
    }
}

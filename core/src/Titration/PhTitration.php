<?php

declare(strict_types=1);

namespace Welkion\Core\Titration;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Exception\UnequalLengths;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;

/** Everything a titration curve of pH tells: jumps, refined volumes, half-way pH, and what to watch. */
final readonly class PhTitration
{
    /** A part missed from reading to reading that shows in the result. */
    private const LAG_THAT_MATTERS = 0.02;

    /** Standard uncertainty of a calibrated electrode beside its scatter, in pH. */
    public const ELECTRODE = 0.01;

    /**
     * @param  list<EquivalencePoint>  $jumps
     * @param  list<HalfEquivalence>  $halves
     * @param  Measured|null  $gran  cross-check of the first jump, in mL
     * @param  list<Warning>  $warnings
     */
    private function __construct(
        public TitrationCurve $curve,
        public array $jumps,
        public ?RefinedTitration $refined,
        public array $halves,
        public ?Measured $gran,
        public array $warnings,
    ) {
    }

    /**
     * @param  list<float>  $millilitres  in any order
     * @param  list<float>  $ph  same length as $millilitres
     * @param  float|null  $titrant  mol/L, if known
     * @param  float|null  $sample  mL, if known
     * @param  float  $volumeUncertainty  standard uncertainty of one burette reading, mL
     *
     * @throws UnequalLengths If the columns differ in length.
     * @throws NotEnoughPoints If there are fewer than five different volumes.
     * @throws InvalidQuantity If a number is not finite.
     */
    public static function of(array $millilitres, array $ph, ?float $titrant = null, ?float $sample = null, float $volumeUncertainty = 0.0): self
    {
        $curve = TitrationCurve::of($millilitres, $ph);
        $finder = new EquivalenceFinder($volumeUncertainty);
        $jumps = $finder->find($curve);
        $refined = $jumps === [] ? null : (new ChargeBalanceFit)->refine($curve, $jumps, $titrant, $sample);
        if ($refined !== null) {
            // What a fast electrode would have shown, with the scatter the whole curve tells: jumps lie where they belong.
            $again = $finder->find($curve->understood($refined->lag > self::LAG_THAT_MATTERS ? $refined->lag : 0.0, $refined->scatter));
            $jumps = count($again) === count($jumps) ? $again : $jumps;
            // Where the whole curve speaks of another volume, the points around the jump know it less well than they seem.
            $jumps = array_map(static fn (EquivalencePoint $jump, Measured $other): EquivalencePoint => $jump->besides($other), $jumps, $refined->volumes);
        }
        $halves = [];
        foreach ($jumps as $i => $jump) {
            $half = HalfEquivalence::of($curve, $jump->volume, hypot(self::ELECTRODE, $curve->noise), ($jumps[$i - 1] ?? null)?->volume);
            if ($half !== null) {
                $halves[] = $half;
            }
        }

        return new self($curve, $jumps, $refined, $halves,
            $jumps === [] ? null : GranLine::of($curve, $jumps[0], $sample),
            TitrationWarnings::of($curve, $jumps, $refined));
    }

    /** The best equivalence volume of a jump, counted from 0: refined where possible. */
    public function volume(int $jump): Measured
    {
        return $this->refined->volumes[$jump] ?? $this->jumps[$jump]->volume;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Linear\LeastSquares;
use Welkion\Core\Uncertainty\Covariance;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Shares;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;

/**
 * raw = offset + slope (value - reference), from one standard, from two, or by least squares from more.
 *
 * Each point is weighted by what its standard and its scatter allow; if the points stray more than that from the
 * line, the uncertainties grow with them (Bevington and Robinson, Data Reduction and Error Analysis, 3rd edition,
 * chapter 6). Uncertainties are standard uncertainties.
 */
final readonly class CalibrationLine
{
    /** The slope enters the weights only through the standards' uncertainty; two rounds settle it. */
    private const ROUNDS = 3;

    /**
     * @param  float  $slope  raw unit per unit of the quantity, with its sign
     * @param  float  $offset  raw signal at the reference
     * @param  float  $covariance  of slope and offset
     * @param  float  $reference  value of the quantity where the offset is told
     */
    private function __construct(
        public float $slope,
        public float $slopeUncertainty,
        public float $offset,
        public float $offsetUncertainty,
        public float $covariance,
        public float $reference,
    ) {
    }

    /**
     * @param  list<StandardReading>  $readings
     *
     * @throws NotEnoughPoints If there are fewer than two different standards.
     */
    public static function through(array $readings, float $reference = 0.0): self
    {
        $x = array_map(static fn (StandardReading $r): float => $r->value - $reference, $readings);
        $y = array_map(static fn (StandardReading $r): float => $r->raw, $readings);
        $different = count(array_unique($x));
        if ($different < 2) {
            throw NotEnoughPoints::need('A calibration line', 2, $different);
        }
        $ones = array_fill(0, count($x), 1.0);
        $weights = null;
        $fit = LeastSquares::solve([$ones, $x], $y);
        for ($round = 1; $round < self::ROUNDS && $fit !== null; $round++) {
            $weights = self::weights($readings, $fit->constants[1]);
            $fit = LeastSquares::solve([$ones, $x], $y, $weights);
        }
        if ($fit === null) {
            throw NotEnoughPoints::need('A calibration line', 2, 1);
        }
        $freedom = count($x) - 2;
        $strain = $freedom > 0 ? $fit->residualSumOfSquares / $freedom : 0.0;
        // Points that lie closer to the line than they had to do not make the standards better than they are.
        $variance = $weights === null ? $strain : max(1.0, $strain);

        return new self(
            slope: $fit->constants[1],
            slopeUncertainty: sqrt($variance * $fit->inverseGram[1][1]),
            offset: $fit->constants[0],
            offsetUncertainty: sqrt($variance * $fit->inverseGram[0][0]),
            covariance: $variance * $fit->inverseGram[0][1],
            reference: $reference,
        );
    }

    /**
     * A line of known slope moved onto one standard: offset only.
     *
     * @throws InvalidQuantity If the line has no slope.
     */
    public static function shifted(self $line, StandardReading $reading): self
    {
        self::requireSlope($line->slope);
        $distance = $reading->value - $line->reference;

        return new self(
            slope: $line->slope,
            slopeUncertainty: $line->slopeUncertainty,
            offset: $reading->raw - $line->slope * $distance,
            offsetUncertainty: hypot(self::pointError($reading, $line->slope), $distance * $line->slopeUncertainty),
            covariance: -$distance * $line->slopeUncertainty ** 2,
            reference: $line->reference,
        );
    }

    /**
     * The line from no signal at the reference to one standard: slope only.
     *
     * @throws InvalidQuantity If the standard is the reference itself, or gives no signal.
     */
    public static function fromReference(StandardReading $reading, float $reference = 0.0): self
    {
        $distance = $reading->value - $reference;
        if ($distance === 0.0) {
            throw new InvalidQuantity("The standard {$reading->label} is where the line begins; a slope needs another.");
        }
        $slope = $reading->raw / $distance;
        self::requireSlope($slope);

        return new self($slope, self::pointError($reading, $slope) / abs($distance), 0.0, 0.0, 0.0, $reference);
    }

    /** A line as it was kept, or as a maker states it. */
    public static function kept(
        float $slope,
        float $slopeUncertainty,
        float $offset,
        float $offsetUncertainty,
        float $covariance = 0.0,
        float $reference = 0.0,
    ): self {
        return new self($slope, $slopeUncertainty, $offset, $offsetUncertainty, $covariance, $reference);
    }

    /** Whether a signal says something by it: all of it finite, and a slope that can be divided by. */
    public function isUsable(): bool
    {
        $numbers = [$this->slope, $this->slopeUncertainty, $this->offset, $this->offsetUncertainty, $this->covariance, $this->reference];

        return array_filter($numbers, is_finite(...)) === $numbers && $this->slope !== 0.0 && is_finite(1.0 / $this->slope);
    }

    /** Value of the quantity for a raw signal. */
    public function valueOf(float $raw): float
    {
        return $this->reference + ($raw - $this->offset) / $this->slope;
    }

    /** Standard uncertainty of that value, from the line and from the raw signal's own uncertainty. */
    public function uncertaintyOf(float $raw, float $rawUncertainty = 0.0): float
    {
        $distance = ($raw - $this->offset) / $this->slope;
        $variance = $rawUncertainty ** 2 + $this->offsetUncertainty ** 2
            + $distance ** 2 * $this->slopeUncertainty ** 2 + 2.0 * $distance * $this->covariance;

        return sqrt(max(0.0, $variance)) / abs($this->slope);
    }

    /**
     * The value with its uncertainty divided by where it comes from: the line's constants, with their covariance, and the
     * scatter of the raw signal (JCGM 100:2008, 5.2.2).
     *
     * @param  Source|null  $source  what the line is called; null: known to nobody else
     */
    public function measured(float $raw, float $rawUncertainty, Unit $unit, ?Source $source = null): Measured
    {
        $distance = ($raw - $this->offset) / $this->slope;
        $source ??= Source::unnamed('calibration');
        // Two independent parts from which offset and slope come with their covariance.
        [[$offset], [$slope, $slopeAlone]] = Covariance::halves([
            [$this->offsetUncertainty ** 2, $this->covariance], [$this->covariance, $this->slopeUncertainty ** 2],
        ]);

        return Measured::with($this->valueOf($raw), $unit, Shares::combined([
            [Shares::of($source->part(0), 1.0), -($offset + $distance * $slope) / $this->slope],
            [Shares::of($source->part(1), 1.0), -$distance * $slopeAlone / $this->slope],
            [Shares::of(Source::unnamed('scatter of the reading'), $rawUncertainty), 1.0 / $this->slope],
        ]));
    }

    /** Raw signal the line gives at a value of the quantity. */
    public function rawAt(float $value): float
    {
        return $this->offset + $this->slope * ($value - $this->reference);
    }

    /** The same line for a zero taken at this raw signal: from then on it reads 0 there. */
    public function zeroedAt(float $raw): self
    {
        return new self(
            $this->slope, $this->slopeUncertainty, $raw + $this->slope * $this->reference, 0.0, 0.0, $this->reference,
        );
    }

    /**
     * @param  list<StandardReading>  $readings
     * @return list<float>|null null if nothing is known of a point: then all weigh the same
     */
    private static function weights(array $readings, float $slope): ?array
    {
        $weights = [];
        foreach ($readings as $reading) {
            $error = self::pointError($reading, $slope);
            if ($error <= 0.0) {
                return null;
            }
            $weights[] = $error ** -2;
        }

        return $weights;
    }

    private static function pointError(StandardReading $reading, float $slope): float
    {
        return hypot($reading->valueUncertainty * $slope, $reading->scatter);
    }

    private static function requireSlope(float $slope): void
    {
        if (! is_finite($slope) || $slope === 0.0) {
            throw new InvalidQuantity('The signal does not change with the quantity, so there is no line. Check that the probe is connected.');
        }
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Linear\LeastSquares;
use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Uncertainty\StudentT;
use Welkion\Core\Units\Unit;

/** A probe whose raw signal rises or falls evenly with its quantity: temperature, pressure, force, position, voltage. */
final readonly class LinearCalibration implements ProbeCalibration
{
    public const GOOD_SHARE = 0.05;

    public const FAIR_SHARE = 0.15;

    /** A bend is real when chance gives one as large in one of a hundred straight lines, ... */
    private const BEND_CHANCE = 0.01;

    /** ... and matters when it moves the middle of the range by this share of it. */
    private const BEND_SHARE = 0.005;

    /** Readings that lie off their line by this share of its height are on no line, whatever their shape. */
    private const STRAY_SHARE = 0.03;

    /**
     * @param  CalibrationLine|null  $expected  the line the maker states, to judge this one by
     * @param  list<int>  $clipped  positions of readings at an end of the range, not used in the line
     * @param  bool  $bends  whether the readings curve away from a straight line
     */
    private function __construct(
        private CalibrationLine $line,
        public Unit $unit,
        private Unit $rawUnit,
        private ?CalibrationLine $expected,
        public array $clipped,
        public bool $bends,
    ) {
    }

    /**
     * @param  list<StandardReading>  $readings  values in $unit
     *
     * @throws NotEnoughPoints If there are fewer than two different standards inside the probe's range.
     */
    public static function from(array $readings, Unit $unit, Unit $rawUnit, ?CalibrationLine $expected = null): self
    {
        $clipped = ClippedReadings::find($readings);
        $used = array_values(array_diff_key($readings, array_flip($clipped)));

        return new self(CalibrationLine::through($used), $unit, $rawUnit, $expected, $clipped, self::hasBend($used));
    }

    public static function of(CalibrationLine $line, Unit $unit, Unit $rawUnit, ?CalibrationLine $expected = null): self
    {
        return new self($line, $unit, $rawUnit, $expected, [], false);
    }

    public function line(): CalibrationLine
    {
        return $this->line;
    }

    public function quantity(float $raw, float $rawUncertainty = 0.0, ?float $celsius = null, ?Source $source = null): Measured
    {
        return $this->line->measured($raw, $rawUncertainty, $this->unit, $source);
    }

    public function verdict(): Verdict
    {
        $share = $this->expected === null ? 0.0 : $this->line->slope / $this->expected->slope - 1.0;
        $percent = str_replace('-', '−', sprintf('%+.1F %%', 100.0 * $share));

        return match (true) {
            $this->bends => new Verdict('bent', Grade::Fair, 'Not a straight line.',
                'The readings leave the line. Check each standard; if they are right, use the probe only near them.'),
            $this->clipped !== [] => new Verdict('clipped', Grade::Fair, 'The probe reached the end of its range.',
                'Readings that stand still at the end are left out of the line. Use it only inside its range.'),
            abs($share) <= self::GOOD_SHARE => new Verdict('straight', Grade::Good, 'Sound probe.', $this->expected === null
                ? 'The readings lie on a straight line.'
                : "Its slope is {$percent} from what its maker states. Keep this line."),
            abs($share) <= self::FAIR_SHARE => new Verdict('off', Grade::Fair, 'Usable, but changed.',
                "Its slope is {$percent} from what its maker states. Check the standards once more; usable with this line."),
            default => new Verdict('far_off', Grade::Poor, 'Far from what it should be.',
                "Its slope is {$percent} from what its maker states. A standard is another than it says, or the probe is damaged."),
        };
    }

    public function keyFigures(): array
    {
        $share = $this->expected === null ? null : 100.0 / $this->expected->slope;

        return [
            $share === null
                ? new KeyFigure("for one {$this->unit->symbol}", Measured::of($this->line->slope, $this->line->slopeUncertainty, $this->rawUnit))
                : new KeyFigure(
                    'of the stated slope',
                    Measured::of($share * $this->line->slope, abs($share) * $this->line->slopeUncertainty, Unit::parse('%')),
                    100.0 * (1.0 - self::GOOD_SHARE), 100.0 * (1.0 + self::GOOD_SHARE),
                    100.0 * (1.0 - self::FAIR_SHARE), 100.0 * (1.0 + self::FAIR_SHARE),
                ),
            new KeyFigure("at 0 {$this->unit->symbol}", Measured::of($this->line->offset, $this->line->offsetUncertainty, $this->rawUnit)),
        ];
    }

    /**
     * Whether the readings lie far off their line, or a squared term is significant and large enough to matter.
     *
     * @param  list<StandardReading>  $readings
     */
    private static function hasBend(array $readings): bool
    {
        $n = count($readings);
        $values = array_map(static fn (StandardReading $r): float => $r->value, $readings);
        if ($n < 4 || count(array_unique($values)) < 4) {
            return false;
        }
        [$low, $high] = [min($values), max($values)];
        // From -1 to 1, where powers are well told apart and 1 - x^2 is the height of the bend in the middle.
        $x = array_map(static fn (float $v): float => (2.0 * $v - $low - $high) / ($high - $low), $values);
        $raw = array_map(static fn (StandardReading $r): float => $r->raw, $readings);
        $line = StraightLine::through($x, $raw);
        if ($line->scatter > self::STRAY_SHARE * abs(2.0 * $line->slope)) {
            return true;
        }
        $fit = LeastSquares::solve([array_fill(0, $n, 1.0), $x, array_map(static fn (float $v): float => $v * $v, $x)], $raw);
        if ($fit === null) {
            return false;
        }
        $bend = abs($fit->constants[2]);
        $error = max($fit->standardErrors()[2], ...array_map(static fn (StandardReading $r): float => $r->scatter, $readings));

        return $bend > StudentT::quantile(1.0 - self::BEND_CHANCE / 2.0, $n - 3) * $error
            && $bend > self::BEND_SHARE * abs(2.0 * $fit->constants[1]);
    }
}

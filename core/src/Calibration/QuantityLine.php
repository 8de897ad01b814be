<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Uncertainty\Source;

/**
 * A calibration at one temperature as straight lines in the raw signal: of the quantity, and of what each of its constants moves it
 * by. Two points of it tell all others, so that a hundred thousand samples are worked out as fast as they are read.
 */
final readonly class QuantityLine
{
    /**
     * @param  array<string, Source>  $sources  by identity
     * @param  array<string, array{float, float}>  $shares  at 0 and for each unit of the raw signal
     */
    private function __construct(private float $offset, private float $slope, public float $scatter, public array $sources, private array $shares)
    {
    }

    /**
     * @param  float  $rawUncertainty  standard uncertainty of the raw signal, the same for all
     * @param  float|null  $celsius  temperature of the sample; that of the standards if not known
     * @param  Source|null  $source  what the line is called: two quantities by the same one err together
     * @return self|null null if nothing can be worked out by it
     */
    public static function of(ProbeCalibration $by, float $rawUncertainty, ?float $celsius, ?Source $source): ?self
    {
        try {
            [$at0, $at1] = [$by->quantity(0.0, $rawUncertainty, $celsius, $source), $by->quantity(1.0, $rawUncertainty, $celsius, $source)];
        } catch (CoreException|\ArithmeticError) {
            return null;
        }
        $sources = [];
        $shares = [];
        $scatter = 0.0;
        foreach ([$at0, $at1] as $raw => $quantity) {
            foreach ($quantity->shares->amounts() as [$of, $amount]) {
                if ($of->isNamed()) {
                    $sources[$of->identity()] = $of;
                    $shares[$of->identity()][$raw] = $amount;
                } elseif ($raw === 0) {
                    $scatter = hypot($scatter, $amount);
                }
            }
        }

        return new self($at0->value, $at1->value - $at0->value, $scatter, $sources, array_map(
            static fn (array $at): array => [$at[0] ?? 0.0, ($at[1] ?? 0.0) - ($at[0] ?? 0.0)], $shares,
        ));
    }

    /** The quantity for a raw signal, in the unit of the calibration. */
    public function value(float $raw): float
    {
        return $this->offset + $this->slope * $raw;
    }

    /** How far the quantity moves when a source is off by its standard uncertainty. */
    public function share(string $identity, float $raw): float
    {
        return $this->shares[$identity][0] + $this->shares[$identity][1] * $raw;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** A mistake found in the readings of a calibration, in words to read out. */
final readonly class CalibrationFault
{
    public const SAME_STANDARD_TWICE = 'same-standard-twice';

    public const BUFFERS_SWAPPED = 'buffers-swapped';

    public const WRONG_SIGN = 'slope-wrong-sign';

    public const NOT_STEADY = 'not-steady';

    /** @param  bool  $blocks whether the calibration must not be kept as it stands */
    private function __construct(public string $code, public string $sentence, public bool $blocks)
    {
    }

    /** Two readings were taken in the same standard. */
    public static function sameStandardTwice(string $first, string $second, float $differenceMv): self
    {
        return new self(
            self::SAME_STANDARD_TWICE,
            sprintf(
                'The readings for %s and %s differ by only %s mV, as if both were taken in the same standard. '
                .'Rinse, dip into %s and retake it.',
                $first,
                $second,
                number_format($differenceMv, 1),
                $second,
            ),
            true,
        );
    }

    /** The readings fit the standards the other way round. */
    public static function buffersSwapped(string $first, string $second): self
    {
        return new self(
            self::BUFFERS_SWAPPED,
            "The readings only make sense if {$first} and {$second} changed places. "
            .'Check the bottles; if so, exchange the two readings, or retake them.',
            true,
        );
    }

    /** The slope has the sign no electrode has. */
    public static function wrongSign(): self
    {
        return new self(
            self::WRONG_SIGN,
            'The voltage rises with pH, but an electrode falls. Check that the probe is a pH electrode and retake the readings.',
            true,
        );
    }

    /** A reading was taken before the electrode was steady. */
    public static function notSteady(string $label): self
    {
        return new self(
            self::NOT_STEADY,
            "The reading in {$label} was taken while it still drifted. Retake it once it is steady for a line you can trust.",
            false,
        );
    }
}

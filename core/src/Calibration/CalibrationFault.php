<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** A mistake found in the readings of a calibration, in words to read out. */
final readonly class CalibrationFault
{
    public const SAME_STANDARD_TWICE = 'same-standard-twice';

    public const STANDARDS_SWAPPED = 'standards-swapped';

    public const ANOTHER_STANDARD = 'another-standard';

    public const CARRIED_OVER = 'carried-over';

    public const WRONG_SIGN = 'slope-wrong-sign';

    public const NOT_STEADY = 'not-steady';

    public const POOR_FIT = 'poor-fit';

    public const EXPIRED = 'expired-standard';

    public const NOT_TYPED = 'value-not-typed';

    /**
     * @param  bool  $blocks  whether the calibration must not be kept as it stands
     * @param  list<int>  $positions  of the readings concerned, as they were given
     */
    private function __construct(public string $code, public string $sentence, public bool $blocks, public array $positions)
    {
    }

    /**
     * The same fault with positions counted otherwise.
     *
     * @param  list<int>  $places  the new position of each old one
     */
    public function at(array $places): self
    {
        return new self($this->code, $this->sentence, $this->blocks, array_map(static fn (int $i): int => $places[$i], $this->positions));
    }

    /** Two readings were taken in the same standard. */
    public static function sameStandardTwice(string $first, string $second, string $difference, int ...$positions): self
    {
        return new self(
            self::SAME_STANDARD_TWICE,
            "The readings for {$first} and {$second} differ by only {$difference}, as if both were taken in the same standard. "
            ."Rinse, go on to {$second} and retake it.",
            true,
            array_values($positions),
        );
    }

    /** The readings fit the standards the other way round. */
    public static function standardsSwapped(string $first, string $second, int ...$positions): self
    {
        return new self(
            self::STANDARDS_SWAPPED,
            "The readings only make sense if {$first} and {$second} changed places. "
            .'Check which is which; if so, exchange the two readings, or retake them.',
            true,
            array_values($positions),
        );
    }

    /**
     * A reading fits no line a probe of this kind could have.
     *
     * @param  string|null  $fits  the standard it would fit, if there is one
     */
    public static function anotherStandard(string $label, string $signal, ?string $fits, bool $blocks, int $position): self
    {
        return new self(
            self::ANOTHER_STANDARD,
            $fits === null
                ? "{$signal} in {$label} fits no line this probe could have. Check what it stands in and that it is connected, then retake {$label}."
                : "{$signal} in {$label} is what {$fits} would give. Look at the bottle in hand: choose the standard it says, or retake {$label}.",
            $blocks,
            [$position],
        );
    }

    /** The jump between two standards was a little too small. */
    public static function carriedOver(string $first, string $second, float $percent, int $position): self
    {
        return new self(
            self::CARRIED_OVER,
            sprintf(
                'The jump from %s to %s is %.0F %% smaller than at the last calibration, as if some %s stuck to the probe. '
                .'Rinse it, take fresh %s and retake it; if it stays so, the probe has aged.',
                $first, $second, $percent, $first, $second,
            ),
            false,
            [$position],
        );
    }

    /** The slope has the sign no probe of this kind has. */
    public static function wrongSign(): self
    {
        return new self(
            self::WRONG_SIGN,
            'The signal runs the wrong way for this kind of probe. Check which standard is which and retake the readings.',
            true,
            [],
        );
    }

    /** A reading was taken before the probe was steady. */
    public static function notSteady(string $label, int $position): self
    {
        return new self(
            self::NOT_STEADY,
            "The reading in {$label} was taken while it still drifted. Retake it once it is steady for a line you can trust.",
            false,
            [$position],
        );
    }

    /** The probe is not put on as it should. */
    public static function poorFit(string $label, string $shown, string $wanted, int $position): self
    {
        return new self(
            self::POOR_FIT,
            "For a {$label} it should show about {$wanted}, but shows {$shown}. Loosen or tighten it and read it again.",
            false,
            [$position],
        );
    }

    /** The bottle says that it was good until some day, which is over. */
    public static function expired(string $label, string $day, int $position): self
    {
        return new self(
            self::EXPIRED,
            "The bottle of {$label} was good until {$day}. Its value may have moved; open a fresh one, or note that you used it.",
            false,
            [$position],
        );
    }

    /** What was read beside the probe has not been typed. */
    public static function notTyped(string $label, int $position): self
    {
        return new self(self::NOT_TYPED, "Type the value of \"{$label}\", as it was read beside the probe. Until then there is no line.", true, [$position]);
    }
}

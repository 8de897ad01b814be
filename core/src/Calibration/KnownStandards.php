<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** The standards that may stand in the room: tells which of them a reading could come from. */
final readonly class KnownStandards
{
    /** Two standards are told apart from this share of the recognised distance on. */
    private const TOLD_APART_SHARE = 0.1;

    /** @param  array<string, float>  $values  by label, the likeliest first */
    public function __construct(private array $values)
    {
    }

    /**
     * The label of the standard of this value.
     *
     * @param  StandardReading  $named  the standard that was said to be read: another must lie nearer than that
     */
    public function near(float $value, float $within, StandardReading $named): ?string
    {
        $found = null;
        $nearest = INF;
        foreach ($this->values as $label => $known) {
            $distance = abs($known - $value);
            $isFit = $distance <= $within && $distance < abs($named->value - $value);
            // Of bottles that can hardly be told apart the first, more usual one is named.
            if ($isFit && $distance < $nearest - self::TOLD_APART_SHARE * $within) {
                $nearest = $distance;
                $found = (string) $label;
            }
        }

        return $found;
    }

    /**
     * The label of the one standard that could have given this signal; null if there is none, or several.
     *
     * @param  \Closure(StandardReading): bool  $isPossible
     */
    public function onlyOther(StandardReading $reading, \Closure $isPossible): ?string
    {
        $possible = [];
        foreach ($this->values as $label => $value) {
            if ($value !== $reading->value && $isPossible($reading->ifReadIn((string) $label, $value))) {
                $possible[] = (string) $label;
            }
        }

        return count($possible) === 1 ? $possible[0] : null;
    }
}

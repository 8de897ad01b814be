<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\InvalidQuantity;

/**
 * Waits for the first sample by which something has happened to a signal. It keeps no more of it than the time a change may
 * take, and costs the same for each sample however fast they come.
 */
final class EventWatch
{
    /** Whether a level still has to be seen from its other side. */
    private bool $mustCross;

    /** @var list<array{float, float}> time and value of those that may still be the lowest of the last moments, rising */
    private array $lowest = [];

    /** @var list<array{float, float}> ... the highest, falling */
    private array $highest = [];

    /**
     * @param  float  $level  the level; of a change: how much it must move
     * @param  float  $within  s in which it must move so much
     * @param  bool  $crosses  whether a signal that is beyond the level already must come back first
     *
     * @throws InvalidQuantity If a number is none, or a change has no size or no time.
     */
    public function __construct(private readonly EventKind $kind, private readonly float $level, private readonly float $within = 1.0, bool $crosses = true)
    {
        if (! is_finite($level) || ! is_finite($within)) {
            throw InvalidQuantity::mustBeFinite('level to wait for');
        }
        if ($kind === EventKind::Change && ($level <= 0.0 || $within <= 0.0)) {
            throw new InvalidQuantity('A change to wait for has a size and a time, both above 0.');
        }
        $this->mustCross = $crosses;
    }

    /** Whether it has happened with this sample; times in s, rising. What is no number happens to nothing. */
    public function sees(float $time, float $value): bool
    {
        if (is_nan($value)) {
            return false;
        }

        return match ($this->kind) {
            EventKind::Above => $this->isBeyond($value > $this->level),
            EventKind::Below => $this->isBeyond($value < $this->level),
            EventKind::Change => $this->hasMoved($time, $value),
            EventKind::Steady, EventKind::Marker => false,
        };
    }

    private function isBeyond(bool $isBeyond): bool
    {
        $happens = $isBeyond && ! $this->mustCross;
        $this->mustCross = $this->mustCross && $isBeyond;

        return $happens;
    }

    private function hasMoved(float $time, float $value): bool
    {
        $this->lowest = self::withNewest($this->lowest, $time, $value, $this->within, 1.0);
        $this->highest = self::withNewest($this->highest, $time, $value, $this->within, -1.0);

        return $this->highest[0][1] - $this->lowest[0][1] > $this->level;
    }

    /**
     * The extreme of a window that slides (Lemire, Nordic J. Computing 13, 2006): what is older and less extreme than the
     * newest can never be the extreme again.
     *
     * @param  list<array{float, float}>  $kept
     * @return non-empty-list<array{float, float}>
     */
    private static function withNewest(array $kept, float $time, float $value, float $within, float $sign): array
    {
        while ($kept !== [] && $sign * $kept[count($kept) - 1][1] >= $sign * $value) {
            array_pop($kept);
        }
        $kept[] = [$time, $value];
        while ($kept[0][0] < $time - $within) {
            array_shift($kept);
        }

        return $kept;
    }
}

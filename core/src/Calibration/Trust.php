<?php

declare(strict_types=1);

namespace Welkion\Core\Calibration;

/** Whether a probe may be recorded with, by its last calibration and that one's age. */
enum Trust: string
{
    case Good = 'good';
    case Fair = 'fair';
    case Poor = 'poor';
    /** Good or fair once, but longer ago than a calibration of this kind is good for. */
    case Old = 'old';
    case Missing = 'missing';
    /** Reads by its maker's line, and its kind may. */
    case Factory = 'factory';
    /** Reads by the calibration of another probe of its kind. */
    case Borrowed = 'borrowed';

    /** The trust in a probe that was last calibrated so many days ago with this verdict. */
    public static function of(ProbeKind $kind, ?Verdict $verdict, ?float $ageDays, Origin $origin = Origin::Read): self
    {
        if ($origin === Origin::Copied) {
            return self::Borrowed;
        }
        if ($verdict === null || $ageDays === null || $origin === Origin::Factory) {
            return $kind->isTrustedFromFactory() ? self::Factory : self::Missing;
        }
        if ($verdict->grade === Grade::Poor) {
            return self::Poor;
        }
        $goodFor = $kind->goodForDays();

        return match (true) {
            $goodFor !== null && $ageDays > $goodFor => self::Old,
            $verdict->grade === Grade::Fair => self::Fair,
            default => self::Good,
        };
    }

    /** Whether one may start without being told anything. */
    public function isUnquestioned(): bool
    {
        return $this === self::Good || $this === self::Factory;
    }

    /**
     * What a run's card, caption and sheet say about it; null when there is nothing to say.
     *
     * @param  string  $probe  name of the probe, as it begins a sentence
     */
    public function sentence(string $probe, ?Verdict $verdict, ?float $ageDays): ?string
    {
        return match ($this) {
            self::Good, self::Factory => null,
            self::Fair => "{$probe}: ".lcfirst($verdict->title ?? 'fair calibration.'),
            self::Poor => "{$probe}: ".lcfirst($verdict->title ?? 'poor calibration.').' Results may be wrong.',
            self::Old => sprintf('%s: calibration %d days old.', $probe, (int) floor($ageDays ?? 0.0)),
            self::Missing => "{$probe}: not calibrated.",
            self::Borrowed => "{$probe}: reads by the calibration of another probe.",
        };
    }
}

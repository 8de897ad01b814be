<?php

declare(strict_types=1);

namespace Welkion\Core\Formats\Reading;

/**
 * Reads a date with a time: 2031-04-11 22:15:00, 11.04.2031 22:15, 11/04/2031, 22:15:03.5.
 *
 * A date with slashes is taken as day/month unless only month/day is possible. No time zone is assumed.
 *
 * @internal used by TableReader alone
 */
final class DateText
{
    private const TIME = '(?<h>\d{1,2}):(?<i>\d{2})(?::(?<s>\d{2}(?:[.,]\d+)?))?';

    private const FORMS = [
        '(?<y>\d{4})-(?<m>\d{1,2})-(?<d>\d{1,2})(?:[ T]+'.self::TIME.')?Z?',
        '(?<d>\d{1,2})\.(?<m>\d{1,2})\.(?<y>\d{4})(?:[ ,]+'.self::TIME.')?',
        '(?<d>\d{1,2})\/(?<m>\d{1,2})\/(?<y>\d{4})(?:[ ,]+'.self::TIME.')?',
        self::TIME,
    ];

    /** @return float|null seconds since 1970-01-01 00:00, of a time without a date since midnight; null if it is none */
    public static function read(string $cell): ?float
    {
        foreach (self::FORMS as $form) {
            if (preg_match("/^{$form}$/", $cell, $match) === 1) {
                return self::seconds($match);
            }
        }

        return null;
    }

    /** Written as 2031-04-11T22:15:00, with parts of a second if there are any. */
    public static function written(float $seconds): string
    {
        $whole = (int) floor($seconds);
        $part = round($seconds - $whole, 6);

        return gmdate('Y-m-d\TH:i:s', $whole).($part > 0.0 ? substr((string) json_encode($part), 1) : '');
    }

    /** @param  array<int|string, string>  $match */
    private static function seconds(array $match): ?float
    {
        [$year, $month, $day] = [(int) ($match['y'] ?? 1970), (int) ($match['m'] ?? 1), (int) ($match['d'] ?? 1)];
        if (! checkdate($month, $day, $year)) {
            [$month, $day] = [$day, $month];
        }
        [$hour, $minute, $second] = [(int) ($match['h'] ?? 0), (int) ($match['i'] ?? 0), (float) str_replace(',', '.', $match['s'] ?? '0')];
        if (! checkdate($month, $day, $year) || $hour > 23 || $minute > 59 || $second >= 61.0) {
            return null;
        }

        return (float) gmmktime($hour, $minute, 0, $month, $day, $year) + $second;
    }
}

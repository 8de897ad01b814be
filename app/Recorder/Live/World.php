<?php

declare(strict_types=1);

namespace App\Recorder\Live;

use App\Recorder\Link\DeviceFault;

/** What an onlooker sees of a simulated bench, as far as screens can be trusted with it. */
final class World
{
    private const MOST_BYTES = 65_536;

    private const FASTEST = 1000;

    /**
     * @param  array<array-key, mixed>  $told
     * @return array<array-key, mixed>
     *
     * @throws DeviceFault If screens could not show it.
     */
    public static function from(array $told): array
    {
        $json = json_encode($told, JSON_PARTIAL_OUTPUT_ON_ERROR);
        $speed = $told['speed'] ?? 1;
        if (! is_string($json) || strlen($json) > self::MOST_BYTES || ! is_int($speed) || $speed < 1 || $speed > self::FASTEST
            || ! self::isListOf($told['summary'] ?? [], is_string(...)) || ! self::isListOf($told['controls'] ?? [], is_array(...))) {
            throw DeviceFault::because('told of a "world" that cannot be shown');
        }

        return ['speed' => $speed, 'isRinsed' => ($told['isRinsed'] ?? true) !== false] + $told + ['summary' => [], 'controls' => []];
    }

    /** @param  callable(mixed): bool  $isOne */
    private static function isListOf(mixed $list, callable $isOne): bool
    {
        return is_array($list) && array_is_list($list) && array_filter($list, $isOne) === $list;
    }
}

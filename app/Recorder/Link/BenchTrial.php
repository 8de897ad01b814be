<?php

declare(strict_types=1);

namespace App\Recorder\Link;

use App\Models\Bench;

/** Tries an address once, as the recorder would: does a bench answer there, and what does it have? */
final class BenchTrial
{
    private const CONNECT_WITHIN_S = 2.0;

    private const ANSWER_WITHIN_S = 3.0;

    private const LONGEST_LINE = 1 << 20;

    /**
     * @param  string|null  $linkName  the bench to ask for where several stand behind one port
     * @return array{bench: string|null, channels: list<array{title: string, kind: string, unit: string, serial: string}>, problem: string|null}
     */
    public static function of(string $host, int $port, ?string $linkName): array
    {
        $place = Bench::addressOf($host, $port);
        $socket = @stream_socket_client("tcp://{$place}", $code, $reason, self::CONNECT_WITHIN_S);
        if ($socket === false) {
            return self::problem(match (true) {
                stripos((string) $reason, 'refused') !== false => "Something is at {$host}, but nothing listens on port {$port}. Is the program of the device running, and is this its port?",
                stripos((string) $reason, 'getaddrinfo') !== false => "Nobody knows the address {$host}. Check its spelling, or take the number of the device, as 192.168.1.50.",
                default => "Nothing answers at {$place}. Is the device switched on and in the same network?",
            });
        }
        stream_set_timeout($socket, 0, (int) (self::ANSWER_WITHIN_S * 1e6));
        fwrite($socket, json_encode(['do' => 'hello'] + ($linkName === null ? [] : ['bench' => $linkName]), JSON_THROW_ON_ERROR)."\n");
        $deadline = microtime(true) + self::ANSWER_WITHIN_S;
        // Readings for others who listen may come first.
        do {
            $line = fgets($socket, self::LONGEST_LINE);
            $message = is_string($line) ? json_decode($line, true) : null;
        } while (is_string($line) && is_array($message) && ($message['told'] ?? null) !== 'hello' && microtime(true) < $deadline);
        fclose($socket);

        return self::told($place, $line, $message);
    }

    /** @return array{bench: string|null, channels: list<array{title: string, kind: string, unit: string, serial: string}>, problem: string|null} */
    private static function told(string $place, string|false $line, mixed $message): array
    {
        if ($line === false) {
            return self::problem("Something listens at {$place}, but it does not answer \"hello\" within 3 s. Does it speak the probe link?");
        }
        if (! is_array($message) || ($message['told'] ?? null) !== 'hello') {
            return self::problem("What answers at {$place} does not speak the probe link; it said “".mb_strimwidth(mb_scrub(trim($line)), 0, 60, '…').'”.');
        }
        try {
            $channels = ToldChannel::allIn(is_array($message['channels'] ?? null) ? array_values(array_filter($message['channels'], is_array(...))) : []);
        } catch (DeviceFault $fault) {
            return self::problem("A bench answers at {$place}, but what it tells of its channels cannot be used: {$fault->getMessage()}");
        }

        return [
            'bench' => is_string($message['bench'] ?? null) ? mb_strimwidth($message['bench'], 0, 60) : null, 'problem' => null,
            'channels' => array_map(static fn (ToldChannel $c): array => ['title' => $c->title, 'kind' => $c->kind->value, 'unit' => $c->unit, 'serial' => $c->serial], $channels),
        ];
    }

    /** @return array{bench: null, channels: array{}, problem: string} */
    private static function problem(string $sentence): array
    {
        return ['bench' => null, 'channels' => [], 'problem' => $sentence];
    }
}

<?php

declare(strict_types=1);

use React\EventLoop\Loop;
use React\Socket\ConnectionInterface;
use React\Socket\TcpServer;

/*
 * Benches with many fast channels, for measuring what a recorder can take:
 *
 *   php standins/bin/generator.php --port=PORT [--channels=6] [--rate=2000]
 *
 * Any bench that is named in "hello" is there. What a channel reads follows from its number alone (value below), so whoever
 * has a number knows what it must be.
 */

require __DIR__.'/../../vendor/autoload.php';

$options = getopt('', ['port:', 'channels:', 'rate:']);
$channels = (int) ($options['channels'] ?? 6);
$rate = (float) ($options['rate'] ?? 2000.0);
$base = (int) (microtime(true) * 1e6);
$began = microtime(true);
const EACH_S = 0.05;
const KEPT_S = 120.0;

/** The reading of a number, in V: a saw of 4001 steps that looks like noise. */
$value = static fn (int $seq): float => ($seq % 4001 * 7919 % 4001) / 1000.0 - 2.0;
$pack = static function (string $bench, int $channel, int $first, int $count) use ($base, $began, $rate, $value): string {
    $values = [];
    for ($seq = $first; $seq < $first + $count; $seq++) {
        $values[] = $value($seq);
    }

    return json_encode([['bn' => "{$bench}-{$channel}:", 'bu' => 'V', 'n' => "p{$channel}", 'bt' => $began + ($first - $base) / $rate, 'dt' => 1.0 / $rate, 'seq' => $first, 'vs' => $values, 'wall' => microtime(true)]])."\n";
};
$due = static fn (): int => $base + (int) floor((microtime(true) - $began) * $rate);

(new TcpServer('127.0.0.1:'.($options['port'] ?? ''), Loop::get()))->on('connection', static function (ConnectionInterface $connection) use ($channels, $rate, $base, $due, $pack): void {
    $bench = '';
    $sent = [];
    $rest = '';
    $connection->on('data', static function (string $data) use ($connection, $channels, $rate, $base, $due, $pack, &$bench, &$sent, &$rest): void {
        $lines = explode("\n", $rest.$data);
        $rest = array_pop($lines);
        foreach ($lines as $line) {
            $asked = json_decode($line, true);
            $channel = is_array($asked) ? (int) substr((string) ($asked['channel'] ?? ''), 1) : 0;
            if (($asked['do'] ?? null) === 'hello') {
                $bench = (string) ($asked['bench'] ?? 'Generator');
                $connection->write(json_encode(['told' => 'hello', 'link' => 1, 'bench' => $bench, 'clock' => microtime(true), 'channels' => array_map(static fn (int $k): array => [
                    'name' => "p{$k}", 'kind' => 'pressure-sensor', 'title' => "Signal {$k}", 'serial' => "{$bench}-{$k}", 'unit' => 'V', 'resolution' => 0.001, 'fastestHz' => max(20.0, $rate),
                    'stated' => ['slope' => 0.02, 'offset' => 0.0],
                ], range(1, $channels))])."\n");
            } elseif (($asked['do'] ?? null) === 'stream') {
                $sent[$channel] ??= $due();
                $connection->write(json_encode(['told' => 'stream', 'channel' => "p{$channel}", 'rate' => $rate])."\n");
            } elseif (($asked['do'] ?? null) === 'resume') {
                $first = max((int) ($asked['after'] ?? 0) + 1, $base, $due() - (int) (KEPT_S * $rate));
                $count = max(0, $due() - $first);
                $connection->write(json_encode(['told' => 'resume', 'channel' => "p{$channel}", 'count' => $count])."\n");
                for (; $count > 0; $first += 100_000, $count -= 100_000) {
                    $connection->write($pack($bench, $channel, $first, min($count, 100_000)));
                }
                $sent[$channel] = $due();
            }
        }
    });
    $timer = Loop::addPeriodicTimer(EACH_S, static function () use ($connection, $due, $pack, &$bench, &$sent): void {
        foreach ($sent as $channel => $from) {
            $to = $due();
            $to > $from && $connection->write($pack($bench, $channel, $from, $to - $from));
            $sent[$channel] = $to;
        }
    });
    $connection->on('close', static fn () => Loop::cancelTimer($timer));
});
Loop::run();

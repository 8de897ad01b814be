<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use React\EventLoop\Loop;
use Welkion\Standins\Link\Building;
use Welkion\Standins\Link\Clock;
use Welkion\Standins\Link\Device;
use Welkion\Standins\Link\Server;
use Welkion\Standins\World\Laboratory;

require __DIR__.'/../../vendor/autoload.php';

$options = getopt('', ['port:', 'speed::', 'seed::', 'help']);
if (! is_array($options) || isset($options['help']) || ! is_string($options['port'] ?? null)) {
    fwrite(STDERR, "Usage: php standins/bin/bench.php --port=PORT [--speed=1|10|60] [--seed=N]\nThe simulated benches Alder, Birch, Hazel and Rowan, speaking the probe link on loopback.\n");
    exit(2);
}
$speed = (int) ($options['speed'] ?? 1);
if (! in_array($speed, Clock::SPEEDS, true)) {
    fwrite(STDERR, "The bench can run at x1, x10 or x60, but x{$speed} was asked for.\n");
    exit(2);
}

$randomizer = isset($options['seed']) ? new Randomizer(new Mt19937((int) $options['seed'])) : new Randomizer;
$furnish = static function () use ($randomizer, $speed): array {
    $now = microtime(true);
    $laboratory = Laboratory::furnished($randomizer);
    $devices = [];
    foreach ($laboratory->worlds as $name => $world) {
        // Gas and heart begin at their own pace: there a second matters; in a beaker one waits.
        $clock = new Clock($now, in_array($name, ['Alder', 'Birch'], true) ? $speed : 1);
        $devices[$name] = new Device($world, $clock, $now, static fn (array $act) => $laboratory->carryElectrode((bool) ($act['on'] ?? true)));
    }

    return $devices;
};
try {
    new Server(new Building($furnish(), $furnish), '127.0.0.1:'.$options['port'], Loop::get());
} catch (RuntimeException $failure) {
    fwrite(STDERR, "The benches cannot listen on port {$options['port']}: {$failure->getMessage()}\n");
    exit(1);
}
Loop::run();

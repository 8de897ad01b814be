<?php

declare(strict_types=1);

use React\EventLoop\Loop;
use React\Socket\ConnectionInterface;
use React\Socket\TcpConnector;
use React\Socket\TcpServer;

// A line to a device that passes nothing on while a file is there, and closes nothing, as one over a radio that is out of reach:
// php stalling-line.php PORT PORT-OF-DEVICE FILE.

require __DIR__.'/../../vendor/autoload.php';

[, $port, $device, $flag] = $argv;
$ends = new SplObjectStorage;
(new TcpServer("127.0.0.1:{$port}", Loop::get()))->on('connection', static function (ConnectionInterface $near) use ($device, $ends): void {
    $near->pause();
    (new TcpConnector(Loop::get()))->connect("127.0.0.1:{$device}")->then(static function (ConnectionInterface $far) use ($near, $ends): void {
        $ends->attach($near);
        $ends->attach($far);
        foreach ([[$near, $far], [$far, $near]] as [$one, $other]) {
            $one->on('data', static fn (string $data) => $other->write($data));
            $one->on('close', static function () use ($one, $other, $ends): void {
                $ends->detach($one);
                $other->end();
            });
        }
    });
});
Loop::addPeriodicTimer(0.02, static function () use ($ends, $flag): void {
    clearstatcache();
    $isStalled = is_file($flag);
    foreach ($ends as $end) {
        $isStalled ? $end->pause() : $end->resume();
    }
});
Loop::run();

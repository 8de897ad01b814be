<?php

declare(strict_types=1);

use React\EventLoop\Loop;
use React\Socket\ConnectionInterface;
use React\Socket\TcpServer;
use Tests\Support\HostileMessages;

// A device that speaks the probe link wrongly, each time it is greeted: php hostile-device.php PORT. Which way is named by the
// bench in the greeting, "hostile-N ..." for the N-th of HostileMessages.

require __DIR__.'/../../vendor/autoload.php';

$ways = array_values(HostileMessages::all());
(new TcpServer('127.0.0.1:'.$argv[1], Loop::get()))->on('connection', static function (ConnectionInterface $connection) use ($ways): void {
    $connection->on('data', static function (string $data) use ($connection, $ways): void {
        $name = preg_match('/"bench":"(hostile-(\d+)[^"]*)"/', $data, $match) === 1 ? $match[1] : null;
        if ($name === null) {
            return;
        }
        $way = $ways[(int) $match[2]];
        if (($way['isGreeting'] ?? false) === false) {
            $connection->write(HostileMessages::hello($name));
        }
        // A moment later, when it is known what is plugged in.
        Loop::addTimer(($way['isGreeting'] ?? false) ? 0.0 : 1.0, static function () use ($connection, $way): void {
            foreach (($way[0])() as $piece) {
                $connection->write($piece);
            }
        });
    });
});
Loop::run();

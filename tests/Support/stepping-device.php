<?php

declare(strict_types=1);

use React\EventLoop\Loop;
use React\Socket\ConnectionInterface;
use React\Socket\TcpServer;

// A thermometer whose clock goes back by an hour once a file appears: php stepping-device.php PORT.

require __DIR__.'/../../vendor/autoload.php';

$flag = sys_get_temp_dir()."/welkion-step-{$argv[1]}";
$seq = (int) (microtime(true) * 1e6);
(new TcpServer("127.0.0.1:{$argv[1]}", Loop::get()))->on('connection', static function (ConnectionInterface $connection) use ($flag, &$seq): void {
    $connection->write(json_encode(['told' => 'hello', 'link' => 1, 'bench' => 'Stepping', 'clock' => microtime(true), 'channels' => [[
        'name' => 'temperature', 'kind' => 'thermometer', 'title' => 'Temperature', 'serial' => "Stepping-{$flag}", 'unit' => 'V', 'resolution' => 0.001, 'fastestHz' => 20,
        'stated' => ['slope' => 0.01, 'offset' => 0.1],
    ]]])."\n");
    $timer = Loop::addPeriodicTimer(0.05, static function () use ($connection, $flag, &$seq): void {
        clearstatcache();
        $at = microtime(true) - (is_file($flag) ? 3600.0 : 0.0);
        $connection->write(json_encode([['n' => 'temperature', 'bt' => $at, 'v' => 0.321, 'seq' => ++$seq]])."\n");
    });
    $connection->on('close', static fn () => Loop::cancelTimer($timer));
});
Loop::run();

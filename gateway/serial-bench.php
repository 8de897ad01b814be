<?php

declare(strict_types=1);

use React\EventLoop\Loop;
use React\Stream\ReadableResourceStream;
use Welkion\Gateway\SerialDevice;
use Welkion\Gateway\SerialFile;
use Welkion\Gateway\SerialProblem;
use Welkion\Standins\Link\Building;
use Welkion\Standins\Link\Server;

require __DIR__.'/../vendor/autoload.php';

const SAY_EACH_S = 10.0;
const LONGEST_LINE = 1000;

[$device, $path] = [$argv[1] ?? '', $argv[2] ?? 'serial-bench.json'];
if ($device === '' || str_starts_with($device, '-')) {
    fwrite(STDERR, "Usage: bin/serial-bench DEVICE [FILE]\nOffers lines of numbers from a serial port as a bench. DEVICE is the port, as /dev/ttyUSB0;\nFILE says what the numbers are (serial-bench.json; see docs/connect.md).\n");
    exit(2);
}
try {
    $file = SerialFile::read($path);
    if (! file_exists($device)) {
        throw new SerialProblem("There is no {$device}. Is the cable in? \"ls /dev/tty*\" shows the ports there are.");
    }
    exec('stty -F '.escapeshellarg($device)." {$file->baud} raw -echo 2>&1", $said, $status);
    $port = $status === 0 ? @fopen($device, 'rb') : false;
    if ($port === false) {
        throw new SerialProblem("{$device} cannot be opened: ".($said[0] ?? 'not allowed').'. On most systems your account must belong to the group "dialout".');
    }
    $bench = new SerialDevice($file, microtime(true));
    new Server(new Building([$file->bench => $bench]), "0.0.0.0:{$file->port}", Loop::get());
} catch (SerialProblem|RuntimeException $problem) {
    fwrite(STDERR, $problem->getMessage()."\n");
    exit(1);
}
$rest = '';
$stream = new ReadableResourceStream($port);
$stream->on('data', static function (string $data) use ($bench, &$rest): void {
    $lines = preg_split('/\r\n|\n|\r/', $rest.$data) ?: [];
    $rest = substr((string) array_pop($lines), -LONGEST_LINE);
    foreach ($lines as $line) {
        trim($line) === '' || $bench->take($line, microtime(true));
    }
});
$stream->on('close', static function () use ($device): void {
    fwrite(STDERR, "{$device} is gone. Plug it in again, then start this again.\n");
    exit(1);
});
Loop::addPeriodicTimer(SAY_EACH_S, static function () use ($bench): void {
    $unread = $bench->takeUnread();
    $unread === 0 || fwrite(STDERR, "{$unread} numbers of the last 10 s could not be read; a line should look like 22.41,7.02.\n");
});
fwrite(STDERR, "Bench {$file->bench} listens on port {$file->port}. Add it in Welkion: Benches, \"Add a bench\".\n");
Loop::run();

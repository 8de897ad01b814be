<?php

declare(strict_types=1);

use App\Recorder\Keeping\Message;

// A clerk's process whose answers a test decides by the text of a file: done, away, refused, hang, end. What it was asked it
// writes down beside it.

require __DIR__.'/../../vendor/autoload.php';

[, $how] = $argv;
while (($line = fgets(STDIN)) !== false) {
    [$id, $task, $with] = Message::read($line);
    $outcome = trim((string) file_get_contents($how));
    while ($outcome === 'hang') {
        usleep(10_000);
        $outcome = trim((string) file_get_contents($how));
    }
    if ($outcome === 'end') {
        exit(1);
    }
    if ($outcome === 'done') {
        file_put_contents("{$how}.asked", base64_encode(serialize([$task, $with]))."\n", FILE_APPEND);
    }
    fwrite(STDOUT, Message::line([$id, $outcome, $outcome === 'done' ? [] : "it is {$outcome}"]));
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Recorder\BlockStore;
use App\Recorder\ControlServer;
use App\Recorder\LivePublisher;
use App\Recorder\Recorder;
use Illuminate\Console\Command;
use Illuminate\Database\ConnectionInterface;
use Psr\Log\LoggerInterface;
use React\EventLoop\Loop;

final class RecordCommand extends Command
{
    protected $signature = 'welkion:record';

    protected $description = 'Record all benches until stopped';

    public function handle(ConnectionInterface $database, LoggerInterface $log): int
    {
        $loop = Loop::get();
        $recorder = new Recorder(
            $loop,
            new BlockStore($database, $log, storage_path('recorder-spool.jsonl')),
            new LivePublisher($loop, config()->integer('welkion.live.publish_port')),
            $log,
        );
        new ControlServer($recorder, config()->string('welkion.recorder.token'), config()->integer('welkion.recorder.port'), $loop);
        foreach ([SIGTERM, SIGINT] as $signal) {
            $loop->addSignal($signal, $recorder->stop(...));
        }
        $recorder->start();
        $loop->run();

        return self::SUCCESS;
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Recorder\ControlServer;
use App\Recorder\Keeping\Clerk;
use App\Recorder\Keeping\SampleKeeper;
use App\Recorder\Keeping\Spool;
use App\Recorder\Live\LivePublisher;
use App\Recorder\Recorder;
use App\Recorder\StopSignals;
use Illuminate\Console\Command;
use Psr\Log\LoggerInterface;
use React\EventLoop\Loop;

final class RecordCommand extends Command
{
    protected $signature = 'welkion:record';

    protected $description = 'Record all benches until stopped';

    /** A question to MariaDB may take so long, in s; asked once more over a new connection, twice that. */
    private const ANSWER_WITHIN_S = 4;

    public function handle(LoggerInterface $log): int
    {
        // This process must never wait for MariaDB: whatever would ask it by mistake fails at once instead.
        config(['database.connections.mariadb' => ['unix_socket' => '/dev/null/none'] + config()->array('database.connections.mariadb')]);
        $loop = Loop::get();
        $clerk = new Clerk($loop, $log, self::clerkCommand(), base_path());
        $keeper = new SampleKeeper($clerk, new Spool(storage_path('recorder-spool.jsonl')), $log);
        $sockets = config()->string('welkion.sockets');
        $recorder = new Recorder($loop, $clerk, $keeper, new LivePublisher($loop, "{$sockets}/publish.sock"), $log);
        new ControlServer($recorder, config()->string('welkion.recorder.token'), "{$sockets}/recorder.sock", $loop);
        StopSignals::hear($loop, $recorder->stop(...));
        $recorder->start();
        $loop->run();

        return self::SUCCESS;
    }

    /** It ends with the recorder, however that ends. */
    private static function clerkCommand(): string
    {
        $php = escapeshellarg(PHP_BINARY);

        return "setpriv --pdeathsig KILL {$php} -d opcache.enable_cli=1 -d memory_limit=1G -d mysqlnd.net_read_timeout=".self::ANSWER_WITHIN_S.' artisan welkion:keep';
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Recorder\ControlServer;
use App\Recorder\Doors;
use App\Recorder\Keeping\Clerk;
use App\Recorder\Keeping\Desk;
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
    protected $signature = 'welkion:record
        {--name= : Of a recorder that takes only some benches}
        {--benches= : Names of those benches, parted by commas; none: it gives back what it had}';

    protected $description = 'Record benches until stopped: all that no other recorder has taken, or some';

    /** A question to MariaDB may take so long, in s; asked once more over a new connection, twice that. */
    private const ANSWER_WITHIN_S = 4;

    public function handle(LoggerInterface $log, Desk $desk): int
    {
        [$name, $names] = [$this->name(), $this->names()];
        if ($name === null ? $names !== [] : preg_match(Doors::NAME, $name) !== 1) {
            $this->error('A recorder for some benches needs a name of at most 31 small letters, digits and hyphens.');

            return self::FAILURE;
        }
        if ($name !== null && $names === []) {
            $desk->benches($name, []);
            $this->line("The benches of recorder {$name} are recorded by the one of this copy again.");

            return self::SUCCESS;
        }
        // This process must never wait for MariaDB: whatever would ask it by mistake fails at once instead.
        config(['database.connections.mariadb' => ['unix_socket' => '/dev/null/none'] + config()->array('database.connections.mariadb')]);
        $loop = Loop::get();
        $clerk = new Clerk($loop, $log, self::clerkCommand(), base_path());
        $keeper = new SampleKeeper($clerk, new Spool(storage_path('recorder-spool'.($name === null ? '' : "-{$name}").'.jsonl')), $log);
        $sockets = config()->string('welkion.sockets');
        $recorder = new Recorder($loop, $clerk, $keeper, new LivePublisher($loop, "{$sockets}/publish.sock"), $log, $name, $names);
        new ControlServer($recorder, config()->string('welkion.recorder.token'), (new Doors($sockets))->of($name), $loop);
        StopSignals::hear($loop, $recorder->stop(...));
        $recorder->start();
        $loop->run();

        return self::SUCCESS;
    }

    private function name(): ?string
    {
        $name = $this->option('name');

        return is_string($name) && $name !== '' ? $name : null;
    }

    /** @return list<string> */
    private function names(): array
    {
        $benches = $this->option('benches');
        $names = array_map(trim(...), explode(',', is_string($benches) ? $benches : ''));

        return array_values(array_filter($names, static fn (string $n): bool => $n !== ''));
    }

    /** It ends with the recorder, however that ends. */
    private static function clerkCommand(): string
    {
        $php = escapeshellarg(PHP_BINARY);

        return "setpriv --pdeathsig KILL {$php} -d opcache.enable_cli=1 -d memory_limit=1G -d mysqlnd.net_read_timeout=".self::ANSWER_WITHIN_S.' artisan welkion:keep';
    }
}

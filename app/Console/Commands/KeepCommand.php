<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Recorder\Keeping\Desk;
use App\Recorder\Keeping\Message;
use App\Storage\Outage;
use Illuminate\Console\Command;
use Illuminate\Database\Connection;

/** The process in which the recorder has MariaDB asked; started by the recorder itself. */
final class KeepCommand extends Command
{
    protected $signature = 'welkion:keep';

    protected $description = 'Ask MariaDB what the recorder wants to know, question by question from standard input';

    protected $hidden = true;

    public function handle(Desk $desk, Connection $database): int
    {
        while (($line = fgets(STDIN)) !== false) {
            [$id, $task, $with] = Message::read($line);
            fwrite(STDOUT, Message::line([$id, ...$this->done($desk, $database, $task, is_array($with) ? $with : [])]));
        }

        return self::SUCCESS;
    }

    /**
     * @param  array<array-key, mixed>  $with
     * @return array{string, mixed}
     */
    private function done(Desk $desk, Connection $database, string $task, array $with): array
    {
        try {
            return [Message::DONE, $desk->{$task}(...$with)];
        } catch (\Throwable $failure) {
            if (Outage::isBehind($failure)) {
                // What is left of a broken connection is of no use; the next question makes a new one.
                $database->disconnect();

                return [Message::AWAY, self::reason($failure)];
            }

            return [Message::REFUSED, self::reason($failure)];
        }
    }

    /** Without the query, which may hold thousands of samples. */
    private static function reason(\Throwable $failure): string
    {
        return $failure::class.': '.mb_scrub(mb_strcut(($failure->getPrevious() ?? $failure)->getMessage(), 0, 300));
    }
}

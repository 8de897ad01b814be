<?php

declare(strict_types=1);

namespace App\Storage;

use Illuminate\Database\Connection;
use Illuminate\Database\DatabaseManager;

/**
 * Reads what lies in several tables as it was at one moment, whatever others write meanwhile.
 *
 * Elsewhere each question is answered by what is stored when it is asked (READ COMMITTED): a search then locks the rows
 * it finds and not the gaps beside them, where others put theirs. Locking of gaps let classes that began at the same
 * moment wait for each other.
 */
final readonly class OneMoment
{
    /** Another connection to the same database, for reading in the middle of a change. */
    private const MOMENT = 'moment';

    public function __construct(private DatabaseManager $databases)
    {
    }

    /**
     * @template T
     *
     * @param  \Closure(Connection): T  $read  by the connection it is given; within a change that is another one than
     *                                         makes it, and knows nothing of what is changed
     * @return T
     */
    public function of(\Closure $read): mixed
    {
        $database = $this->databases->connection();
        // Whoever changes something has begun a transaction already, and how it looks at others is settled.
        $database = $database->transactionLevel() === 0 ? $database : $this->databases->connection(self::MOMENT);
        if ($database->transactionLevel() > 0) {
            throw new \LogicException('A moment is chosen before anything is read, so not within another one.');
        }
        $database->getPdo()->exec('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');

        return $database->transaction($read);
    }
}

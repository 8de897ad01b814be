<?php

declare(strict_types=1);

namespace App\Storage;

use Illuminate\Database\Connection;

/**
 * Reads what lies in several tables as it was at one moment, whatever others write meanwhile.
 *
 * Elsewhere each question is answered by what is stored when it is asked (READ COMMITTED): a search then locks the rows it
 * finds and not the gaps beside them, where others put theirs. Locking of gaps let classes that began at the same moment
 * wait for each other.
 */
final readonly class OneMoment
{
    public function __construct(private Connection $database)
    {
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $read
     * @return T
     */
    public function of(\Closure $read): mixed
    {
        if ($this->database->transactionLevel() > 0) {
            throw new \LogicException('A moment is chosen before anything is read, so not within another transaction.');
        }
        $this->database->getPdo()->exec('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');

        return $this->database->transaction($read);
    }
}

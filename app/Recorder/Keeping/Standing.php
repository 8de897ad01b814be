<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

/** How the samples of some runs stand: in MariaDB, waiting on disk, in memory alone, or lost. */
final readonly class Standing
{
    /** @param  float|null  $inDangerSince  wall clock, s; so are the other moments */
    public function __construct(
        public bool $isStorageAway,
        public int $onDisk,
        public int $inDanger,
        public ?float $inDangerSince,
        public int $lost,
        public ?float $lostFrom,
        public ?float $lostUntil,
    ) {
    }
}

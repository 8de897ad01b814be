<?php

declare(strict_types=1);

namespace App\Recorder;

/** Where recorders are asked: each has a socket of its own in the folder of the copy, called by its name. */
final readonly class Doors
{
    /** A name is part of a path of at most 107 bytes. */
    public const NAME = '/^[a-z0-9][a-z0-9-]{0,30}$/D';

    public function __construct(private string $folder)
    {
    }

    /** @param  string|null  $recorder  null: the one that takes all benches no other has taken */
    public function of(?string $recorder): string
    {
        return $this->folder.($recorder === null ? '/recorder.sock' : "/recorder-{$recorder}.sock");
    }
}

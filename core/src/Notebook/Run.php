<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** Rows taken together. */
final readonly class Run
{
    /**
     * @param  string  $revision  another one whenever its rows are others
     * @param  \Closure(): RunData  $data  read when something is worked out from it
     */
    public function __construct(
        public int $id,
        public int $number,
        public string $name,
        public ?string $condition,
        public ?int $trial,
        public string $revision,
        public \Closure $data,
    ) {
    }
}

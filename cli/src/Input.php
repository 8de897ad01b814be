<?php

declare(strict_types=1);

namespace Welkion\Cli;

use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableReader;

/** Opens the file of a command, or standard input for "-". */
final readonly class Input
{
    private const CHUNK_BYTES = 65536;

    /** @param  resource  $standardInput */
    public function __construct(private mixed $standardInput)
    {
    }

    /** @throws Failure If the file cannot be opened. */
    public function table(string $path): Table
    {
        return (new TableReader)->read($this->chunks($path));
    }

    /** @return \Generator<int, string> */
    private function chunks(string $path): \Generator
    {
        if ($path !== '-' && (! is_file($path) || ! is_readable($path))) {
            throw Failure::input("The file \"{$path}\" cannot be read. Check its name.");
        }
        $stream = $path === '-' ? $this->standardInput : fopen($path, 'rb');
        while ($stream !== false && ! feof($stream)) {
            $chunk = fread($stream, self::CHUNK_BYTES);
            if ($chunk === false) {
                throw Failure::input("The file \"{$path}\" could not be read to its end.");
            }
            yield $chunk;
        }
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Cli;

use Welkion\Core\Notebook\Protocol;

/** The protocols that come with Welkion. */
final class ProtocolFiles
{
    private const FOLDER = __DIR__.'/../../resources/protocols';

    /** @return array<string, Protocol> by key */
    public static function all(): array
    {
        $protocols = [];
        foreach (glob(self::FOLDER.'/*.json') ?: [] as $path) {
            if (! str_ends_with($path, '.schema.json')) {
                $protocols[basename($path, '.json')] = Protocol::read((string) file_get_contents($path));
            }
        }

        return $protocols;
    }

    /** @throws Failure If there is none of this key. */
    public static function find(string $key): Protocol
    {
        $all = self::all();

        return $all[$key] ?? throw Failure::input("There is no protocol \"{$key}\". The protocols are: ".implode(', ', array_keys($all)).'.');
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests;

/** The reference data beside these tests: files with known true answers. */
final class Reference
{
    /** @return array<string, array<string, mixed>> what is true of each file of a topic, by file name */
    public static function truths(string $topic): array
    {
        $json = file_get_contents(__DIR__."/reference/{$topic}/truth.json");

        return json_decode((string) $json, true, flags: JSON_THROW_ON_ERROR)['files'];
    }

    public static function path(string $topic, string $file): string
    {
        return __DIR__."/reference/{$topic}/{$file}";
    }

    /** @return list<list<float>> columns of the rows in which every cell is a number */
    public static function columns(string $topic, string $file): array
    {
        $columns = [];
        foreach (array_slice(file(__DIR__."/reference/{$topic}/{$file}", FILE_IGNORE_NEW_LINES) ?: [], 1) as $line) {
            $cells = str_getcsv($line);
            if (array_filter($cells, is_numeric(...)) === $cells) {
                foreach ($cells as $i => $cell) {
                    $columns[$i][] = (float) $cell;
                }
            }
        }

        return $columns;
    }

    /** @return list<list<string>> the rows below the header, as they stand */
    public static function rows(string $topic, string $file): array
    {
        $lines = array_slice(file(self::path($topic, $file), FILE_IGNORE_NEW_LINES) ?: [], 1);

        return array_map(static fn (string $line): array => array_map(strval(...), str_getcsv($line)), $lines);
    }
}

<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\TypedColumn;

/**
 * Typed cells as the journal knows them: each is a field of its column, named by the number of its row, so that a change keeps
 * the few cells it was about and not the hundred thousand beside them.
 */
final class TypedCells
{
    private const FIELD = 'r';

    /**
     * @param  array<int, float|string|null>  $cells  by row number
     * @return array<string, float|string|null>
     */
    public static function fields(array $cells): array
    {
        return array_combine(array_map(static fn (int $row): string => self::FIELD.$row, array_keys($cells)), $cells);
    }

    /**
     * @param  list<string>  $fields
     * @return array<string, float|string|null>|null what stands in these cells; null if there is no such column
     */
    public static function now(int $id, array $fields): ?array
    {
        $column = self::column($id);
        if ($column === null) {
            return null;
        }
        $cells = [];
        foreach (self::rows($fields) as $row) {
            $cells[$row] = $column->cell($row);
        }

        return self::fields($cells);
    }

    /** @param  array<string, mixed>  $fields */
    public static function write(int $id, array $fields): void
    {
        $column = self::column($id);
        if ($column === null) {
            return;
        }
        $cells = [];
        foreach (self::rows(array_keys($fields)) as $row) {
            $cell = $fields[self::FIELD.$row];
            $cells[$row] = is_int($cell) ? (float) $cell : (is_float($cell) || is_string($cell) ? $cell : null);
        }
        $column->put($cells);
        $column->save();
    }

    private static function column(int $id): ?TypedColumn
    {
        // Its experiment is locked.
        return TypedColumn::query()->find($id);
    }

    /**
     * @param  list<string>  $fields
     * @return list<int>
     */
    private static function rows(array $fields): array
    {
        return array_map(static fn (string $field): int => (int) substr($field, strlen(self::FIELD)), $fields);
    }
}

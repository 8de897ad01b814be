<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Change;
use App\Models\Run;
use Illuminate\Support\Facades\DB;

/**
 * Writes rows back as the journal knows them.
 *
 * @phpstan-import-type TouchedRow from Change
 */
final class StoredRows
{
    private const CELLS = 'typed_columns';

    /** What others rest on comes first, and goes last. */
    private const ORDER = [
        'experiments', 'columns', 'entries', 'spans', 'figures', 'lines', 'line_inputs', 'runs', 'run_channels', 'entry_values', 'readings', 'reworkings', 'set_asides', 'markers', self::CELLS,
    ];

    /**
     * @param  list<string>  $fields  that are asked for; of typed cells no others are told
     * @return array<string, mixed>|null a row as it is stored now; null if it is not there
     */
    public static function now(string $table, int $id, array $fields = []): ?array
    {
        if ($table === self::CELLS) {
            return TypedCells::now($id, $fields);
        }
        $row = DB::table($table)->where('id', $id)->lockForUpdate()->first();

        return $row === null ? null : get_object_vars($row);
    }

    /**
     * @param  list<TouchedRow>  $rows  each is written as its "after" says
     *
     * @throws Refusal If a run would be open at a bench that records another.
     */
    public static function write(array $rows): void
    {
        $place = array_flip(self::ORDER);
        usort($rows, static fn (array $a, array $b): int => $place[$a['table']] <=> $place[$b['table']]);
        $of = static fn (bool $isThere, bool $stays): array => array_filter($rows, static fn (array $r): bool => ($r['before'] !== null) === $isThere && ($r['after'] !== null) === $stays);
        foreach ($of(true, true) as $row) {
            // Two symbols may change places; for a moment neither has its own.
            if (isset($row['after']['symbol'])) {
                DB::table($row['table'])->where('id', $row['id'])->update(['symbol' => "~{$row['id']}"]);
            }
        }
        foreach (array_reverse($of(true, false)) as $row) {
            DB::table($row['table'])->where('id', $row['id'])->delete();
        }
        foreach ($of(false, true) as $row) {
            DB::table($row['table'])->insert($row['after'] ?? []);
        }
        foreach ($of(true, true) as $row) {
            $row['table'] === self::CELLS ? TypedCells::write($row['id'], $row['after'] ?? []) : DB::table($row['table'])->where('id', $row['id'])->update($row['after'] ?? []);
        }
        $runs = array_map(static fn (array $r): int => $r['id'], array_values(array_filter($rows, static fn (array $r): bool => $r['table'] === (new Run)->getTable())));
        foreach (Run::query()->whereKey($runs)->get() as $run) {
            self::requireAlone($run);
            self::numberAnew($run);
        }
    }

    /**
     * The same rows the other way round.
     *
     * @param  list<TouchedRow>  $rows
     * @return list<TouchedRow>
     */
    public static function reversed(array $rows): array
    {
        return array_map(static fn (array $r): array => ['table' => $r['table'], 'id' => $r['id'], 'before' => $r['after'], 'after' => $r['before']], array_reverse($rows));
    }

    /** An empty run left its number to another; when it comes back it takes the next. */
    private static function numberAnew(Run $run): void
    {
        $others = static fn () => Run::query()->where('experiment_id', $run->experiment_id)->where('thrown_away_at', null);
        if ($run->thrown_away_at === null && $others()->where('number', $run->number)->count() > 1) {
            Run::query()->whereKey($run->id)->update(['number' => 1 + (int) $others()->max('number')]);
        }
    }

    private static function requireAlone(Run $run): void
    {
        foreach ($run->isOpen() ? array_filter([$run->bench_id, $run->beside_id]) : [] as $bench) {
            $other = Run::openAt($bench)->with('experiment')->whereKeyNot($run->id)->first();
            $other === null || throw Refusal::benchBusy($other->experiment->title);
        }
    }
}

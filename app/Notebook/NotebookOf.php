<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Calibration;
use App\Models\Column;
use App\Models\Entry;
use App\Models\Line;
use App\Models\Run;
use App\Models\Span;
use Illuminate\Support\Collection;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Notebook as Core;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** Makes the core's notebook of stored rows. What is stored and cannot be read spoils its own line and nothing else. */
final class NotebookOf
{
    public static function rows(NotebookRows $rows): Core\Notebook
    {
        return Core\Notebook::of(
            array_values($rows->entries->map(static fn (Entry $e): Core\Entry => self::entry($e, $rows))->all()),
            array_values($rows->columns->map(self::column(...))->all()),
            array_values($rows->lines->map(static fn (Line $l): Core\Line => self::line($l, $rows))->all()),
            array_values($rows->runs->map(static fn (Run $r): Core\Run => self::run($r, $rows))->all()),
        );
    }

    private static function entry(Entry $entry, NotebookRows $rows): Core\Entry
    {
        $unit = Unit::ofHeader($entry->unit);
        $ofRuns = [];
        foreach ($rows->entryValues as $value) {
            $measured = $value->entry_id === $entry->id ? self::measured($value->value, $value->uncertainty, $unit) : null;
            if ($measured !== null) {
                $ofRuns[$value->run_id] = $measured;
            }
        }

        return new Core\Entry(
            $entry->symbol, $entry->name, $unit, $entry->is_per_run ? null : self::measured($entry->value, $entry->uncertainty, $unit),
            $entry->is_per_run, $ofRuns, $entry->is_words ? (string) $entry->text : null,
        );
    }

    private static function column(Column $column): Core\Column
    {
        $origin = implode(' ', [$column->id, $column->role, $column->is_raw ? 'raw' : '', $column->is_words ? 'words' : '', $column->uncertainty, $column->uncertainty_of, $column->edition]);

        return new Core\Column($column->symbol, $column->name, Unit::ofHeader($column->unit), $column->kind, (string) $column->formula, $column->decimals, $origin);
    }

    private static function line(Line $line, NotebookRows $rows): Core\Line
    {
        $numbers = [];
        foreach ($line->options['numbers'] ?? [] as $slot => $number) {
            $measured = self::measured((float) $number['value'], (float) $number['uncertainty'], Unit::ofHeader($number['unit']));
            if ($measured !== null) {
                $numbers[(string) $slot] = $measured;
            }
        }
        $span = $line->span_id === null ? null : $rows->spans->find($line->span_id);
        $along = $span instanceof Span ? $rows->columns->find($span->column_id) : null;

        return new Core\Line(
            $line->symbol, $line->title, $line->method, $line->is_per_run, $rows->usesOf($line), $line->options['texts'] ?? [], $numbers,
            $span instanceof Span && $along instanceof Column ? new Core\Span($along->symbol, $span->from, $span->to, $span->name, $span->ends()) : null,
            words: $line->options['words'] ?? '', onlyRun: $line->options['onlyRun'] ?? null, guesses: $line->options['guesses'] ?? [],
        );
    }

    /**
     * @param  Collection<int, Column>  $columns
     * @param  array<int, Calibration|null>  $instead  calibration by channel id, in place of the one in force
     */
    public static function data(Run $run, Collection $columns, array $instead = []): Core\RunData
    {
        return match ($run->kind) {
            Run::TIMED => TimedRows::of($run, $columns, $instead)->data(),
            Run::TYPED => TypedRows::of($run, $columns)->data(),
            default => RunRows::of($run, $columns, $instead)->data(),
        };
    }

    private static function run(Run $run, NotebookRows $rows): Core\Run
    {
        return new Core\Run(
            $run->id, $run->number, $run->title(), $run->condition, $run->trial,
            // While it is recorded its rows are others every moment.
            "{$run->id} {$run->data_revision}".($run->isTimed() && $run->isOpen() ? ' '.now()->getTimestampMs() : ''),
            static fn (): Core\RunData => self::data($run, $rows->columns), $run->isTyped() ? static fn (): array => TypedRows::revisions($run, $rows->columns) : null, $run->aside,
        );
    }

    private static function measured(?float $value, float $uncertainty, Unit $unit): ?Measured
    {
        try {
            return $value === null ? null : Measured::of($value, $uncertainty, $unit);
        } catch (CoreException) {
            // Its line waits for it, as for one that was not typed.
            return null;
        }
    }
}

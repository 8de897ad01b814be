<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Notebook\ExperimentWork;
use Welkion\Core\Notebook\Grouping;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\Reach;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunsTable;
use Welkion\Core\Notebook\Symbols;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** The runs table in the shape of the HTTP API. */
final class RunsTableShape
{
    /** @return array<string, mixed> */
    public static function of(ExperimentWork $work): array
    {
        $table = new RunsTable($work->worked);
        $units = $table->units();
        $cell = static function (string $symbol, Run $run) use ($table, $units): ?array {
            $value = $table->value($symbol, $run->id);

            return $value === null ? null : MeasuredResource::shape($value->in($units[$symbol]));
        };
        $symbols = $table->symbols();

        return [
            'columns' => array_map(static fn (string $symbol): array => self::column($symbol, $work->worked->notebook, $units[$symbol] ?? Unit::one())
                + ['doubt' => self::doubt($symbol, $work->worked), 'groups' => array_map(self::group(...), $table->grouped($symbol))], $symbols),
            'rows' => array_values(array_map(static fn (Run $run): array => [
                'runId' => $run->id, 'cells' => (object) array_combine($symbols, array_map(static fn (string $symbol): ?array => $cell($symbol, $run), $symbols)),
            ], $work->worked->notebook->runs)),
        ];
    }

    /** @return array<string, mixed> */
    private static function column(string $symbol, Notebook $notebook, Unit $unit): array
    {
        $entry = $notebook->entries[$symbol] ?? null;
        $line = $notebook->lines[Symbols::base($symbol)] ?? null;
        $part = explode('.', $symbol, 2)[1] ?? '';

        return ['symbol' => $symbol, 'title' => $notebook->worded($entry->name ?? $line->title ?? $symbol).($line === null || $part === '' ? '' : ', '.(Methods::outcomeWords($line)[$part] ?? $part)), 'kind' => $entry === null ? 'line' : 'entry', 'unit' => $unit->symbol];
    }

    private static function doubt(string $symbol, WorkedNotebook $worked): ?string
    {
        $line = $worked->notebook->lines[Symbols::base($symbol)] ?? null;

        return $line === null ? null : (new Reach($worked))->doubt($line);
    }

    /** @return array<string, mixed> */
    private static function group(Grouping $group): array
    {
        $shown = Digits::of(Measured::of($group->mean, $group->halfRange, $group->unit));
        $decimals = $group->halfRange > 0.0 ? Digits::decimalsFor($group->halfRange) : null;
        $written = static fn (?float $value): ?string => match (true) {
            $value === null => null,
            $decimals === null => Digits::round((float) sprintf('%.2g', $value)),
            default => Digits::fixed($value, $decimals),
        };

        return [
            'condition' => $group->condition, 'n' => $group->n, 'mean' => $group->mean, 'meanShown' => $shown->value,
            'sd' => $group->sd, 'standardError' => $group->standardError, 'range' => $group->range, 'halfRange' => $group->halfRange, 'percent' => $group->percent,
            'shown' => (object) array_filter([
                'sd' => $written($group->sd), 'standardError' => $written($group->standardError), 'range' => $group->n > 1 ? $written($group->range) : null,
                'halfRange' => $group->n > 1 ? $written($group->halfRange) : null,
                'percent' => $group->percent === null || $group->n < 2 ? null : Digits::round((float) sprintf('%.2g', $group->percent)),
            ], is_string(...)),
        ];
    }
}

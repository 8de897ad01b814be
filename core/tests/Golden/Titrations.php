<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Golden;

use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\Line;
use Welkion\Core\Working\TitrationEntries;
use Welkion\Core\Working\TitrationWorking;

/** The working of twelve titrations of the reference, as this code tells it. */
final class Titrations
{
    private const COUNT = 12;

    private const REFERENCE = __DIR__.'/../reference/titration';

    /** @return array<string, list<array<string, mixed>>> the lines, by file */
    public static function workings(): array
    {
        $truth = json_decode((string) file_get_contents(self::REFERENCE.'/truth.json'), true, flags: JSON_THROW_ON_ERROR);
        $workings = [];
        foreach (array_slice($truth['files'], 0, self::COUNT) as $file => $about) {
            [$volumes, $phs] = self::columns($file);
            $given = $about['given'];
            $entries = new TitrationEntries(
                'titrant', 'sample', 'analyte',
                Measured::of((float) $given['titrant_concentration']['value'], 0.0002, Unit::parse('mol/L')),
                Measured::of((float) $given['sample_volume']['value'], 0.03, Unit::parse('mL')),
                Measured::of(1.0, 0.0, Unit::one()), Measured::of(90.08, 0.01, Unit::parse('g/mol')),
            );
            $lines = (new TitrationWorking)->lines(TitrationCurve::of($volumes, $phs), null, $entries, 0.012);
            $workings[$file] = array_map(static fn (Line $l): array => [
                'line' => $l->key, 'value' => $l->result?->value, 'uncertainty' => $l->result?->uncertainty, 'unit' => $l->result?->unit->symbol,
            ], $lines);
        }

        return $workings;
    }

    /** @return array{list<float>, list<float>} volumes and pH where both are numbers */
    private static function columns(string $file): array
    {
        $columns = [[], []];
        foreach (array_slice(file(self::REFERENCE.'/'.$file, FILE_IGNORE_NEW_LINES) ?: [], 1) as $line) {
            $cells = explode(',', $line);
            if (is_numeric($cells[0]) && is_numeric($cells[1] ?? null)) {
                $columns[0][] = (float) $cells[0];
                $columns[1][] = (float) $cells[1];
            }
        }

        return $columns;
    }
}

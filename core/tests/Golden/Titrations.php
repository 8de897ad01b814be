<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Golden;

use Welkion\Core\Notebook\Protocol;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** The working of twelve titrations of the reference, as this code tells it. */
final class Titrations
{
    private const COUNT = 12;

    private const PH_UNCERTAINTY = 0.012;

    private const PROTOCOL = __DIR__.'/../../../resources/protocols/titration.json';

    private const LINES = ['equivalence-volume', 'half-equivalence', 'amount', 'concentration', 'mass-concentration'];

    private const REFERENCE = __DIR__.'/../reference/titration';

    /** @return array<string, list<array<string, mixed>>> the lines, by file */
    public static function workings(): array
    {
        $truth = json_decode((string) file_get_contents(self::REFERENCE.'/truth.json'), true, flags: JSON_THROW_ON_ERROR);
        $protocol = Protocol::read((string) file_get_contents(self::PROTOCOL));
        $workings = [];
        foreach (array_slice($truth['files'], 0, self::COUNT) as $file => $about) {
            [$volumes, $phs] = self::columns($file);
            $given = $about['given'];
            $data = new RunData(count($volumes), [
                'V' => new ColumnInput('V', Unit::parse('mL'), $volumes),
                'pH' => new ColumnInput('pH', Unit::parse('pH'), $phs, array_fill(0, count($phs), self::PH_UNCERTAINTY)),
            ]);
            $worked = new WorkedNotebook($protocol->notebook([
                'c' => Measured::of((float) $given['titrant_concentration']['value'], 0.0002, Unit::parse('mol/L')),
                'V0' => Measured::of((float) $given['sample_volume']['value'], 0.03, Unit::parse('mL')),
                'r' => Measured::of(1.0, 0.0, Unit::one()), 'M' => Measured::of(90.08, 0.01, Unit::parse('g/mol')),
            ], [new Run(1, 1, 'Run 1', null, null, '', static fn (): RunData => $data)]));
            $workings[$file] = array_map(static fn (string $line, string $symbol): array => [
                'line' => $line, 'value' => $worked->line($symbol, 1)->result()?->value, 'uncertainty' => $worked->line($symbol, 1)->result()?->uncertainty,
                'unit' => $worked->line($symbol, 1)->result()?->unit->symbol,
            ], self::LINES, ['Veq', 'pKa', 'n', 'c_s', 'beta']);
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

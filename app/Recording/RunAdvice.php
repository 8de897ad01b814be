<?php

declare(strict_types=1);

namespace App\Recording;

use App\Notebook\NotebookRows;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Notebook\Fields;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Outcome;

/** What the methods that watch an open run have to say. */
final class RunAdvice
{
    /**
     * @param  list<float|string>  $remaining  steps still to come
     * @return list<Outcome> those that warn
     */
    public static function outcomes(NotebookRows $rows, WorkedNotebook $worked, int $run, array $remaining): array
    {
        $outcomes = [];
        $steps = array_values(array_filter($remaining, is_float(...)));
        foreach ((new Fields($rows->experiment->plan))->fields('run')->things('watch') as $watch) {
            $method = Methods::find($watch->text('method'));
            if ($method === null) {
                continue;
            }
            try {
                $columns = self::columns($worked, $run, $watch->fields('uses')->named());
                $unit = $rows->stepColumn()?->stepLimits()->unit ?? Unit::one();
                $outcome = $method->work(new Inputs($columns, self::numbers($watch) + ($steps === [] ? [] : [
                    'next' => Measured::of($steps[0], 0.0, $unit), 'last' => Measured::of($steps[count($steps) - 1], 0.0, $unit),
                ])));
            } catch (CoreException) {
                // Too little to say anything yet.
                continue;
            }
            if ($outcome->warnings !== []) {
                $outcomes[] = $outcome;
            }
        }

        return $outcomes;
    }

    /** @return array<string, Measured> what the protocol says of it, by slot */
    private static function numbers(Fields $watch): array
    {
        $numbers = [];
        foreach (array_keys($watch->fields('numbers')->all) as $slot) {
            $number = $watch->fields('numbers')->fields((string) $slot);
            $numbers[(string) $slot] = Measured::of($number->number('value') ?? NAN, 0.0, Unit::parse($number->text('unit')));
        }

        return $numbers;
    }

    /**
     * @param  array<string, string>  $uses
     * @return array<string, ColumnInput>
     */
    private static function columns(WorkedNotebook $worked, int $run, array $uses): array
    {
        $columns = [];
        foreach ($uses as $slot => $symbol) {
            $cells = isset($worked->notebook->columns[$symbol]) ? $worked->column($symbol, $run)->cells : null;
            if ($cells !== null) {
                $columns[$slot] = $cells;
            }
        }
        $rows = self::usable($columns, $worked->data($run));

        return array_map(static fn (ColumnInput $c): ColumnInput => $c->only($rows), $columns);
    }

    /**
     * @param  array<string, ColumnInput>  $columns
     * @return list<int>
     */
    private static function usable(array $columns, RunData $data): array
    {
        $rows = [];
        for ($row = 0; $row < $data->rowCount; $row++) {
            $isBlank = array_filter($columns, static fn (ColumnInput $c): bool => ! is_finite($c->values[$row])) !== [];
            if (! $isBlank && ! isset($data->aside[$row])) {
                $rows[] = $row;
            }
        }

        return $rows;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** Trials of one condition are compared over the same stretch, or it is said which of them is not. */
final readonly class Reach
{
    /** Ends that differ by less of the whole stretch are the same: a reading more or less. */
    private const SAME = 0.1;

    public function __construct(private WorkedNotebook $worked)
    {
    }

    /** @return string|null which trials a line was worked out over another stretch of; null: of none */
    public function doubt(Line $line): ?string
    {
        $along = $line->span->column ?? $line->uses['x'] ?? null;
        $column = $along === null ? null : $this->worked->notebook->columns[$along] ?? null;
        if ($along === null || $column === null || ! $line->isPerRun) {
            return null;
        }
        $conditions = [];
        foreach ($this->worked->notebook->runs as $run) {
            $reach = $run->aside !== null || $run->condition === null ? null : $this->of($line, $along, $run);
            if ($reach !== null) {
                $conditions[$run->condition][] = [$run, $reach];
            }
        }
        $told = [];
        foreach ($conditions as $condition => $trials) {
            [$from, $to] = [min(array_map(static fn (array $t): float => $t[1][0], $trials)), max(array_map(static fn (array $t): float => $t[1][1], $trials))];
            $others = array_filter($trials, static fn (array $t): bool => max($t[1][0] - $from, $to - $t[1][1]) > self::SAME * ($to - $from));
            foreach ($others as [$run, $reach]) {
                $told[] = sprintf('trial %s of “%s” over %s to %s', $run->trial ?? $run->number, $condition, self::written($reach[0]), self::written($reach[1]));
            }
            if ($others !== []) {
                $told[count($told) - 1] .= sprintf(', and not %s to %s', self::written($from), trim(self::written($to).' '.$column->unit->symbol));
            }
        }

        return $told === [] ? null : ucfirst(implode('; ', $told)).'. Compare trials over the same stretch: take a span all of them have, or set the run aside.';
    }

    /** @return array{float, float}|null where the rows of a run that count begin and end */
    private function of(Line $line, string $along, Run $run): ?array
    {
        $columns = array_filter($line->uses, fn (string $symbol): bool => isset($this->worked->notebook->columns[$symbol]));
        $cells = (new RowsForLine($this->worked))->columns($line, $run->id, ['along' => $along] + $columns, $line->span !== null);
        $values = is_string($cells) ? [] : $cells['along']->values;

        return $values === [] ? null : [min($values), max($values)];
    }

    private static function written(float $value): string
    {
        return strtr((string) (float) sprintf('%.4g', $value), ['-' => '−']);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Notebook\Doubts;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Notebook\WorkedLine;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\ValueList;

/** What a line comes to in one run or in the experiment, in the shape of the HTTP API. */
final class WorkedLineShape
{
    private const MOST_SOURCES = 6;

    /** @return array<string, mixed> */
    public static function of(WorkedLine $worked, WorkedNotebook $in): array
    {
        $line = $in->notebook->lines[$worked->symbol];
        $outcome = $worked->outcome;
        $declaration = Methods::find($line->method)?->declaration();
        $words = Methods::outcomeWords($line);
        $result = $worked->result();

        return [
            'symbol' => $worked->symbol,
            'runId' => $worked->run,
            'result' => $result === null ? null : MeasuredResource::shape($result),
            'outcomes' => $outcome === null ? [] : array_map(static fn (string $name, Measured $m): array => [
                'name' => $name, 'words' => $words[$name] ?? $name, 'measured' => MeasuredResource::shape($m),
            ], array_map(strval(...), array_keys($outcome->values)), array_values($outcome->values)),
            'lists' => $outcome === null ? [] : array_map(static fn (string $name, ValueList $l): array => [
                'name' => $name, 'words' => $declaration->lists[$name] ?? $name, 'values' => $l->values, 'unit' => $l->unit->symbol, 'names' => $l->names,
            ], array_map(strval(...), array_keys($outcome->lists)), array_values($outcome->lists)),
            'method' => $outcome->method ?? ($line->words === '' ? $declaration->sentence ?? $line->method : $in->notebook->worded($line->words)),
            'source' => $declaration->source ?? '',
            'explanation' => $outcome?->explanation === null ? null : [
                'symbols' => $outcome->explanation->symbols->toArray(), 'numbers' => $outcome->explanation->numbers?->toArray(),
            ],
            'rests' => array_values(array_filter($in->graph->uses[$worked->symbol] ?? [], static fn (string $s): bool => isset($in->notebook->lines[$s]))),
            'sources' => self::sources($result),
            'warnings' => array_map(self::warning(...), [...$outcome->warnings ?? [], ...(new Doubts($in))->of($line, $worked->run)]),
            'marks' => $outcome === null ? [] : self::marks($outcome, $line->uses),
            'goodness' => $outcome?->goodness === null ? null : GoodnessShape::of($outcome->goodness, $outcome->values),
            'needs' => $worked->needs,
            'problem' => $worked->problem,
            'position' => $worked->position,
        ];
    }

    /** @return array{code: string, title: string, text: string} */
    public static function warning(Warning $warning): array
    {
        return ['code' => $warning->code, 'title' => $warning->title, 'text' => $warning->text];
    }

    /** @return list<array{words: string, percent: float}> */
    private static function sources(?Measured $result): array
    {
        $percent = array_slice($result?->shares->percent() ?? [], 0, self::MOST_SOURCES, true);

        return array_map(static fn (string|int $words, float $p): array => ['words' => (string) $words, 'percent' => $p], array_keys($percent), array_values($percent));
    }

    /**
     * @param  array<string, string>  $uses  symbol by slot
     * @return list<array<string, mixed>> those whose columns are known
     */
    public static function marks(Outcome $outcome, array $uses): array
    {
        $marks = [];
        foreach ($outcome->marks as $mark) {
            if (isset($uses[$mark->xSlot], $uses[$mark->ySlot])) {
                $marks[] = self::mark($mark, $uses[$mark->xSlot], $uses[$mark->ySlot]);
            }
        }

        return $marks;
    }

    /** @return array<string, mixed> */
    private static function mark(Mark $mark, string $x, string $y): array
    {
        return ['kind' => $mark->kind->value, 'label' => $mark->label, 'xSymbol' => $x, 'ySymbol' => $y, 'x' => $mark->x, 'y' => $mark->y, 'low' => $mark->low];
    }
}

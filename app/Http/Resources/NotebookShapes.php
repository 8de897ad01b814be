<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Bench;
use App\Models\Column;
use App\Models\Entry;
use App\Models\EntryValue;
use App\Models\Experiment;
use App\Models\Figure;
use App\Models\Line;
use App\Models\Run;
use App\Models\Span;
use App\Notebook\NotebookRows;
use Welkion\Core\Notebook\Notebook;

/** The things of a notebook in the shape of the HTTP API. Names are told with the words of entries put in. */
final readonly class NotebookShapes
{
    private DrawingShape $drawings;

    public function __construct(private NotebookRows $rows, private Notebook $notebook)
    {
        $this->drawings = new DrawingShape($notebook, $rows);
    }

    /** @return array<string, mixed> */
    public function entry(Entry $entry): array
    {
        return [
            'id' => $entry->id, 'symbol' => $entry->symbol, 'name' => $entry->name, 'shownName' => $this->notebook->worded($entry->name), 'unit' => $entry->unit,
            'isPerRun' => $entry->is_per_run, 'isWords' => $entry->is_words, 'value' => $entry->value, 'uncertainty' => $entry->uncertainty, 'text' => $entry->text,
            'position' => $entry->position,
            'ofRuns' => array_values($this->rows->entryValues->filter(static fn (EntryValue $v): bool => $v->entry_id === $entry->id)
                ->map(static fn (EntryValue $v): array => ['runId' => $v->run_id, 'value' => $v->value, 'uncertainty' => $v->uncertainty])->all()),
        ];
    }

    /** @return array<string, mixed> */
    public function column(Column $column): array
    {
        return [
            'id' => $column->id, 'symbol' => $column->symbol, 'name' => $column->name, 'shownName' => $this->notebook->worded($column->name), 'unit' => $column->unit,
            'kind' => $column->kind->value, 'role' => $column->role, 'isRaw' => $column->is_raw, 'isSteady' => $column->is_steady, 'isWords' => $column->is_words,
            'formula' => $column->formula, 'decimals' => $column->decimals, 'least' => $column->least, 'most' => $column->most, 'finest' => $column->finest,
            'position' => $column->position, 'uncertainty' => $column->uncertainty, 'uncertaintyOf' => $column->uncertainty_of, 'isHidden' => $column->is_hidden, 'width' => $column->width,
        ];
    }

    /** @return array<string, mixed> */
    public function span(Span $span): array
    {
        return ['id' => $span->id, 'columnId' => $span->column_id, 'name' => $span->name, 'from' => $span->from, 'to' => $span->to,
            'ofRuns' => array_map(static fn (int $run, array $ends): array => ['run' => $run, 'from' => $ends[0], 'to' => $ends[1]], array_keys($span->ends()), $span->ends())];
    }

    /** @return array<string, mixed> */
    public function figure(Figure $figure): array
    {
        return ['id' => $figure->id, 'title' => $figure->title, 'shownTitle' => $this->notebook->worded($figure->title), 'position' => $figure->position]
            + $this->drawings->of($figure->drawing());
    }

    /** @return array<string, mixed> */
    public function line(Line $line): array
    {
        return [
            'id' => $line->id, 'symbol' => $line->symbol, 'title' => $line->title, 'shownTitle' => $this->notebook->worded($line->title), 'method' => $line->method,
            'isPerRun' => $line->is_per_run, 'onlyRun' => $line->options['onlyRun'] ?? null, 'spanId' => $line->span_id, 'uses' => (object) $this->rows->usesOf($line), 'texts' => (object) ($line->options['texts'] ?? []),
            'numbers' => (object) ($line->options['numbers'] ?? []), 'position' => $line->position, 'guesses' => self::guesses($line->options['guesses'] ?? []),
        ];
    }

    /**
     * @param  array<int, string>  $guesses
     * @return list<array{runId: int|null, typed: string}>
     */
    private static function guesses(array $guesses): array
    {
        return array_map(static fn (int $run, string $typed): array => ['runId' => $run === 0 ? null : $run, 'typed' => $typed], array_keys($guesses), $guesses);
    }

    /** @return array<string, mixed> */
    public function run(Run $run): array
    {
        return [
            'id' => $run->id, 'number' => $run->number, 'position' => $run->place(), 'name' => $run->title(), 'ownName' => $run->name, 'condition' => $run->condition, 'trial' => $run->trial, 'aside' => $run->aside, 'kind' => $run->kind,
            'state' => $run->state, 'bench' => self::bench($run->bench), 'beside' => self::bench($run->beside),
            'startedAt' => $run->started_at->toIso8601ZuluString(), 'finishedAt' => $run->finished_at?->toIso8601ZuluString(),
            'readingCount' => $run->isTyped() ? $run->rowOrder()->count() : (int) ($run->readings_count ?? 0), 'timed' => $run->isTimed() ? self::timed($run) : null,
        ];
    }

    /** @return array{id: int, name: string}|null */
    private static function bench(?Bench $bench): ?array
    {
        return $bench === null ? null : ['id' => $bench->id, 'name' => $bench->name];
    }

    /** @return array<string, mixed> */
    private static function timed(Run $run): array
    {
        return ['plan' => $run->timedPlan()->toArray(), 'isWaiting' => $run->isWaiting(), 'zero' => $run->zeroTime(), 'clockError' => $run->clockError(), 'endedS' => $run->ended_s, 'endedBy' => $run->ended_by];
    }

    /** @return array<string, mixed> */
    public function about(Experiment $experiment): array
    {
        return [
            'title' => $experiment->title, 'aim' => $experiment->aim, 'conclusion' => $experiment->conclusion,
            'bench' => self::bench($experiment->bench), 'beside' => self::bench($experiment->beside),
            'plan' => PlanShape::of($experiment, $this->notebook), 'board' => $experiment->board()->toArray(),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Bench;
use App\Models\Column;
use App\Models\Entry;
use App\Models\Experiment;
use App\Models\Figure;
use App\Models\Line;
use App\Models\Span;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Welkion\Core\Notebook\Fields;
use Welkion\Core\Notebook\FigureDrawing;
use Welkion\Core\Notebook\Protocol;

/** Begins experiments from protocols, and makes protocols of experiments. */
final readonly class ExperimentStart
{
    /** What an experiment remembers of its protocol; the rest is in tables. */
    private const REMEMBERED = ['title', 'question', 'finds', 'sentence', 'picture', 'subject', 'level', 'minutes', 'prepare', 'roles', 'run', 'board', 'hints'];

    /** @param  string  $key  the same key again gives the same experiment */
    public function begin(User $user, string $key, string $title, Protocol $protocol, ?Bench $bench): Experiment
    {
        return DB::transaction(function () use ($user, $key, $title, $protocol, $bench): Experiment {
            $user->newQuery()->whereKey($user->id)->lockForUpdate()->first();
            $begun = $user->experiments()->where('request_key', $key)->get()->first();
            if ($begun !== null) {
                return $begun;
            }
            $experiment = $user->experiments()->create([
                'bench_id' => $bench?->id, 'request_key' => $key, 'title' => $title,
                'plan' => array_intersect_key($protocol->data->all, array_flip(self::REMEMBERED)),
            ])->refresh();
            $this->fill($experiment, $protocol);

            return $experiment;
        });
    }

    /**
     * All of a notebook but its data, as a file.
     *
     * @return array<string, mixed> of the shape of the schema
     */
    public static function protocolOf(NotebookRows $rows): array
    {
        $columns = $rows->columns->map(static fn (Column $c): array => array_filter([
            'symbol' => $c->symbol, 'name' => $c->name, 'unit' => $c->unit, 'kind' => $c->kind->value, 'role' => $c->role, 'isRaw' => $c->is_raw, 'isSteady' => $c->is_steady,
            'isWords' => $c->is_words, 'formula' => $c->formula, 'decimals' => $c->decimals, 'least' => $c->least, 'most' => $c->most, 'finest' => $c->finest,
        ], static fn (mixed $v): bool => $v !== null && $v !== false && $v !== ''));
        $entries = $rows->entries->map(static fn (Entry $e): array => ['symbol' => $e->symbol, 'name' => $e->name]
            + ($e->is_words ? ['text' => ''] : ['unit' => $e->unit]) + ($e->is_per_run ? ['perRun' => true] : []));
        $lines = $rows->lines->map(static fn (Line $l): array => self::lineOf($l, $rows));
        $spans = $rows->spans->map(static fn (Span $s): array => ['name' => $s->name, 'column' => $rows->columns->find($s->column_id)->symbol ?? '', 'from' => $s->from, 'to' => $s->to]);
        $figures = $rows->figures->map(static fn (Figure $f): array => ['title' => $f->title] + $f->options);

        return ['title' => $rows->experiment->title] + $rows->experiment->plan + ['sentence' => 'Made of an experiment.'] + [
            'entries' => array_values($entries->all()), 'columns' => array_values($columns->all()), 'spans' => array_values($spans->all()),
            'figures' => array_values($figures->all()), 'lines' => array_values($lines->all()),
        ];
    }

    private function fill(Experiment $experiment, Protocol $protocol): void
    {
        $symbols = [];
        $spans = [];
        $place = ['experiment_id' => $experiment->id];
        foreach ($protocol->data->things('entries') as $i => $entry) {
            $isWords = array_key_exists('text', $entry->all);
            $symbols[$entry->text('symbol')] = Entry::query()->create($place + [
                'symbol' => $entry->text('symbol'), 'name' => $entry->text('name'), 'unit' => $entry->text('unit'), 'is_per_run' => $entry->isTrue('perRun'), 'is_words' => $isWords,
                'value' => $entry->number('value'), 'uncertainty' => $entry->number('uncertainty') ?? 0.0, 'text' => $isWords ? $entry->text('text') : null, 'position' => $i + 1,
            ]);
        }
        foreach ($protocol->data->things('columns') as $i => $column) {
            $symbols[$column->text('symbol')] = Column::query()->create($place + [
                'symbol' => $column->text('symbol'), 'name' => $column->text('name'), 'unit' => $column->text('unit'), 'kind' => $column->text('kind'),
                'role' => $column->text('role') ?: null, 'is_raw' => $column->isTrue('isRaw'), 'is_steady' => $column->isTrue('isSteady'), 'is_words' => $column->isTrue('isWords'),
                'formula' => $column->text('formula') ?: null, 'decimals' => $column->number('decimals'), 'least' => $column->number('least'), 'most' => $column->number('most'),
                'finest' => $column->number('finest'), 'position' => $i + 1,
            ]);
        }
        foreach ($protocol->data->things('spans') as $span) {
            $along = $symbols[$span->text('column')] ?? null;
            if ($along instanceof Column) {
                $spans[$span->text('name')] = Span::query()->create($place + ['column_id' => $along->id, 'name' => $span->text('name'), 'from' => $span->number('from') ?? 0.0, 'to' => $span->number('to') ?? 0.0]);
            }
        }
        foreach ($protocol->data->things('figures') as $i => $figure) {
            Figure::query()->create($place + ['title' => $figure->text('title'), 'position' => $i + 1, 'options' => FigureDrawing::fromArray($figure->all)->toArray()]);
        }
        $told = $protocol->data->things('lines');
        foreach ($told as $i => $line) {
            $texts = $line->fields('set')->named() + array_filter(['formula' => $line->text('formula'), 'unit' => $line->text('unit')], static fn (string $t): bool => $t !== '');
            $symbols[$line->text('symbol')] = Line::query()->create($place + [
                'symbol' => $line->text('symbol'), 'title' => $line->text('title'), 'method' => $line->text('method'), 'is_per_run' => $line->isTrue('perRun'),
                'span_id' => ($spans[$line->text('span')] ?? null)?->id, 'options' => ['texts' => $texts, 'numbers' => self::numbers($line), 'words' => $line->text('words'), 'onlyRun' => $line->integer('onlyRun')], 'position' => $i + 1,
            ]);
        }
        foreach ($told as $line) {
            $of = $symbols[$line->text('symbol')];
            foreach (LineInputs::of($line->fields('uses')->named(), $line->text('formula'), $symbols) as $input) {
                \App\Models\LineInput::query()->create(['line_id' => $of->id] + $input);
            }
        }
    }

    /** @return array<string, array{value: float, uncertainty: float, unit: string}> typed, by slot */
    private static function numbers(Fields $line): array
    {
        $numbers = [];
        foreach (array_keys($line->fields('numbers')->all) as $slot) {
            $number = $line->fields('numbers')->fields((string) $slot);
            $numbers[(string) $slot] = ['value' => $number->number('value') ?? 0.0, 'uncertainty' => $number->number('uncertainty') ?? 0.0, 'unit' => $number->text('unit')];
        }

        return $numbers;
    }

    /** @return array<string, mixed> */
    private static function lineOf(Line $line, NotebookRows $rows): array
    {
        $texts = $line->options['texts'] ?? [];
        $span = $line->span_id === null ? null : $rows->spans->find($line->span_id);

        return array_filter([
            'symbol' => $line->symbol, 'title' => $line->title, 'method' => $line->method, 'perRun' => $line->is_per_run, 'uses' => $rows->usesOf($line),
            'numbers' => $line->options['numbers'] ?? [],
            'set' => array_diff_key(array_filter($texts, static fn (string $t): bool => $t !== ''), ['formula' => '', 'unit' => '']), 'formula' => $texts['formula'] ?? '', 'unit' => $texts['unit'] ?? '',
            'span' => $span instanceof Span ? $span->name : '', 'words' => $line->options['words'] ?? '', 'onlyRun' => $line->options['onlyRun'] ?? null,
        ], static fn (mixed $v): bool => $v !== null && $v !== '' && $v !== [] && $v !== false);
    }
}

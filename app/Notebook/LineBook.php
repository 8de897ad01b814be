<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Experiment;
use App\Models\Line;
use App\Models\LineInput;
use App\Models\Run;
use App\Models\Span;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Notebook\Symbols;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\SlotKind;

/**
 * Adds, changes, moves, copies and removes lines of working.
 *
 * @phpstan-type LineInputsTold array{uses?: array<string, string>, texts?: array<string, string>, numbers?: array<string, array{value: float, uncertainty: float, unit: string}>, span_id?: int|null, only_run?: int|null, span?: array{column_id: int, name: string, from: float, to: float}}
 */
final readonly class LineBook
{
    public function __construct(private Journal $journal)
    {
    }

    /**
     * @param  array{symbol: string|null, title: string|null, method: string, is_per_run: bool}  $about  a symbol and a title are made where there is none
     * @param  LineInputsTold  $told
     */
    public function add(Experiment $experiment, array $about, array $told, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static fn (Draft $draft): string => 'Added line “'.self::made($draft, $experiment, $about, $told)->title.'”');
    }

    /**
     * @param  array{symbol: string|null, title: string|null, method: string, is_per_run: bool}  $about
     * @param  LineInputsTold  $told
     */
    public static function made(Draft $draft, Experiment $experiment, array $about, array $told): Line
    {
        $rows = NotebookRows::of($experiment);
        $declaration = Methods::find($about['method'])?->declaration() ?? throw Refusal::badFormula("There is no method \"{$about['method']}\".");
        $symbol = $about['symbol'] ?? self::freeSymbol($rows, preg_replace('/[^a-z]/', '', $about['method']) ?? 'x');
        Renaming::requireFree($rows, $symbol);
        $line = $draft->create(Line::class, [
            'experiment_id' => $experiment->id, 'symbol' => $symbol, 'title' => $about['title'] ?? $declaration->name, 'method' => $about['method'],
            'is_per_run' => $about['is_per_run'], 'position' => 1 + (int) $rows->lines->max('position'), 'span_id' => self::span($draft, $rows, $told)?->id,
            'options' => ['texts' => $told['texts'] ?? [], 'numbers' => $told['numbers'] ?? [], 'words' => '', 'onlyRun' => $told['only_run'] ?? null],
        ]);
        self::connect($draft, NotebookRows::of($experiment), $line, $told['uses'] ?? []);

        return $line;
    }

    /**
     * @param  array{symbol?: string, title?: string, is_per_run?: bool, place?: int}  $about  what is left out stays; place counts from 1
     * @param  LineInputsTold  $told  what is left out stays
     */
    public function change(Experiment $experiment, Line $line, array $about, array $told, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $line, $about, $told): string {
            $rows = NotebookRows::of($experiment);
            $line = $rows->lines->find($line->id) ?? throw Refusal::badFormula('This line is not there any more.');
            $title = $line->title;
            isset($about['symbol']) && Renaming::rename($draft, $rows, $line, $about['symbol']);
            $draft->update($line, array_diff_key($about, ['symbol' => '', 'place' => '']));
            isset($about['place']) && self::move($draft, $rows, $line, $about['place']);
            if (array_key_exists('span_id', $told) || isset($told['span'])) {
                $draft->update($line, ['span_id' => self::span($draft, $rows, $told)?->id]);
            }
            if (array_key_exists('only_run', $told)) {
                $draft->update($line, ['options' => ['onlyRun' => $told['only_run']] + $line->options]);
            }
            if (isset($told['texts']) || isset($told['numbers'])) {
                $draft->update($line, ['options' => [
                    'texts' => ($told['texts'] ?? []) + ($line->options['texts'] ?? []), 'numbers' => $told['numbers'] ?? $line->options['numbers'] ?? [],
                ] + $line->options]);
            }
            if (isset($told['texts']) || isset($told['uses'])) {
                self::connect($draft, NotebookRows::of($experiment), $line, $told['uses'] ?? $rows->usesOf($line));
            }

            return "Changed line “{$title}”";
        });
    }

    /**
     * What somebody thinks its result is, before it is shown.
     *
     * @param  string  $typed  as people type it; nothing takes it back
     * @param  Run|null  $run  of a line for each run
     */
    public function guess(Experiment $experiment, Line $line, string $typed, ?Run $run, Sender $sender): void
    {
        if ($line->is_per_run && $run === null) {
            throw Refusal::badFormula("Say for which run this is: “{$line->title}” has a result in each of them.");
        }
        $run = $line->is_per_run ? $run : null;
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($line, $typed, $run): string {
            $options = $line->refresh()->options;
            $guesses = array_diff_key($options['guesses'] ?? [], [$run->id ?? 0 => '']);
            $draft->update($line, ['options' => ['guesses' => $guesses + ($typed === '' ? [] : [$run->id ?? 0 => $typed])] + $options]);

            return ($typed === '' ? 'Took back' : 'Kept')." what “{$line->title}” is thought to be".($run === null ? '' : " in {$run->title()}");
        });
    }

    public function copy(Experiment $experiment, Line $line, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $line): string {
            $rows = NotebookRows::of($experiment);
            $copy = $draft->create(Line::class, [
                'experiment_id' => $experiment->id, 'symbol' => self::freeSymbol($rows, $line->symbol), 'title' => mb_substr("{$line->title}, copy", 0, 120), 'method' => $line->method,
                'is_per_run' => $line->is_per_run, 'span_id' => $line->span_id, 'options' => ['guesses' => []] + $line->options, 'position' => 1 + (int) $rows->lines->max('position'),
            ]);
            self::connect($draft, NotebookRows::of($experiment), $copy, $rows->usesOf($line));
            self::move($draft, NotebookRows::of($experiment), $copy, 1 + (int) $rows->lines->search(static fn (Line $l): bool => $l->id === $line->id) + 1);

            return "Copied line “{$line->title}”";
        });
    }

    public function remove(Experiment $experiment, Line $line, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($line): string {
            foreach (LineInput::query()->where('line_id', $line->id)->get() as $input) {
                $draft->delete($input);
            }
            $draft->delete($line);

            return "Removed line “{$line->title}”";
        });
    }

    /**
     * Checks what a line is given, and writes down what it uses.
     *
     * @param  array<string, string>  $uses  symbol by slot
     */
    private static function connect(Draft $draft, NotebookRows $rows, Line $line, array $uses): void
    {
        $declaration = Methods::find($line->method)?->declaration();
        $texts = $line->options['texts'] ?? [];
        $things = LineInputs::thingsOf($rows);
        foreach ($uses as $slot => $symbol) {
            if ($declaration?->slot($slot) === null) {
                throw Refusal::badFormula("{$line->method} takes no input \"{$slot}\".");
            }
            if (! isset($things[Symbols::base($symbol)])) {
                throw Refusal::badFormula("\"{$symbol}\" is no entry, column or line here.");
            }
        }
        foreach ($declaration->inputs ?? [] as $slot) {
            if ($slot->kind === SlotKind::Text && $slot->name === 'formula' && ($texts['formula'] ?? '') !== '') {
                Formula::parse($texts['formula']);
            }
        }
        ($texts['unit'] ?? '') === '' || Unit::parse($texts['unit']);
        $wanted = LineInputs::of($uses, $texts['formula'] ?? '', $things);
        $stored = LineInput::query()->where('line_id', $line->id)->get()->sortBy('id');
        foreach ($stored as $input) {
            $isWanted = array_filter($wanted, static fn (array $w): bool => $w['slot'] === $input->slot) !== [];
            $isWanted || $draft->delete($input);
        }
        foreach ($wanted as $input) {
            $there = $stored->first(static fn (LineInput $i): bool => $i->slot === $input['slot']);
            $there instanceof LineInput ? $draft->update($there, $input) : $draft->create(LineInput::class, ['line_id' => $line->id] + $input);
        }
    }

    private static function move(Draft $draft, NotebookRows $rows, Line $line, int $place): void
    {
        $others = array_values($rows->lines->filter(static fn (Line $l): bool => $l->id !== $line->id)->all());
        array_splice($others, max(0, $place - 1), 0, [$line]);
        foreach ($others as $i => $other) {
            $draft->update($other, ['position' => $i + 1]);
        }
    }

    /**
     * The span it works over: one that is there, or a new one.
     *
     * @param  LineInputsTold  $told
     */
    private static function span(Draft $draft, NotebookRows $rows, array $told): ?Span
    {
        if (isset($told['span'])) {
            $span = $told['span'];
            $rows->columns->find($span['column_id']) ?? throw Refusal::badFormula('This column is not there any more.');

            return $draft->create(Span::class, ['experiment_id' => $rows->experiment->id, 'from' => min($span['from'], $span['to']), 'to' => max($span['from'], $span['to'])] + $span);
        }
        $id = $told['span_id'] ?? null;

        return $id === null ? null : $rows->spans->find($id) ?? throw Refusal::badFormula('This span is not there any more.');
    }

    private static function freeSymbol(NotebookRows $rows, string $like): string
    {
        $stem = mb_substr(rtrim($like, '0123456789') ?: 'x', 0, Symbols::LONGEST - 4);
        $taken = $rows->symbols();
        for ($i = 1; ; $i++) {
            if (! in_array("{$stem}{$i}", $taken, true)) {
                return "{$stem}{$i}";
            }
        }
    }
}

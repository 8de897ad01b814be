<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Column;
use App\Models\Experiment;
use App\Models\Line;
use App\Models\Span;

/** Adds, moves and removes spans. */
final readonly class SpanBook
{
    public function __construct(private Journal $journal)
    {
    }

    public function add(Experiment $experiment, Column $column, string $name, float $from, float $to, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $column, $name, $from, $to): string {
            $draft->create(Span::class, ['experiment_id' => $experiment->id, 'column_id' => $column->id, 'name' => $name, 'from' => min($from, $to), 'to' => max($from, $to)]);

            return "Marked the span “{$name}”";
        });
    }

    /** @param  array{name?: string, from?: float, to?: float}  $attributes */
    public function change(Experiment $experiment, Span $span, array $attributes, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($span, $attributes): string {
            $span->refresh();
            [$from, $to] = [$attributes['from'] ?? $span->from, $attributes['to'] ?? $span->to];
            $draft->update($span, ['from' => min($from, $to), 'to' => max($from, $to)] + $attributes);

            return "Changed the span “{$span->name}”";
        });
    }

    /** @param  array{float, float}|null  $ends  from and to in this one run, by its number; null: as in all others */
    public function place(Experiment $experiment, Span $span, int $run, ?array $ends, Sender $sender): void
    {
        $experiment->runs()->where('number', $run)->exists() || throw Refusal::badFormula("There is no run {$run} here (any more).");
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($span, $run, $ends): string {
            $others = array_diff_key($span->refresh()->ends(), [$run => true]);
            $draft->update($span, ['of_runs' => $ends === null ? $others : $others + [$run => [min($ends), max($ends)]]]);

            return $ends === null ? "Put “{$span->name}” of run {$run} where it lies in all others" : "Put “{$span->name}” elsewhere in run {$run}";
        });
    }

    public function remove(Experiment $experiment, Span $span, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($span): string {
            foreach (Line::query()->where('span_id', $span->id)->get() as $line) {
                $draft->update($line, ['span_id' => null]);
            }
            $draft->delete($span);

            return "Removed the span “{$span->name}”";
        });
    }
}

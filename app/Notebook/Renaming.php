<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Column;
use App\Models\Entry;
use App\Models\Line;
use App\Models\LineInput;
use Welkion\Core\Notebook\Symbols;

/** Gives a thing another symbol, and rewrites every formula and figure that uses it. */
final class Renaming
{
    /** @throws Refusal If the symbol is taken. */
    public static function rename(Draft $draft, NotebookRows $rows, Entry|Column|Line $thing, string $to): void
    {
        $from = $thing->symbol;
        if ($from === $to) {
            return;
        }
        self::requireFree($rows, $to);
        $draft->update($thing, ['symbol' => $to]);
        foreach ($rows->columns as $column) {
            if ($column->formula !== null) {
                $draft->update($column, ['formula' => Symbols::renamed($column->formula, $from, $to)]);
            }
        }
        foreach ($rows->columns->where('uncertainty_of', $from) as $column) {
            $draft->update($column, ['uncertainty_of' => $to]);
        }
        foreach ($rows->lines as $line) {
            $formula = $line->options['texts']['formula'] ?? null;
            if ($formula !== null) {
                $draft->update($line, ['options' => ['texts' => ['formula' => Symbols::renamed($formula, $from, $to)] + ($line->options['texts'] ?? [])] + $line->options]);
            }
        }
        foreach ($rows->lineInputs as $input) {
            $used = substr($input->slot, strlen(LineInput::IN_FORMULA));
            if (str_starts_with($input->slot, LineInput::IN_FORMULA) && Symbols::base($used) === $from) {
                $draft->update($input, ['slot' => LineInput::IN_FORMULA.$to.substr($used, strlen($from))]);
            }
        }
        foreach ($rows->figures as $figure) {
            $draft->update($figure, ['options' => $figure->drawing()->renamed($from, $to)->toArray()]);
        }
        self::renameInPlans($draft, $rows, $from, $to);
        $board = $draft->experiment->board();
        in_array($from, $board->columns(), true) && $draft->update($draft->experiment, ['plan' => ['board' => $board->renamed($from, $to)->toArray()] + $draft->experiment->plan]);
    }

    /** What the next timed run waits for, and what one that is open does. */
    private static function renameInPlans(Draft $draft, NotebookRows $rows, string $from, string $to): void
    {
        $renamed = static function (array $plan) use ($from, $to): array {
            foreach (['begin', 'end'] as $part) {
                if (is_array($plan[$part] ?? null) && ($plan[$part]['column'] ?? null) === $from) {
                    $plan[$part]['column'] = $to;
                }
            }

            return $plan;
        };
        $run = $draft->experiment->plan['run'] ?? null;
        if (is_array($run) && is_array($run['plan'] ?? null)) {
            $draft->update($draft->experiment, ['plan' => ['run' => ['plan' => $renamed($run['plan'])] + $run] + $draft->experiment->plan]);
        }
        foreach ($rows->runs as $one) {
            $one->isTimed() && $draft->update($one, ['plan' => $renamed($one->plan ?? [])]);
        }
    }

    /** @throws Refusal If something of the notebook has this symbol. */
    public static function requireFree(NotebookRows $rows, string $symbol): void
    {
        Symbols::require($symbol);
        if (in_array($symbol, $rows->symbols(), true)) {
            throw Refusal::symbolTaken($symbol);
        }
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\FormulaError;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;
use Welkion\Core\Working\CommonSources;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;
use Welkion\Core\Working\SlotKind;

/**
 * Works out one line, for one run or for the experiment.
 *
 * @internal used by WorkedNotebook
 */
final readonly class LineWork
{
    private RowsForLine $rows;

    public function __construct(private WorkedNotebook $worked, private Results $results)
    {
        $this->rows = new RowsForLine($worked);
    }

    public function of(Line $line, ?int $run): WorkedLine
    {
        $key = $this->worked->keyOfLine($line->symbol, $run);
        $circle = $this->worked->graph->circles[$line->symbol] ?? null;
        if ($circle !== null) {
            return WorkedLine::problem($line, $run, $key, "This line uses itself: {$circle}. Take one of them out.");
        }
        $kept = $this->results->find($key);
        if ($kept !== null) {
            return WorkedLine::of($line, $run, $key, $kept);
        }
        $worked = $this->tried($line, $run, $key);
        if ($worked->outcome !== null) {
            $this->results->keep($key, $worked->outcome);
        }

        return $worked;
    }

    /** As it is worked out anew. */
    public function tried(Line $line, ?int $run, string $key = ''): WorkedLine
    {
        try {
            return $this->worked($line, $run, $key);
        } catch (FormulaError $error) {
            return WorkedLine::problem($line, $run, $key, $error->getMessage(), $error->position);
        } catch (CoreException|\ArithmeticError $error) {
            return WorkedLine::problem($line, $run, $key, $error->getMessage());
        }
    }

    private function worked(Line $line, ?int $run, string $key): WorkedLine
    {
        $method = Methods::find($line->method) ?? throw new InvalidQuantity("There is no method \"{$line->method}\".");
        $declaration = $method->declaration();
        $in = $run ?? $this->worked->notebook->runNumbered($line->onlyRun)?->id;
        if ($in === null && $line->onlyRun !== null) {
            return WorkedLine::waiting($line, $run, $key, "There is no run {$line->onlyRun} (any more). Record it, or let the line be of another.");
        }
        [$numbers, $missing] = $this->numbers($line, $declaration, $in);
        $texts = $line->texts;
        $columns = [];
        $spans = [];
        foreach ($declaration->inputs as $slot) {
            if ($slot->kind === SlotKind::Result) {
                $texts[$slot->name] = $line->uses[$slot->name] ?? '';
            }
            $isGiven = isset($line->uses[$slot->name]) || isset($numbers[$slot->name]) || ($texts[$slot->name] ?? '') !== '';
            if ($slot->kind === SlotKind::Text && $slot->default !== null) {
                $texts[$slot->name] = ($texts[$slot->name] ?? '') === '' ? $slot->default : $texts[$slot->name];
            } elseif ($slot->isRequired && ! $isGiven && $missing === null) {
                $missing = "Choose: {$slot->words}.";
            }
            if ($slot->kind === SlotKind::Span && $line->span !== null) {
                $span = $line->span->in($in === null ? null : $this->worked->notebook->runs[$in] ?? null);
                $spans[$slot->name] = [$span->from, $span->to];
            }
        }
        $declared = self::declared($declaration, SlotKind::Column);
        if ($missing === null && $declared !== []) {
            $columns = $this->rows->columns($line, $in, array_intersect_key($line->uses, array_flip($declared)), $spans === []);
            if (is_string($columns)) {
                [$missing, $columns] = [$columns, []];
            }
        }
        if ($missing !== null) {
            return WorkedLine::waiting($line, $run, $key, $missing);
        }

        return WorkedLine::of($line, $run, $key, $this->said($line, $in, CommonSources::work($method, new Inputs($columns, $numbers, array_filter($texts, static fn (string $t): bool => $t !== ''), $spans, $key))));
    }

    /**
     * The values a line uses: of its slots, and of the symbols of its formula.
     *
     * @return array{array<string, Measured>, string|null} and what is missing of them
     */
    private function numbers(Line $line, Declaration $declaration, ?int $run): array
    {
        $numbers = $line->numbers;
        $values = [];
        foreach (array_intersect_key($line->uses, array_flip(self::declared($declaration, SlotKind::Number))) as $slot => $symbol) {
            $values[$slot] = Value::of($this->worked, $symbol, $run) ?? throw new InvalidQuantity("There is no entry or line \"{$symbol}\" (any more). Choose another.");
        }
        [$ofRuns, $missing] = (new ResultsOfRuns($this->worked))->numbers($line, $declaration);
        $numbers = $ofRuns + $numbers;
        if (self::declared($declaration, SlotKind::Values) !== []) {
            $formula = Formula::parse($line->texts['formula'] ?? '');
            $formula->requireKnown([...$this->worked->notebook->symbolsLike($formula->symbols()), ...array_keys($line->numbers)]);
            foreach ($formula->symbols() as $symbol) {
                $value = Value::of($this->worked, $symbol, $run);
                if ($value !== null) {
                    $values[$symbol] = $value;
                } elseif (isset($this->worked->notebook->columns[$symbol])) {
                    throw new InvalidQuantity("\"{$symbol}\" is a column with many values. Take its mean, or make this a column.");
                }
            }
        }
        foreach ($values as $name => $value) {
            if ($value->measured !== null) {
                $numbers[$name] = $value->measured;
            }
        }

        return [$numbers, $missing ?? Value::missing($this->worked->notebook, ...array_values($values))];
    }

    /** Cells that are no numbers are left out, and that is said. Two lines over the same rows take their scatter for independent; a formula of both says so. */
    private function said(Line $line, ?int $run, Outcome $outcome): Outcome
    {
        $leftOut = (new LeftOut($this->worked))->warning($line, $run);
        $outcome = $leftOut === null ? $outcome : $outcome->warned($leftOut);
        $rows = [];
        foreach ($this->worked->graph->uses[$line->symbol] ?? [] as $used) {
            $of = $this->worked->notebook->lines[$used] ?? null;
            if ($of === null || $line->method !== 'formula') {
                continue;
            }
            $columns = array_values(array_filter($of->uses, fn (string $s): bool => isset($this->worked->notebook->columns[$s])));
            if (array_intersect($columns, $rows) !== []) {
                return $outcome->warned(new Warning('counted-apart', 'Two lines over the same rows meet here.', 'Their scatter is counted as if it were independent.'));
            }
            $rows = [...$rows, ...$columns];
        }

        return $outcome;
    }

    /** @return list<string> names of slots of a kind */
    private static function declared(Declaration $declaration, SlotKind $kind): array
    {
        return array_values(array_map(static fn (Slot $s): string => $s->name, array_filter($declaration->inputs, static fn (Slot $s): bool => $s->kind === $kind)));
    }
}

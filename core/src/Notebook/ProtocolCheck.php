<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\PhysicalConstants;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\SlotKind;

/**
 * What does not fit together in a protocol: symbols, units, formulas, methods and their inputs.
 *
 * @internal used by Protocol
 */
final class ProtocolCheck
{
    /** @var array<string, string> what each symbol is */
    private array $symbols = [];

    /** @var list<string> */
    private array $problems = [];

    private function __construct(private readonly Fields $data)
    {
    }

    /** @return list<string> one sentence each, with where; empty if all is well */
    public static function problems(Fields $data): array
    {
        $check = new self($data);
        foreach (['title', 'sentence'] as $name) {
            trim($data->text($name)) !== '' || $check->problems[] = "It has no {$name}.";
        }
        $check->symbols();
        $check->roles();
        $check->columns();
        $check->lines();
        $check->figures();
        $check->plan();
        $check->board();
        $check->circles();

        return $check->problems;
    }

    private function symbols(): void
    {
        foreach (['entries' => 'entry', 'columns' => 'column', 'lines' => 'line'] as $name => $word) {
            foreach ($this->data->things($name) as $i => $thing) {
                $symbol = $thing->text('symbol');
                try {
                    Symbols::require($symbol);
                    Unit::parse($thing->text('unit'));
                    if (isset($this->symbols[$symbol])) {
                        throw Symbols::taken($symbol);
                    }
                } catch (CoreException $error) {
                    $this->problems[] = "In {$word} ".($i + 1).": {$error->getMessage()}";
                }
                $this->symbols[$symbol] = $word;
            }
        }
    }

    private function roles(): void
    {
        foreach ($this->data->things('roles') as $i => $role) {
            if (ProbeKind::tryFrom($role->text('kind')) === null) {
                $this->problems[] = 'In role '.($i + 1).": there is no kind of probe \"{$role->text('kind')}\".";
            }
        }
    }

    private function columns(): void
    {
        $roles = array_map(static fn (Fields $r): string => $r->text('role'), $this->data->things('roles'));
        foreach ($this->data->things('columns') as $i => $column) {
            $where = 'In column '.($i + 1).': ';
            match (ColumnKind::tryFrom($column->text('kind'))) {
                null => $this->problems[] = "{$where}there is no kind of column \"{$column->text('kind')}\".",
                ColumnKind::Measured => in_array($column->text('role'), $roles, true) || $this->problems[] = "{$where}it is measured, so it names one of the roles.",
                ColumnKind::Derived => $this->formula($column->text('formula'), $where),
                default => null,
            };
        }
    }

    private function lines(): void
    {
        foreach ($this->data->things('lines') as $i => $line) {
            $where = 'In line '.($i + 1).': ';
            $declaration = Methods::find($line->text('method'))?->declaration();
            if ($declaration === null) {
                $this->problems[] = "{$where}there is no method \"{$line->text('method')}\".";

                continue;
            }
            if ($declaration->slot('formula')?->isRequired === true) {
                $this->formula($line->text('formula'), $where);
            }
            $uses = $line->fields('uses')->named();
            foreach ($uses as $slot => $symbol) {
                if ($declaration->slot($slot) === null) {
                    $this->problems[] = "{$where}{$declaration->key} takes no input \"{$slot}\".";
                } elseif (! isset($this->symbols[Symbols::base($symbol)])) {
                    $this->problems[] = "{$where}\"{$symbol}\" is no entry, column or line.";
                }
            }
            foreach (array_keys($line->fields('numbers')->all) as $slot) {
                if ($declaration->slot((string) $slot)?->kind !== SlotKind::Number) {
                    $this->problems[] = "{$where}{$declaration->key} takes no number \"{$slot}\".";
                }
                try {
                    Unit::parse($line->fields('numbers')->fields((string) $slot)->text('unit'));
                } catch (CoreException $error) {
                    $this->problems[] = $where.$error->getMessage();
                }
            }
            foreach ($declaration->inputs as $slot) {
                if ($slot->isRequired && $slot->kind === SlotKind::Column && ! isset($uses[$slot->name])) {
                    $this->problems[] = "{$where}{$declaration->key} needs \"{$slot->name}\": {$slot->words}.";
                }
            }
        }
    }

    private function figures(): void
    {
        foreach ($this->data->things('figures') as $i => $figure) {
            try {
                foreach (FigureDrawing::fromArray($figure->all)->columns() as $symbol) {
                    if (! isset($this->symbols[Symbols::base($symbol)])) {
                        $this->problems[] = 'In figure '.($i + 1).": \"{$symbol}\" is no column.";
                    }
                }
            } catch (InvalidQuantity $error) {
                $this->problems[] = 'In figure '.($i + 1).": {$error->getMessage()}";
            }
        }
    }

    private function board(): void
    {
        $data = $this->data->fields('board')->all;
        try {
            $columns = array_map(static fn (Fields $c): string => $c->text('symbol'), $this->data->things('columns'));
            foreach ($data === [] ? [] : array_diff(Board::fromArray($data)->columns(), $columns) as $symbol) {
                $this->problems[] = "On the board: \"{$symbol}\" is no column.";
            }
        } catch (CoreException $error) {
            $this->problems[] = "On the board: {$error->getMessage()}";
        }
    }

    private function plan(): void
    {
        $plan = $this->data->fields('run')->fields('plan')->all;
        if ($this->data->fields('run')->text('kind') === 'timed') {
            $this->timedPlan($plan);

            return;
        }
        try {
            $limits = Protocol::limitsIn($this->data);
            $plan === [] || $limits === null || StepPlan::fromArray($plan, $limits);
        } catch (CoreException $error) {
            $this->problems[] = "In the plan: {$error->getMessage()}";
        }
    }

    /** @param  array<array-key, mixed>  $plan  empty: as its probes are commonly recorded */
    private function timedPlan(array $plan): void
    {
        $kinds = array_column(array_map(static fn (Fields $c): array => [$c->text('symbol'), ColumnKind::tryFrom($c->text('kind'))], $this->data->things('columns')), 1, 0);
        if (! in_array(ColumnKind::Time, $kinds, true)) {
            $this->problems[] = 'Its runs are timed, so it needs a column of kind "time".';
        }
        try {
            foreach ($plan === [] ? [] : TimedPlan::fromArray($plan)->columns() as $symbol) {
                if (($kinds[$symbol] ?? null) !== ColumnKind::Measured) {
                    $this->problems[] = "In the plan: \"{$symbol}\" is no measured column, so a run cannot wait for it.";
                }
            }
        } catch (CoreException $error) {
            $this->problems[] = "In the plan: {$error->getMessage()}";
        }
    }

    private function circles(): void
    {
        if ($this->problems === []) {
            foreach (Graph::of(Protocol::notebookOf($this->data))->circles as $symbol => $circle) {
                $this->problems[] = "\"{$symbol}\" uses itself: {$circle}.";
            }
        }
    }

    private function formula(string $formula, string $where): void
    {
        try {
            $used = Formula::parse($formula)->symbols();
        } catch (CoreException $error) {
            $this->problems[] = $where.lcfirst($error->getMessage());

            return;
        }
        foreach ($used as $symbol) {
            if (! isset($this->symbols[Symbols::base($symbol)]) && PhysicalConstants::find($symbol) === null) {
                $this->problems[] = "{$where}\"{$symbol}\" is no entry, column, line or constant.";
            }
        }
    }
}

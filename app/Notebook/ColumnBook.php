<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Column;
use App\Models\Experiment;
use App\Models\Line;
use App\Models\SetAside;
use App\Models\Span;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\FormulaCheck;
use Welkion\Core\Units\Unit;

/** Adds, changes and removes columns. */
final readonly class ColumnBook
{
    /** A longer one is asked for: its cells say what comes out. */
    private const LONGEST_UNIT = 30;

    public function __construct(private Journal $journal)
    {
    }

    /**
     * @param  array<string, mixed>  $attributes  symbol, name, unit, kind and what belongs to it
     * @param  array{kind: string, title?: string, isBeside?: true}|null  $probe  that measures a measured one
     */
    public function add(Experiment $experiment, array $attributes, ?array $probe, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $attributes, $probe): string {
            $rows = NotebookRows::of($experiment);
            if (($attributes['kind'] ?? '') === ColumnKind::Step->value && $rows->stepColumn() !== null) {
                throw Refusal::badFormula("This notebook has a step column already: {$rows->stepColumn()->symbol}.");
            }
            $symbol = is_string($attributes['symbol'] ?? null) ? $attributes['symbol'] : '';
            if ($probe !== null) {
                $attributes['role'] = self::role($draft, $probe, is_string($attributes['name'] ?? null) ? $attributes['name'] : $symbol);
            }
            self::made($draft, $rows, $attributes);
            $isMeasured = $probe !== null;
            ($isMeasured || ($attributes['kind'] ?? '') === ColumnKind::Step->value) && FirstFigure::require($draft, $experiment, $isMeasured ? $symbol : null);

            return "Added the column {$symbol}";
        });
    }

    /**
     * @param  array<string, mixed>  $attributes  symbol, name, unit, kind and what belongs to it
     *
     * @throws Refusal If its symbol is taken.
     * @throws CoreException If formula or unit cannot be read.
     */
    public static function made(Draft $draft, NotebookRows $rows, array $attributes): Column
    {
        Renaming::requireFree($rows, is_string($attributes['symbol'] ?? null) ? $attributes['symbol'] : '');
        self::requireSound($attributes);

        return $draft->create(Column::class, ['experiment_id' => $rows->experiment->id, 'position' => 1 + (int) $rows->columns->max('position')] + self::withUnit($attributes, $rows));
    }

    /**
     * A formula for which no unit was asked gives its cells in the one that comes out.
     *
     * @param  array<string, mixed>  $attributes
     * @return array<string, mixed>
     */
    private static function withUnit(array $attributes, NotebookRows $rows): array
    {
        $formula = $attributes['formula'] ?? null;
        if (! is_string($formula) || ($attributes['unit'] ?? '') !== '') {
            return $attributes;
        }

        $unit = FormulaCheck::of(ExperimentWork::of($rows)->worked, $formula, null)->unit->symbol ?? '';

        return ['unit' => mb_strlen($unit) <= self::LONGEST_UNIT ? $unit : ''] + $attributes;
    }

    /**
     * @param  array<string, mixed>  $attributes  what is left out stays
     * @param  bool  $keepsNumbers  whether typed numbers stay as they are when their unit is another
     */
    public function change(Experiment $experiment, Column $column, array $attributes, bool $keepsNumbers, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $column, $attributes, $keepsNumbers): string {
            $before = $column->refresh()->symbol;
            self::requireSound($attributes);
            is_string($attributes['symbol'] ?? null) && Renaming::rename($draft, NotebookRows::of($experiment), $column, $attributes['symbol']);
            $unit = $attributes['unit'] ?? null;
            if (is_string($unit) && $unit !== $column->unit && ! $keepsNumbers && $column->isTypedAnywhere()) {
                UnitChange::isPossible($column->unit, $unit) || throw Refusal::notConvertible($column->symbol, $column->unit, $unit);
                $attributes = UnitChange::converted($column, $unit) + $attributes;
            }
            is_int($attributes['position'] ?? null) && self::place($draft, $experiment, $column, $attributes['position']);
            $draft->update($column, array_diff_key($attributes, ['symbol' => '', 'position' => '']));

            return "Changed the column {$before}";
        });
    }

    public function remove(Experiment $experiment, Column $column, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($column): string {
            foreach (Span::query()->where('column_id', $column->id)->get() as $span) {
                foreach (Line::query()->where('span_id', $span->id)->get() as $line) {
                    $draft->update($line, ['span_id' => null]);
                }
                $draft->delete($span);
            }
            foreach (SetAside::query()->where('column_id', $column->id)->get() as $aside) {
                $draft->delete($aside);
            }
            $draft->delete($column);

            return "Removed the column {$column->symbol}";
        });
    }

    /**
     * Puts a column at a place among the others.
     *
     * @param  int  $place  from 1
     */
    private static function place(Draft $draft, Experiment $experiment, Column $column, int $place): void
    {
        $others = array_values($experiment->columns()->whereKeyNot($column->id)->get()->all());
        array_splice($others, $place - 1, 0, [$column]);
        foreach ($others as $i => $one) {
            $draft->update($one, ['position' => $i + 1]);
        }
    }

    /**
     * A formula may use what is not there yet; but it must be one.
     *
     * @param  array<string, mixed>  $attributes
     *
     * @throws CoreException If formula or unit cannot be read.
     */
    private static function requireSound(array $attributes): void
    {
        is_string($attributes['unit'] ?? null) && Unit::parse($attributes['unit']);
        is_string($attributes['formula'] ?? null) && Formula::parse($attributes['formula']);
    }

    /**
     * The role of a further probe of a kind, remembered with the others.
     *
     * @param  array{kind: string, title?: string, isBeside?: true}  $probe
     */
    private static function role(Draft $draft, array $probe, string $name): string
    {
        $kind = $probe['kind'];
        $plan = $draft->experiment->plan;
        $roles = is_array($plan['roles'] ?? null) ? array_values($plan['roles']) : [];
        $taken = array_map(static fn (mixed $r): mixed => is_array($r) ? $r['role'] ?? null : null, $roles);
        $role = $kind;
        for ($i = 2; in_array($role, $taken, true); $i++) {
            $role = "{$kind}-{$i}";
        }
        $draft->update($draft->experiment, ['plan' => ['roles' => [...$roles, ['role' => $role, 'name' => $name, 'isNeeded' => true] + $probe]] + $plan]);

        return $role;
    }
}

<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Calibration;
use App\Models\Cell;
use App\Models\Column;
use App\Models\Reading;
use App\Models\Run;
use App\Models\RunChannel;
use App\Models\SetAside;
use Illuminate\Support\Collection;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\StepPlan;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Uncertainty\Shares;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** The readings of a run as rows: raw signals made quantities by the calibrations the run uses. */
final readonly class RunRows
{
    /**
     * @param  list<Reading>  $readings  in the order they are shown
     * @param  Collection<int, Column>  $columns
     * @param  array<int, Calibration|null>  $instead  calibration by channel, in place of the one in force
     */
    private function __construct(public Run $run, public array $readings, private Collection $columns, private array $instead)
    {
    }

    /**
     * @param  Collection<int, Column>  $columns
     * @param  array<int, Calibration|null>  $instead  calibration by channel id, in place of the one in force; null: the maker's line
     */
    public static function of(Run $run, Collection $columns, array $instead = []): self
    {
        $run->loadMissing(Run::WORKED_OUT_WITH);
        $readings = array_values($run->readings->all());
        $step = $columns->first(static fn (Column $c): bool => $c->kind === ColumnKind::Step);
        $direction = $step instanceof Column ? self::direction($run, $step) : 0;
        if ($direction !== 0) {
            usort($readings, static fn (Reading $a, Reading $b): int => $direction * ($a->step <=> $b->step) ?: $a->row <=> $b->row);
        }

        return new self($run, $readings, $columns, $instead);
    }

    public function data(): RunData
    {
        $typed = TypedRows::beside($this->run, array_map(static fn (Reading $r): int => $r->row, $this->readings), $this->columns);
        $cells = $typed->cells();
        $words = $typed->words();
        foreach ($this->columns as $column) {
            if ($column->kind === ColumnKind::Step) {
                $cells[$column->symbol] = new ColumnInput($column->symbol, self::unit($column->unit), array_map(static fn (Reading $r): float => $r->step ?? NAN, $this->readings));
                $words[$column->symbol] = array_map(static fn (Reading $r): string => (string) $r->step_words, $this->readings);
            } elseif ($column->kind === ColumnKind::Measured && $column->role !== null) {
                $channel = $this->channel($column->role);
                if ($channel !== null) {
                    $cells[$column->symbol] = $this->measured($column, $channel);
                }
            }
        }

        return new RunData(count($this->readings), $cells, $this->aside(null), $this->asideOfColumns(), $words, $typed->unreadable());
    }

    /** The channel that has a role in this run. */
    public function channel(string $role): ?RunChannel
    {
        return $this->run->channels->first(static fn (RunChannel $c): bool => $c->role === $role);
    }

    private function measured(Column $column, RunChannel $channel): ColumnInput
    {
        $calibration = array_key_exists($channel->id, $this->instead) ? $this->instead[$channel->id] : $channel->calibrationInForce();
        $line = $column->is_raw ? null : $channel->readingBy($calibration);
        $celsius = $line === null ? [] : $this->celsius();
        $cells = $this->cells($channel);
        $source = Source::named($calibration === null ? "stated line of probe {$channel->probe_id}" : "calibration {$calibration->id}", "calibration of the {$channel->probe->title}");
        [$values, $scatter, $common] = [[], [], []];
        $unit = $column->is_raw ? Unit::ofHeader($channel->probe->raw_unit) : Unit::ofHeader($calibration->unit ?? $channel->probe->model()->unit);
        foreach ($cells as $row => $cell) {
            $quantity = match (true) {
                $cell === null => null,
                $column->is_raw => Measured::of($cell->mean, self::scatterOf($cell), $unit),
                default => $line === null ? null : self::quantity($line, $cell, $celsius[$row], $source),
            };
            $values[] = $quantity === null ? NAN : $quantity->value;
            [$scatter[], $shares] = $quantity === null ? [0.0, []] : self::parted($quantity->shares);
            foreach ($shares as $identity => [$of, $amount]) {
                $common[$identity] ??= [$of, array_fill(0, count($this->readings), 0.0)];
                $common[$identity][1][$row] = $amount;
            }
        }

        return new ColumnInput($column->symbol, $unit, $values, $scatter, array_values($common));
    }

    /** @return list<float|null> temperature of the sample as the thermometer of the run tells it, for calibrations that ask */
    private function celsius(): array
    {
        $thermometer = $this->run->channels->first(static fn (RunChannel $c): bool => $c->probe->kind === ProbeKind::Thermometer);
        $scale = $thermometer?->reading();
        if ($thermometer === null || $scale === null) {
            return array_fill(0, count($this->readings), null);
        }

        return array_map(
            static fn (?Cell $cell): ?float => $cell === null ? null : self::quantity($scale, $cell, null, null, isExact: true)?->value, $this->cells($thermometer),
        );
    }

    /** @return list<Cell|null> what a channel had at each reading */
    private function cells(RunChannel $channel): array
    {
        $id = $channel->id;

        return array_map(static fn (Reading $r): ?Cell => $r->cells->first(static fn (Cell $c): bool => $c->run_channel_id === $id), $this->readings);
    }

    /** A reading that cannot be worked out is a gap in its own row, and in no other. */
    private static function quantity(ProbeCalibration $by, Cell $cell, ?float $celsius, ?Source $source, bool $isExact = false): ?Measured
    {
        try {
            return $by->quantity($cell->mean, $isExact ? 0.0 : self::scatterOf($cell), $celsius, $source);
        } catch (CoreException|\ArithmeticError) {
            return null;
        }
    }

    private static function scatterOf(Cell $cell): float
    {
        return $cell->scatter / sqrt(max(1, $cell->sample_count));
    }

    /** @return array{float, array<string, array{Source, float}>} what it scatters by itself, and what it shares with other rows */
    private static function parted(Shares $shares): array
    {
        $own = 0.0;
        $common = [];
        foreach ($shares->amounts() as [$source, $amount]) {
            if ($source->isNamed()) {
                $common[$source->identity()] = [$source, $amount];
            } else {
                $own = hypot($own, $amount);
            }
        }

        return [$own, $common];
    }

    /** @return array<int, string> reason by place of the row */
    private function aside(?int $columnId): array
    {
        $aside = [];
        foreach ($this->run->setAsides as $range) {
            foreach ($range->column_id === $columnId ? $this->readings : [] as $place => $reading) {
                if ($reading->row >= $range->first_row && $reading->row <= $range->last_row) {
                    $aside[$place] = $range->reason;
                }
            }
        }

        return $aside;
    }

    /** @return array<string, array<int, string>> */
    private function asideOfColumns(): array
    {
        $of = [];
        $ids = array_filter($this->run->setAsides->map(static fn (SetAside $s): ?int => $s->column_id)->all());
        foreach ($this->columns as $column) {
            if (in_array($column->id, $ids, true)) {
                $of[$column->symbol] = $this->aside($column->id);
            }
        }

        return $of;
    }

    private static function direction(Run $run, Column $step): int
    {
        if ($step->is_words) {
            return 0;
        }
        try {
            return $run->plan === null ? 1 : (StepPlan::fromArray($run->plan, $step->stepLimits())->direction() ?: 1);
        } catch (CoreException) {
            return 1;
        }
    }

    private static function unit(string $text): Unit
    {
        return $text === '' ? Unit::one() : Unit::ofHeader($text);
    }
}

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
     * @param  list<array<int, array{float, float}>>  $signals  of each reading: signal and its standard error, by channel
     */
    private function __construct(public Run $run, public array $readings, private Collection $columns, private array $instead, private array $signals)
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
            $by = array_map(static fn (Reading $r): array => [$direction * (float) $r->step, $r->row, $r], $readings);
            usort($by, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
            $readings = array_column($by, 2);
        }

        $signals = array_map(static fn (Reading $r): array => $r->cells->mapWithKeys(static fn (Cell $c): array => [$c->run_channel_id => $c->signal()])->all(), $readings);

        return new self($run, $readings, $columns, $instead, $signals);
    }

    public function data(): RunData
    {
        $typed = TypedRows::beside($this->run, array_map(static fn (Reading $r): int => $r->row, $this->readings), $this->columns);
        $cells = $typed->cells();
        $words = $typed->words();
        foreach ($this->columns as $column) {
            if ($column->kind === ColumnKind::Step) {
                $cells[$column->symbol] = new ColumnInput($column->symbol, Unit::ofHeader($column->unit), array_map(static fn (Reading $r): float => $r->step ?? NAN, $this->readings));
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
        $source = Source::named($calibration === null ? "stated line of probe {$channel->probe_id}" : "calibration {$calibration->id}", "calibration of the {$channel->probe->title}");
        [$values, $scatter, $common] = [[], [], []];
        $unit = $column->is_raw ? Unit::ofHeader($channel->probe->raw_unit) : Unit::ofHeader($calibration->unit ?? $channel->probe->model()->unit);
        foreach ($this->signals as $row => $of) {
            $signal = $of[$channel->id] ?? null;
            $quantity = match (true) {
                $signal === null => null,
                $column->is_raw => Measured::of(...$signal, unit: $unit),
                default => $line === null ? null : self::quantity($line, $signal, $celsius[$row], $source),
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

        $values = static fn (array $of): ?float => isset($of[$thermometer->id]) ? self::quantity($scale, [$of[$thermometer->id][0], 0.0], null, null)?->value : null;

        return array_map($values, $this->signals);
    }

    /**
     * A reading that cannot be worked out is a gap in its own row, and in no other.
     *
     * @param  array{float, float}  $signal
     */
    private static function quantity(ProbeCalibration $by, array $signal, ?float $celsius, ?Source $source): ?Measured
    {
        try {
            return $by->quantity($signal[0], $signal[1], $celsius, $source);
        } catch (CoreException|\ArithmeticError) {
            return null;
        }
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
}

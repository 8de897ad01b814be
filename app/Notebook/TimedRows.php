<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Calibration;
use App\Models\Column;
use App\Models\Run;
use App\Models\RunChannel;
use App\Models\SetAside;
use App\Samples\StoredSamples;
use App\Storage\OneMoment;
use Illuminate\Database\Connection;
use Illuminate\Support\Collection;
use Welkion\Core\Calibration\ProbeCalibration;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\QuantityLine;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Samples\EvenRows;
use Welkion\Core\Uncertainty\Source;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

/** The samples of a timed run as rows: one at each interval, raw signals made quantities by the calibrations the run uses. */
final readonly class TimedRows
{
    /** Standard deviation of what a last digit leaves open, in units of it (GUM 4.3.7). */
    private const OF_RESOLUTION = 0.288675134594813;

    /** Temperatures that differ by less than 0.005 °C are one: it moves a conductivity by less than 0.01 %, a pH by less than 0.0001. */
    private const CELSIUS_DECIMALS = 2;

    /**
     * @param  list<Column>  $columns
     * @param  array<int, list<float>>  $raw  cells by channel id
     * @param  array<int, Calibration|null>  $instead  calibration by channel id, in place of the one in force
     */
    private function __construct(public Run $run, public ?EvenRows $rows, private array $columns, private array $raw, private array $instead)
    {
    }

    /**
     * @param  Collection<int, Column>  $columns
     * @param  array<int, Calibration|null>  $instead  calibration by channel id, in place of the one in force; null: the maker's line
     */
    public static function of(Run $run, Collection $columns, array $instead = []): self
    {
        $run->loadMissing('channels.probe.bench', 'channels.calibration', 'channels.zero', 'channels.reworkings.calibration', 'setAsides');

        return app(OneMoment::class)->of(
            static fn (Connection $samples): self => self::read($run, $columns, $instead, $samples),
        );
    }

    /** How many rows there are; a run that waits has none. */
    public function count(): int
    {
        return $this->rows->count ?? 0;
    }

    public function data(): RunData
    {
        $cells = [];
        foreach ($this->columns as $column) {
            $channel = $column->kind === ColumnKind::Measured ? $this->channel($column->role) : null;
            if ($column->kind === ColumnKind::Time) {
                $cells[$column->symbol] = new ColumnInput($column->symbol, Unit::parse('s'), $this->rows?->times() ?? []);
            } elseif ($channel !== null) {
                $cells[$column->symbol] = $this->measured($column, $channel);
            }
        }
        $ofColumns = [];
        foreach ($this->columns as $column) {
            $aside = $this->aside($column->id);
            $ofColumns += $aside === [] ? [] : [$column->symbol => $aside];
        }

        return new RunData($this->count(), $cells, $this->aside(null), $ofColumns, []);
    }

    /**
     * @param  Collection<int, Column>  $columns
     * @param  array<int, Calibration|null>  $instead
     */
    private static function read(Run $run, Collection $columns, array $instead, Connection $samples): self
    {
        $roles = $columns->filter(static fn (Column $c): bool => $c->kind === ColumnKind::Measured)->pluck('role')->all();
        $of = $run->channels->filter(static fn (RunChannel $c): bool => $c->zero_time !== null && (in_array($c->role, $roles, true) || $c->probe->kind === ProbeKind::Thermometer));
        $long = [];
        $length = $run->ended_s ?? -INF;
        foreach ($of as $channel) {
            $long[$channel->id] = StoredSamples::of($channel, $samples);
            $end = $run->ended_s === null ? $long[$channel->id]->extent() : null;
            $length = $end === null ? $length : max($length, $end[1] - (float) $channel->zero_time);
        }
        $plan = $run->timedPlan();
        $rows = $length < 0.0 ? null : EvenRows::of($plan->before, $length, $plan->interval());
        $raw = [];
        foreach ($of as $channel) {
            $raw[$channel->id] = $rows?->cells($long[$channel->id], (float) $channel->zero_time) ?? [];
        }

        return new self($run, $rows, array_values($columns->all()), $raw, $instead);
    }

    private function channel(?string $role): ?RunChannel
    {
        return $role === null ? null : $this->run->channels->first(fn (RunChannel $c): bool => $c->role === $role && isset($this->raw[$c->id]));
    }

    private function measured(Column $column, RunChannel $channel): ColumnInput
    {
        $raw = $this->raw[$channel->id];
        $resolution = self::OF_RESOLUTION * $channel->probe->resolution;
        if ($column->is_raw) {
            return new ColumnInput($column->symbol, Unit::ofHeader($channel->probe->raw_unit), $raw, array_fill(0, count($raw), $resolution));
        }
        $calibration = array_key_exists($channel->id, $this->instead) ? $this->instead[$channel->id] : $channel->calibrationInForce();
        $by = $channel->readingBy($calibration);
        $unit = Unit::ofHeader($calibration->unit ?? $channel->probe->model()->unit);
        $source = Source::named($calibration === null ? "stated line of probe {$channel->probe_id}" : "calibration {$calibration->id}", "calibration of the {$channel->probe->title}");
        if ($by === null) {
            return new ColumnInput($column->symbol, $unit, array_fill(0, count($raw), NAN));
        }
        $celsius = $channel->probe->kind->followsTemperature() ? $this->celsius() : null;

        return self::quantities($column->symbol, $unit, $raw, $resolution, $by, $source, $celsius);
    }

    /**
     * A calibration is a straight line in the raw signal, and so are its shares: two points of it tell all others of the same
     * temperature.
     *
     * @param  list<float>  $raw
     * @param  list<float>|null  $celsius  one a row; null: that of the standards
     */
    private static function quantities(string $symbol, Unit $unit, array $raw, float $resolution, ProbeCalibration $by, Source $source, ?array $celsius): ColumnInput
    {
        [$values, $scatter, $common, $lines] = [[], [], [], []];
        foreach ($raw as $row => $signal) {
            $at = $celsius === null || is_nan($celsius[$row]) ? null : round($celsius[$row], self::CELSIUS_DECIMALS);
            $line = $lines[(string) $at] ??= QuantityLine::of($by, $resolution, $at, $source);
            $values[] = $line === null ? NAN : $line->value($signal);
            $scatter[] = $line->scatter ?? 0.0;
            foreach ($line->sources ?? [] as $identity => $of) {
                $common[$identity] ??= [$of, array_fill(0, count($raw), 0.0)];
                $common[$identity][1][$row] = is_nan($signal) || $line === null ? 0.0 : $line->share($identity, $signal);
            }
        }

        return new ColumnInput($symbol, $unit, $values, $scatter, array_values($common));
    }

    /** @return list<float>|null temperature of the sample as the thermometer of the run tells it, one a row; null without one */
    private function celsius(): ?array
    {
        $thermometer = $this->run->channels->first(fn (RunChannel $c): bool => $c->probe->kind === ProbeKind::Thermometer && isset($this->raw[$c->id]));
        $scale = $thermometer?->reading();
        if ($thermometer === null || $scale === null) {
            return null;
        }
        $last = NAN;
        $celsius = [];
        $line = QuantityLine::of($scale, 0.0, null, null);
        foreach ($this->raw[$thermometer->id] as $signal) {
            // It is read more slowly than what it is for.
            $last = is_nan($signal) || $line === null ? $last : $line->value($signal);
            $celsius[] = $last;
        }

        return $celsius;
    }

    /** @return array<int, string> reason by place of the row */
    private function aside(?int $columnId): array
    {
        $aside = [];
        foreach ($this->run->setAsides->filter(static fn (SetAside $s): bool => $s->column_id === $columnId) as $range) {
            for ($place = $range->first_row - 1, $end = min($range->last_row, $this->count()); $place < $end; $place++) {
                $aside[$place] = $range->reason;
            }
        }

        return $aside;
    }
}

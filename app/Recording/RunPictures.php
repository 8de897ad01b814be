<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\Column;
use App\Models\Run;
use App\Models\RunChannel;
use App\Samples\StoredSamples;
use App\Storage\OneMoment;
use Illuminate\Database\Connection;
use Illuminate\Support\Collection;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\QuantityLine;
use Welkion\Core\Samples\LongSeries;
use Welkion\Core\Samples\Picture;

/**
 * What can be seen of the samples of a run, as quantities: no more numbers than a screen has room for, however long it is.
 */
final readonly class RunPictures
{
    public function __construct(private OneMoment $moment)
    {
    }

    /**
     * @param  Collection<int, Column>  $columns
     * @param  float|null  $from  s after a timed run began, or after the first sample of another; null: from its first on
     * @param  float|null  $to  null: to its last
     */
    public function of(Run $run, Collection $columns, ?float $from, ?float $to, int $width): RunPicture
    {
        return $this->moment->of(
            fn (Connection $samples): RunPicture => $this->seen($run, $columns, $from, $to, $width, $samples),
        );
    }

    /** @param  Collection<int, Column>  $columns */
    private function seen(
        Run $run, Collection $columns, ?float $from, ?float $to, int $width, Connection $samples,
    ): RunPicture {
        $run->loadMissing('channels.probe.bench', 'channels.calibration', 'channels.zero', 'channels.reworkings.calibration');
        $roles = $columns->pluck('role')->all();
        $long = [];
        foreach ($run->channels as $channel) {
            if ((in_array($channel->role, $roles, true) || $channel->probe->kind === ProbeKind::Thermometer) && ! ($run->isTimed() && $channel->zero_time === null)) {
                $long[$channel->id] = StoredSamples::of($channel, $samples);
            }
        }
        $starts = $this->starts($run, $samples);
        $ends = array_map(static fn (int $id, LongSeries $l): float => ($l->extent()[1] ?? -INF) - $starts[$id], array_keys($long), array_values($long));
        $end = $run->ended_s ?? max([-INF, ...$ends]);
        $first = $run->isTimed() ? -$run->timedPlan()->before : 0.0;
        [$from, $to] = [max($first, $from ?? $first), max($first, $from ?? $first, min($to ?? INF, is_finite($end) ? $end : 0.0))];
        $pictures = [];
        foreach ($columns as $column) {
            $channel = $run->channels->first(static fn (RunChannel $c): bool => $c->role === $column->role);
            // A run that has no such probe shows nothing of it, and still says so in its place.
            $pictures[$column->symbol] = $channel instanceof RunChannel && isset($long[$channel->id]) && is_finite($end)
                ? $this->picture($run, $column, $channel, $long, $starts[$channel->id] + $from, $starts[$channel->id] + $to, $width) : Picture::ofSamples($from, $to, [], []);
        }

        return new RunPicture($from, $to, $pictures, self::fingerprint($run, $long));
    }

    /** @return array<int, float> clock of its bench where the time of a run is counted from, by channel id */
    private function starts(Run $run, Connection $samples): array
    {
        $first = $run->isTimed() ? [] : array_map(
            fn (bool $isBeside): float => $this->first($run->channels->where('is_beside', $isBeside), $samples), [false, true],
        );

        return array_combine($run->channels->modelKeys(), array_values($run->channels->map(static fn (RunChannel $c): float => $c->zero_time ?? $first[(int) $c->is_beside] ?? 0.0)->all()));
    }

    /**
     * Clock of their bench at the first sample of these channels, whichever has it; 0 without any.
     *
     * @param  Collection<int, RunChannel>  $channels
     */
    private function first(Collection $channels, Connection $samples): float
    {
        if ($channels->isEmpty()) {
            return 0.0;
        }
        $ids = $channels->pluck('id');
        $first = static fn (string $table): mixed => $samples->table($table)->whereIn('run_channel_id', $ids)->min('t0');
        $times = array_filter([$first('sample_segments'), $first('sample_blocks')], is_numeric(...));

        return $times === [] ? 0.0 : (float) min($times);
    }

    /** @param  array<int, LongSeries>  $long  by channel id */
    private function picture(Run $run, Column $column, RunChannel $channel, array $long, float $from, float $to, int $width): Picture
    {
        $picture = $long[$channel->id]->picture($from, $to, $width);
        if ($column->is_raw) {
            return $picture;
        }
        $calibration = $channel->reading();
        $line = $calibration === null ? null : QuantityLine::of($calibration, 0.0, $this->celsius($run, $long, $from, $to), null);

        return $picture->mapped(static fn (array $raw): array => array_map(static fn (float $v): float => $line === null ? NAN : $line->value($v), $raw));
    }

    /**
     * The mean temperature of what is seen, for calibrations that ask.
     *
     * @param  array<int, LongSeries>  $long
     */
    private function celsius(Run $run, array $long, float $from, float $to): ?float
    {
        $thermometer = $run->channels->first(static fn (RunChannel $c): bool => $c->probe->kind === ProbeKind::Thermometer);
        $scale = $thermometer?->reading();
        $moments = $thermometer === null ? null : $long[$thermometer->id]->moments($from, $to);

        return $scale === null || $moments === null || $moments->count === 0 ? null : $scale->quantity($moments->meanValue)->value;
    }

    /** @param  array<int, LongSeries>  $long */
    private static function fingerprint(Run $run, array $long): string
    {
        return hash('xxh128', serialize([$run->id, $run->ended_s, $run->channels->filter(static fn (RunChannel $c): bool => isset($long[$c->id]))->map(static fn (RunChannel $c): array => [
            $c->id, $long[$c->id]->count(), $long[$c->id]->extent(), $c->calibrationInForce()?->id, $c->zero_id,
        ])->all()]));
    }
}

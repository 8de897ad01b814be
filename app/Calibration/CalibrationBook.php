<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Exceptions\Refusal;
use App\Models\Calibration;
use App\Models\CalibrationReading;
use App\Models\Probe;
use App\Models\User;
use App\Recorder\ChannelMean;
use App\Recorder\Live\BenchThermometer;
use App\Recorder\RecorderClient;
use App\Recorder\Snapshot;
use Illuminate\Support\Facades\DB;
use Welkion\Core\Calibration\Origin;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardSource;
use Welkion\Core\Calibration\Surroundings;

/**
 * Takes calibrations: opens them, reads their standards, keeps their line. Nothing read is ever thrown away.
 *
 * Probes of one kind that stand in the same standards are read together: what is done to the first is done to all.
 *
 * @phpstan-import-type StandardRow from Calibration
 */
final readonly class CalibrationBook
{
    public function __construct(private RecorderClient $recorder, private MistakeFinder $mistakes)
    {
    }

    /**
     * @param  list<StandardRow>|null  $standards  null: those of last time, or the usual ones
     * @param  array<string, float|null>  $settings
     * @param  string|null  $key  the same key again is the same calibration
     * @param  list<Probe>  $beside  further probes of the same kind, read together with it
     */
    public function open(Probe $probe, User $user, Recipe $recipe, ?array $standards, array $settings, array $beside = [], ?string $key = null): Calibration
    {
        $begun = $key === null ? null : Calibration::query()->where('user_id', $user->id)->where('request_key', $key)->get()->first();
        if ($begun !== null) {
            return $begun;
        }
        $this->requireFor($recipe, $probe, $beside);
        $before = $this->lastOf($probe, $recipe);
        $chosen = [
            'user_id' => $user->id, 'recipe' => $recipe, 'origin' => Origin::Read, 'unit' => $recipe->unit($probe->model()->unit),
            'standards' => $standards ?? ($before === null ? StandardRows::usual($recipe, $probe->model()) : StandardRows::asExamples($recipe, $before->standards)),
            'settings' => $settings + $this->keptSettings($before),
        ];

        return DB::transaction(function () use ($probe, $beside, $chosen, $key): Calibration {
            foreach ([$probe, ...$beside] as $other) {
                $other->calibrations()->where('state', Calibration::OPEN)->update(['state' => Calibration::DROPPED]);
            }
            $first = $probe->calibrations()->create($chosen + ['request_key' => $key]);
            foreach ($beside as $other) {
                $other->calibrations()->create($chosen + ['beside_id' => $first->id]);
            }

            return $first->refresh();
        });
    }

    /**
     * Other standards or settings than first chosen; a reading stays where its standard stayed.
     *
     * @param  list<StandardRow>|null  $standards
     * @param  array<string, float|null>  $settings
     */
    public function change(Calibration $calibration, ?array $standards, array $settings): Calibration
    {
        $group = $this->requireOpen($calibration);
        DB::transaction(static function () use ($group, $standards, $settings): void {
            foreach (self::asTheyStand($group) as $one) {
                $before = $one->standards;
                $one->update(['standards' => $standards ?? $before, 'settings' => $settings + ($one->settings ?? [])]);
                foreach ($one->readings as $reading) {
                    $stays = isset($one->standards[$reading->position])
                        && StandardRows::areSame($one->standards[$reading->position], $before[$reading->position]);
                    $reading->update($stays ? ['value' => self::valueOf($one, $reading->position, $reading->celsius)] : ['replaced_at' => now()]);
                }
            }
        });

        return self::fresh($calibration);
    }

    public function takeReading(Calibration $calibration, int $position, bool $takeAnyway): Calibration
    {
        $group = $this->requireOpen($calibration);
        $standard = $calibration->standard($position) ?? throw Refusal::calibrationNotReady('There is no such standard in this calibration.');
        $snapshots = [];
        $taken = [];
        foreach ($group as $one) {
            $probe = $one->probe;
            if (! $probe->is_present) {
                throw Refusal::unplugged($probe->title);
            }
            $snapshots[$probe->bench_id] ??= $this->recorder->snapshot($probe->bench);
            $mean = $snapshots[$probe->bench_id]->of($probe->id);
            try {
                // On someone who breathes a belt never comes to rest; it is only looked at whether it sits well.
                SteadyRule::require($mean, $probe, $takeAnyway || $standard->source === StandardSource::Fit);
            } catch (Refusal $refusal) {
                throw count($group) > 1 ? $refusal->of("{$probe->title} {$probe->serial}") : $refusal;
            }
            $taken[] = [$one, $mean, $snapshots[$probe->bench_id]];
        }
        DB::transaction(function () use ($group, $taken, $position): void {
            self::asTheyStand($group);
            foreach ($taken as [$one, $mean, $snapshot]) {
                $this->store($one, $position, $mean, $this->celsius($one, $snapshot));
            }
        });
        foreach ($group as $one) {
            $this->recorder->restartWindows($one->probe->bench);
        }

        return self::fresh($calibration);
    }

    public function dropReading(Calibration $calibration, int $position): Calibration
    {
        foreach ($this->requireOpen($calibration) as $one) {
            $one->readings()->where('position', $position)->update(['replaced_at' => now()]);
        }

        return self::fresh($calibration);
    }

    /** Puts right two standards that changed places: each reading gets the other's name. */
    public function exchange(Calibration $calibration, int $first, int $second): Calibration
    {
        $group = $this->requireOpen($calibration);
        $standards = $calibration->standards;
        if (! isset($standards[$first], $standards[$second])) {
            throw Refusal::calibrationNotReady('There is no such standard in this calibration.');
        }
        [$standards[$first], $standards[$second]] = [$standards[$second], $standards[$first]];
        DB::transaction(static function () use ($group, $standards): void {
            foreach (self::asTheyStand($group) as $one) {
                $one->update(['standards' => $standards]);
                foreach ($one->readings as $reading) {
                    $reading->update(['value' => self::valueOf($one, $reading->position, $reading->celsius)]);
                }
            }
        });

        return self::fresh($calibration);
    }

    /** From now on the line is in force, for every probe of the group. */
    public function keep(Calibration $calibration): Calibration
    {
        $group = $this->requireOpen($calibration);
        $lines = [];
        foreach ($group as $one) {
            $this->requireLine($one);
            $calibrated = $one->calibrated() ?? throw Refusal::calibrationNotReady('Read a standard first.');
            $lines[] = [$one, $calibrated->line(), $one->celsius(), $calibrated->verdict()->code];
        }
        DB::transaction(static function () use ($lines): void {
            foreach ($lines as [$one, $line, $celsius, $verdict]) {
                $one->update([
                    'state' => Calibration::KEPT, 'celsius' => $celsius, 'slope' => $line->slope, 'slope_uncertainty' => $line->slopeUncertainty,
                    'offset' => $line->offset, 'offset_uncertainty' => $line->offsetUncertainty, 'covariance' => $line->covariance,
                    'verdict' => $verdict, 'kept_at' => now(),
                ]);
            }
        });
        foreach ($group as $one) {
            $this->recorder->reload($one->probe->bench);
        }

        return $calibration;
    }

    public function drop(Calibration $calibration): void
    {
        foreach ($this->requireOpen($calibration) as $one) {
            $one->update(['state' => Calibration::DROPPED]);
        }
    }

    /**
     * With what was changed of them since they were asked for: a value that was typed while a bench was read counts for that reading.
     *
     * @param  non-empty-list<Calibration>  $group
     * @return non-empty-list<Calibration> the same, each held until the transaction ends
     */
    private static function asTheyStand(array $group): array
    {
        foreach ($group as $one) {
            $one->newQuery()->whereKey($one->id)->lockForUpdate()->first();
            $one->refresh()->isOpen() || throw Refusal::calibrationClosed();
        }

        return $group;
    }

    private static function fresh(Calibration $calibration): Calibration
    {
        return $calibration->load('readings', 'beside.readings', 'beside.probe.bench');
    }

    private function store(Calibration $calibration, int $position, ChannelMean $mean, float $celsius): void
    {
        $calibration->readings()->where('position', $position)->update(['replaced_at' => now()]);
        CalibrationReading::query()->create([
            'calibration_id' => $calibration->id, 'position' => $position, 'value' => self::valueOf($calibration, $position, $celsius),
            'celsius' => $celsius, 'raw' => $mean->mean, 'scatter' => $mean->scatter, 'sample_count' => $mean->count,
            'was_steady' => $mean->isSteady, 'drift_per_minute' => $mean->driftPerMinute, 'samples' => $mean->samples, 'taken_at' => $mean->time,
        ]);
    }

    private static function valueOf(Calibration $calibration, int $position, float $celsius): float
    {
        return (float) $calibration->standard($position)?->valueIn($calibration->surroundings($celsius));
    }

    /** Temperature of the standards: typed, of the thermometer beside the probe, or the room's. */
    private function celsius(Calibration $calibration, Snapshot $snapshot): float
    {
        return $calibration->setting('celsius')
            ?? BenchThermometer::of($calibration->probe)?->celsius($snapshot)
            ?? Surroundings::ROOM_C;
    }

    /** @return array<string, float|null> what was typed last time and seldom changes */
    private function keptSettings(?Calibration $before): array
    {
        // The barometer is looked at anew each time; the temperature of a beaker is never the one of last week.
        return array_diff_key($before->settings ?? [], ['barometerKpa' => true, 'celsius' => true]);
    }

    private function lastOf(Probe $probe, Recipe $recipe): ?Calibration
    {
        return $probe->calibrations()->where('recipe', $recipe)->where('origin', Origin::Read)->where('state', Calibration::KEPT)->latest('id')->first();
    }

    /** @param  list<Probe>  $beside */
    private function requireFor(Recipe $recipe, Probe $probe, array $beside): void
    {
        foreach ([$probe, ...$beside] as $one) {
            if (! in_array($recipe, Recipe::for($one->kind), true) || $one->kind !== $probe->kind || $one->raw_unit !== $probe->raw_unit) {
                throw Refusal::calibrationNotReady($one->kind === ProbeKind::FingerPulse
                    ? 'A finger pulse needs no calibration: only its rate is read.'
                    : "{$one->title} ({$one->serial}) cannot be calibrated this way together with {$probe->title}.");
            }
        }
    }

    private function requireLine(Calibration $calibration): void
    {
        if (! $calibration->hasLine()) {
            $least = $calibration->recipe->leastStandards();
            throw Refusal::calibrationNotReady($least === 1
                ? 'Read the standard first.' : "A line needs readings in at least {$this->inWords($least)} different standards.");
        }
        if ($calibration->recipe->needsBore() && $calibration->setting('boreMm') === null) {
            throw Refusal::calibrationNotReady('Type the inner diameter of the syringe: without it travel is no volume.');
        }
        foreach ($this->mistakes->in($calibration) as $fault) {
            if ($fault->blocks) {
                throw Refusal::calibrationNotReady($fault->sentence);
            }
        }
    }

    private function inWords(int $count): string
    {
        return $count === 2 ? 'two' : (string) $count;
    }

    /** @return non-empty-list<Calibration> it and those beside it, each knowing its probe, bench and readings */
    private function requireOpen(Calibration $calibration): array
    {
        if (! $calibration->isOpen()) {
            throw Refusal::calibrationClosed();
        }
        $calibration->load('probe.bench', 'readings', 'beside.probe.bench', 'beside.readings');

        return [$calibration, ...array_values($calibration->beside->filter(static fn (Calibration $c): bool => $c->isOpen())->all())];
    }
}

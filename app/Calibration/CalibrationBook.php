<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Exceptions\Refusal;
use App\Models\Calibration;
use App\Models\CalibrationReading;
use App\Models\Probe;
use App\Models\User;
use App\Recorder\ChannelMean;
use App\Recorder\RecorderClient;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Welkion\Core\Calibration\Buffer;
use Welkion\Core\Calibration\CalibrationCheck;
use Welkion\Core\Calibration\CalibrationFault;

/** Keeps calibrations: opens them, takes their readings, closes them. Nothing read is ever thrown away. */
final readonly class CalibrationBook
{
    /** Temperature of the standards where no thermometer stands beside the electrode. */
    private const ROOM_CELSIUS = 25.0;

    public function __construct(private RecorderClient $recorder, private CalibrationCheck $check)
    {
    }

    /** @return Collection<int, Calibration> kept ones, oldest first */
    public function history(Probe $probe): Collection
    {
        return Calibration::query()->where('probe_id', $probe->id)->where('state', Calibration::KEPT)->get()
            ->sortBy([['kept_at', 'asc'], ['id', 'asc']])->values();
    }

    /** @param  list<array{label: string, ph: float, buffer: string|null}>  $standards */
    public function open(Probe $probe, User $user, array $standards): Calibration
    {
        $probe->calibrations()->where('state', Calibration::OPEN)->update(['state' => Calibration::DROPPED]);

        return $probe->calibrations()->create(['user_id' => $user->id, 'standards' => $standards])->refresh();
    }

    /**
     * Other standards than first chosen; a reading stays where its standard stayed.
     *
     * @param  list<array{label: string, ph: float, buffer: string|null}>  $standards
     */
    public function changeStandards(Calibration $calibration, array $standards): Calibration
    {
        $this->requireOpen($calibration);
        DB::transaction(function () use ($calibration, $standards): void {
            foreach ($calibration->readings as $reading) {
                $before = $calibration->standards[$reading->position];
                $after = $standards[$reading->position] ?? null;
                if ($after === null || [$after['label'], $after['buffer']] !== [$before['label'], $before['buffer']]) {
                    $reading->update(['replaced_at' => now()]);
                }
            }
            $calibration->update(['standards' => $standards]);
        });

        return $calibration->load('readings');
    }

    public function takeReading(Calibration $calibration, int $position, bool $takeAnyway): Calibration
    {
        $this->requireOpen($calibration);
        $standard = $calibration->standards[$position] ?? throw Refusal::calibrationNotReady('There is no such standard in this calibration.');
        $bench = $calibration->probe->bench;
        $snapshot = $this->recorder->snapshot($bench);
        $electrode = $snapshot->of($calibration->probe_id);
        SteadyRule::require($electrode, $calibration->probe, $takeAnyway);
        $thermometer = $bench->probes()->where('kind', Probe::THERMOMETER)->first();
        $celsius = $thermometer === null ? null : $snapshot->maybe($thermometer->id)?->mean;

        $this->store($calibration, $position, $standard, $electrode, $celsius ?? self::ROOM_CELSIUS);
        $this->recorder->restartWindows($bench);

        return $calibration->load('readings');
    }

    public function dropReading(Calibration $calibration, int $position): Calibration
    {
        $this->requireOpen($calibration);
        $calibration->readings()->where('position', $position)->update(['replaced_at' => now()]);

        return $calibration->load('readings');
    }

    /** Puts right two standards that changed places: each reading gets the other's name. */
    public function exchange(Calibration $calibration, int $first, int $second): Calibration
    {
        $this->requireOpen($calibration);
        $standards = $calibration->standards;
        if (! isset($standards[$first], $standards[$second])) {
            throw Refusal::calibrationNotReady('There is no such standard in this calibration.');
        }
        [$standards[$first], $standards[$second]] = [$standards[$second], $standards[$first]];
        DB::transaction(function () use ($calibration, $standards): void {
            $calibration->update(['standards' => $standards]);
            foreach ($calibration->readings as $reading) {
                $reading->update(['ph' => self::phOf($standards[$reading->position], $reading->celsius)]);
            }
        });

        return $calibration->load('readings');
    }

    public function keep(Calibration $calibration): Calibration
    {
        $this->requireOpen($calibration);
        $line = $calibration->line() ?? throw Refusal::calibrationNotReady('A line needs readings in at least two different standards.');
        foreach ($this->faults($calibration) as $fault) {
            if ($fault->blocks) {
                throw Refusal::calibrationNotReady($fault->sentence);
            }
        }
        $calibration->update([
            'state' => Calibration::KEPT, 'celsius' => $line->celsius, 'slope' => $line->slope,
            'slope_uncertainty' => $line->slopeUncertainty, 'offset' => $line->offset,
            'offset_uncertainty' => $line->offsetUncertainty, 'kept_at' => now(),
        ]);
        $this->recorder->reload($calibration->probe->bench);

        return $calibration;
    }

    public function drop(Calibration $calibration): void
    {
        $this->requireOpen($calibration);
        $calibration->update(['state' => Calibration::DROPPED]);
    }

    /** @return list<CalibrationFault> */
    public function faults(Calibration $calibration): array
    {
        return $this->check->faults($calibration->standardReadings(), $calibration->celsiusOfReadings() ?? self::ROOM_CELSIUS);
    }

    /** @param  array{label: string, ph: float, buffer: string|null}  $standard */
    private function store(Calibration $calibration, int $position, array $standard, ChannelMean $electrode, float $celsius): void
    {
        DB::transaction(static function () use ($calibration, $position, $standard, $electrode, $celsius): void {
            $calibration->readings()->where('position', $position)->update(['replaced_at' => now()]);
            CalibrationReading::query()->create([
                'calibration_id' => $calibration->id, 'position' => $position, 'ph' => self::phOf($standard, $celsius),
                'celsius' => $celsius, 'millivolts' => $electrode->mean, 'scatter' => $electrode->scatter,
                'sample_count' => $electrode->count, 'was_steady' => $electrode->isSteady,
                'drift_per_minute' => $electrode->driftPerMinute, 'samples' => $electrode->samples,
                'taken_at' => $electrode->time,
            ]);
        });
    }

    /** @param  array{label: string, ph: float, buffer: string|null}  $standard */
    private static function phOf(array $standard, float $celsius): float
    {
        $buffer = $standard['buffer'] === null ? null : Buffer::from($standard['buffer']);

        return $buffer?->phAt($celsius) ?? (float) $standard['ph'];
    }

    private function requireOpen(Calibration $calibration): void
    {
        if (! $calibration->isOpen()) {
            throw Refusal::calibrationClosed();
        }
        $calibration->loadMissing('probe.bench', 'readings');
    }
}

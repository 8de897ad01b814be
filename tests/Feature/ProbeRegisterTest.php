<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Calibration;
use App\Models\Probe;
use Tests\TestCase;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Calibration\Recipe;

/** Benches here have no recorder listening: what devices say is written down by the register alone. */
final class ProbeRegisterTest extends TestCase
{
    public function test_writes_down_what_a_device_says_in_its_order(): void
    {
        $bench = $this->silentBenchOf($this->teacher());
        $this->plugIn($bench, [$this->told('b-2', 'second', 'thermometer'), $this->told('a-1', 'first', 'pressure-sensor', ['slope' => 0.02, 'offset' => 0.3])]);

        self::assertSame(['b-2', 'a-1'], $bench->probes()->pluck('serial')->all());
        $sensor = $bench->probes()->where('serial', 'a-1')->firstOrFail();
        self::assertSame([ProbeKind::PressureSensor, 0.02, 0.3, 20.0, true], [$sensor->kind, $sensor->stated_slope, $sensor->stated_offset, $sensor->fastest_hz, $sensor->is_present]);
        self::assertNull($sensor->recentlyMovedFrom());
    }

    public function test_hearing_it_again_changes_nothing_and_what_is_left_out_is_unplugged(): void
    {
        $bench = $this->silentBenchOf($this->teacher());
        $both = [$this->told('a-1', 'ph', 'ph-electrode'), $this->told('a-2', 'temperature', 'thermometer')];
        $this->plugIn($bench, $both);
        $this->plugIn($bench, $both);
        self::assertSame(2, $bench->probes()->count());

        $this->plugIn($bench, [$both[1]]);
        self::assertSame([false, true], $bench->probes()->orderBy('serial')->get()->map(static fn (Probe $p): bool => $p->is_present)->all());
        $this->plugIn($bench, $both);
        self::assertTrue($bench->probes()->where('serial', 'a-1')->firstOrFail()->is_present);
    }

    public function test_a_probe_takes_its_calibrations_to_another_bench_of_its_teacher(): void
    {
        $teacher = $this->teacher();
        [$here, $there] = [$this->silentBenchOf($teacher), $this->silentBenchOf($teacher)];
        $this->plugIn($here, [$this->told('a-1', 'ph', 'ph-electrode')]);
        $probe = $here->probes()->firstOrFail();
        $kept = Calibration::query()->create([
            'probe_id' => $probe->id, 'user_id' => $teacher->id, 'state' => Calibration::KEPT, 'recipe' => Recipe::Buffers, 'unit' => 'pH',
            'standards' => [], 'celsius' => 25.0, 'slope' => -58.0, 'slope_uncertainty' => 0.1, 'offset' => 1.0, 'offset_uncertainty' => 0.1, 'kept_at' => now(),
        ]);

        self::assertSame([$here->id], $this->plugIn($there, [$this->told('a-1', 'ph-2', 'ph-electrode')]));
        self::assertSame([$there->id, 'ph-2', $here->name], [$probe->refresh()->bench_id, $probe->channel, $probe->recentlyMovedFrom()]);
        self::assertSame($kept->id, $probe->calibration?->id);
        self::assertSame([], $this->plugIn($here, []), 'The bench it left only hears that nothing is plugged in.');
        self::assertTrue($probe->refresh()->is_present);
    }

    public function test_another_probe_in_the_same_socket_is_another_probe(): void
    {
        $bench = $this->silentBenchOf($this->teacher());
        $this->plugIn($bench, [$this->told('old', 'ph', 'ph-electrode')]);
        $this->plugIn($bench, [$this->told('new', 'ph', 'ph-electrode')]);

        self::assertSame(['new' => true, 'old' => false], $bench->probes()->orderBy('serial')->get()->pluck('is_present', 'serial')->sortKeys()->all());
    }

    public function test_the_same_number_at_another_teachers_bench_is_their_own_probe(): void
    {
        [$mine, $theirs] = [$this->silentBenchOf($this->teacher()), $this->silentBenchOf($this->teacher())];
        $this->plugIn($mine, [$this->told('a-1', 'ph', 'ph-electrode')]);
        self::assertSame([], $this->plugIn($theirs, [$this->told('a-1', 'ph', 'ph-electrode')]));
        self::assertSame([1, 1], [$mine->probes()->count(), $theirs->probes()->count()]);
    }

    /** @return array<string, mixed> */
    private function told(string $serial, string $channel, string $kind, ?array $stated = null): array
    {
        return [
            'name' => $channel, 'kind' => $kind, 'title' => ucfirst($channel), 'serial' => $serial, 'unit' => 'V', 'resolution' => 0.001,
            'range' => [0.0, 5.0], 'fastestHz' => 20.0, 'stated' => $stated,
        ];
    }
}

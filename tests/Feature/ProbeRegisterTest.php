<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Calibration;
use App\Models\Probe;
use App\Models\User;
use App\Notebook\Roles;
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

    public function test_a_probe_of_no_known_kind_measures_what_its_device_or_its_teacher_says(): void
    {
        $bench = $this->silentBenchOf($teacher = $this->actsAs());
        $told = [$this->told('a-1', 'a0', 'light-sensor'), ['quantityUnit' => '%', 'stated' => ['slope' => 0.03, 'offset' => 0.8]] + $this->told('a-2', 'a1', 'any-quantity'), $this->told('a-3', 'a2', 'thermometer')];
        $this->plugIn($bench, $told);
        [$light, $humidity, $thermometer] = $bench->probes()->get()->all();
        $this->getJson("/api/probes/{$light->id}")->assertOk()->assertJsonPath('kind', 'any-quantity')->assertJsonPath('unit', 'V')->assertJsonPath('trust', 'factory')->assertJsonPath('recipes.0.key', 'two-values')->assertJsonPath('recipes.0.unit', 'V');
        $this->getJson("/api/probes/{$humidity->id}")->assertOk()->assertJsonPath('unit', '%')->assertJsonPath('trust', 'factory');

        $this->patchJson("/api/probes/{$light->id}", ['title' => ' Light ', 'unit' => 'lx'])->assertOk()->assertJsonPath('title', 'Light')->assertJsonPath('unit', 'lx')
            ->assertJsonPath('trust', 'missing')->assertJsonPath('trustSentence', 'Light: not calibrated.')->assertJsonPath('recipes.0.unit', 'lx');
        $this->postJson("/api/probes/{$light->id}/calibrations/factory")->assertConflict()->assertJsonPath('detail', 'No maker’s line is known for Light in lx. Calibrate it at two known values.');
        $channel = $this->storedRunOf($this->experimentOf($teacher, $bench))->channels()->create(['probe_id' => $light->id]);
        self::assertNull($channel->load('probe')->readingBy(null), 'A raw signal is no light.');
        $channel->delete();
        // Its device goes on calling it otherwise.
        $this->plugIn($bench, $told);
        $this->getJson("/api/probes/{$light->id}")->assertJsonPath('title', 'Light')->assertJsonPath('unit', 'lx');
        $this->patchJson("/api/probes/{$humidity->id}", ['title' => 'Humidity', 'unit' => '%'])->assertOk()->assertJsonPath('trust', 'factory');

        $this->patchJson("/api/probes/{$thermometer->id}", ['title' => 'Oven', 'unit' => 'K'])->assertConflict()->assertJsonPath('code', 'kind-is-known');
        $this->patchJson("/api/probes/{$light->id}", ['title' => '', 'unit' => 'lx'])->assertUnprocessable()->assertJsonPath('detail', 'Say what it measures, as light or humidity.');
        $this->patchJson("/api/probes/{$light->id}", ['title' => 'Light', 'unit' => 'l"x'])->assertUnprocessable();
        $this->postJson('/api/shelf', ['kind' => 'any-quantity', 'source' => 'typed', 'label' => 'lamp', 'value' => 3])->assertUnprocessable();

        // What was recorded without a calibration stays in its unit.
        $run = $this->storedRunOf($this->experimentOf($teacher, $bench));
        $run->channels()->create(['probe_id' => $humidity->id]);
        $this->patchJson("/api/probes/{$humidity->id}", ['title' => 'Water in air', 'unit' => 'g/m3'])->assertConflict()->assertJsonPath('code', 'recorded-in-unit');
        $this->patchJson("/api/probes/{$humidity->id}", ['title' => 'Water in air', 'unit' => '%'])->assertOk();
    }

    public function test_columns_find_the_probe_of_no_known_kind_by_what_it_is_called(): void
    {
        $bench = $this->silentBenchOf($teacher = $this->actsAs());
        $this->plugIn($bench, [$this->told('a-1', 'a0', 'any-quantity'), $this->told('a-2', 'a1', 'any-quantity')]);
        [$first, $second] = $bench->probes()->get()->all();
        $this->patchJson("/api/probes/{$second->id}", ['title' => 'Light', 'unit' => 'V'])->assertOk();
        $experiment = $this->experimentOf($teacher, $bench, 'blank');
        $this->postJson("/api/experiments/{$experiment->id}/columns", ['symbol' => 'L', 'name' => 'Light', 'unit' => 'V', 'kind' => 'measured', 'probeKind' => 'any-quantity', 'probeTitle' => 'Light'])->assertCreated();
        $assigned = Roles::assigned($experiment->refresh(), $bench);
        self::assertSame([[$first->id, null], [$second->id, 'any-quantity']], array_map(static fn (array $of): array => [$of[0]->id, $of[1]], $assigned));
        // Called otherwise since: the first of its kind is better than none.
        $this->patchJson("/api/probes/{$second->id}", ['title' => 'Brightness', 'unit' => 'V'])->assertOk();
        self::assertSame([$first->id, 'any-quantity'], [Roles::assigned($experiment, $bench)[0][0]->id, Roles::assigned($experiment, $bench)[0][1]]);
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
    private function actsAs(): User
    {
        $this->actingAs($teacher = $this->teacher());

        return $teacher;
    }

    private function told(string $serial, string $channel, string $kind, ?array $stated = null): array
    {
        return [
            'name' => $channel, 'kind' => $kind, 'title' => ucfirst($channel), 'serial' => $serial, 'unit' => 'V', 'resolution' => 0.001,
            'range' => [0.0, 5.0], 'fastestHz' => 20.0, 'stated' => $stated,
        ];
    }
}

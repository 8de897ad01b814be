<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Resources\ShelfStandardResource;
use App\Http\Stored;
use App\Models\Calibration;
use App\Recorder\RecorderClient;
use Illuminate\Support\Facades\DB;
use Tests\Support\Fuzz\Fuzzing;
use Tests\Support\Recording;
use Tests\TestCase;

/** What is stored but cannot be worked out, as an older version or a hand might have left it, spoils its own line and nothing else. */
final class BrokenStoreTest extends TestCase
{
    use Fuzzing, Recording {
        Fuzzing::signedIn insteadof Recording;
    }

    public function test_a_calibration_that_cannot_be_worked_out_spoils_the_value_of_its_probe_alone(): void
    {
        [$teacher, $browser] = $this->furnishedTeacher('Birch');
        $bench = $teacher->benches()->where('is_simulated', true)->firstOrFail();
        $this->actingAs($teacher);
        foreach ($bench->probes as $probe) {
            $this->postJson("/api/probes/{$probe->id}/calibrations/factory")->assertCreated();
        }
        $broken = $this->probeOf($bench, 'ph');
        foreach ([0.0, 1e-320] as $slope) {
            Calibration::query()->where('probe_id', $broken->id)->where('state', Calibration::KEPT)->update(['slope' => $slope]);
            app(RecorderClient::class)->reload($bench);

            self::assertSame([], $this->closedPagesOf($teacher, $browser));
            $shown = $this->getJson("/api/probes/{$broken->id}")->assertOk();
            self::assertSame("{$broken->title}: what is stored of its calibration cannot be worked out. Calibrate it again.", $shown->json('trustSentence'));
            self::assertFalse($shown->json('isReady'));
            $stream = $this->listen($teacher, "bench-{$bench->id}");
            $values = [];
            $this->eventually(function () use ($stream, &$values): bool {
                $values = array_column(json_decode($this->nextMessage($stream), true)['probes'], 'value', 'id');

                return count(array_filter($values, is_numeric(...))) === 2;
            });
            self::assertNull($values[$broken->id]);
        }
        self::assertNull(array_column((array) app(RecorderClient::class)->ask('health')['benches'], 'aside', 'id')[$bench->id], 'The device is in order.');
    }

    public function test_limits_entries_plans_and_zeros_that_make_no_sense_close_no_page(): void
    {
        [$teacher, $browser] = $this->furnishedTeacher('Alder');
        $bench = $teacher->benches()->where('is_simulated', true)->firstOrFail();
        $zeros = array_fill_keys(['driftPerMinute', 'scatter', 'tolerance', 'windowS'], 0);
        $bench->update(['steady_limits' => ['ph-electrode' => $zeros, 'thermometer' => ['driftPerMinute' => -1] + $zeros]]);
        $experiment = $teacher->experiments()->firstOrFail();
        foreach ($experiment->entries as $i => $entry) {
            $entry->update(['value' => [1e-320, 5.0, -3.0, 1e308][$i % 4], 'uncertainty' => 1e308, 'unit' => ['mol/L', 'furlongs²²', '', 'g'][$i % 4]]);
        }
        foreach ($experiment->columns as $i => $column) {
            $column->update([['unit' => 'furlongs²²'], ['formula' => 'ln('], ['formula' => 'ddpH + '.$column->symbol], ['decimals' => 200]][$i % 4]);
        }
        foreach ($experiment->lines as $i => $line) {
            $line->update([['method' => 'alchemy'], ['options' => ['texts' => ['formula' => 'n + n +']]], ['options' => []]][$i % 3]);
        }
        DB::table('figures')->where('experiment_id', $experiment->id)->update(['options' => json_encode(['x' => 'nothing', 'panels' => [['y' => ['V', 'gone']]]])]);
        DB::table('runs')->where('experiment_id', $experiment->id)->update(['plan' => json_encode(['ranges' => [['from' => 5, 'to' => 1, 'step' => 0]]])]);
        DB::table('readings')->whereIn('run_id', $experiment->runs()->select('id'))->update(['taken_at' => -1e300]);
        app(RecorderClient::class)->reload($bench);

        self::assertSame([], $this->closedPagesOf($teacher, $browser));
        $health = array_column((array) app(RecorderClient::class)->ask('health')['benches'], null, 'id')[$bench->id];
        self::assertTrue($health['isConnected']);
        self::assertNull($health['aside']);
        $probe = $this->actingAs($teacher)->getJson("/api/probes/{$this->electrodeOf($bench)->id}")->assertOk();
        self::assertSame(0.02, $probe->json('steady.driftPerMinute'), 'The usual limits are better than none.');
    }

    public function test_what_cannot_be_told_afterwards_is_not_stored(): void
    {
        $teacher = $this->teacher();
        $bench = $this->silentBenchOf($teacher);
        $this->plugIn($bench, [['name' => 'plunger', 'kind' => 'plunger', 'title' => 'Plunger', 'serial' => "p-{$bench->id}", 'unit' => 'mm', 'resolution' => 0.01, 'fastestHz' => 20.0, 'stated' => null]]);
        $probe = $bench->probes()->firstOrFail();
        $this->actingAs($teacher);
        $id = $this->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => 'bore'])->assertCreated()->json('id');
        foreach ([1e-100, 1e-200, 5e-324, 0, -20, 201, 1e308] as $bore) {
            $this->patchJson("/api/calibrations/{$id}", ['settings' => ['boreMm' => $bore]])->assertUnprocessable()
                ->assertJsonPath('detail', 'The inner diameter of the syringe must be a number from 1 to 200 mm.');
        }
        self::assertNull($this->getJson("/api/calibrations/{$id}")->assertOk()->json('settings.boreMm'));
        $this->patchJson("/api/benches/{$bench->id}", ['kind' => 'plunger', 'limits' => []])->assertUnprocessable();
        self::assertNull($bench->refresh()->steady_limits);
        $this->postJson('/api/shelf', ['kind' => 'grip-bulb', 'source' => 'weight', 'label' => 'heavy', 'value' => 1e308])->assertUnprocessable();
        $this->postJson('/api/shelf', ['kind' => 'ph-electrode', 'source' => 'buffer', 'label' => 'which?'])->assertUnprocessable()->assertJsonPath('detail', 'Choose which one it is.');
        self::assertSame(0, $teacher->shelf()->count());
    }

    public function test_an_answer_that_cannot_be_made_takes_back_what_was_stored_for_it(): void
    {
        $teacher = $this->teacher();
        $store = static function () use ($teacher): ShelfStandardResource {
            $standard = $teacher->shelf()->create([
                'kind' => 'ph-electrode', 'source' => 'typed', 'code' => '', 'label' => 'x', 'value' => 7.0, 'uncertainty' => 0.1, 'unit' => 'pH',
            ]);

            return new ShelfStandardResource($standard->setAttribute('value', INF));
        };
        try {
            Stored::andTold($store);
            self::fail('An infinite number cannot be told.');
        } catch (\InvalidArgumentException $why) {
            self::assertStringContainsString('Inf and NaN', $why->getMessage());
        }
        self::assertSame(0, $teacher->shelf()->count());
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\PackedPoints;
use App\Models\Run;
use App\Models\RunChannel;
use App\Models\User;
use App\Recorder\Keeping\Block;
use App\Recorder\Keeping\Desk;
use App\Recorder\Link\Sample;
use App\Samples\Filing;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use Welkion\Core\Calibration\ProbeKind;

/** What a screen is told of the samples of a run. */
final class PointsTest extends TestCase
{
    /** Samples at 4 Hz: a ramp of raw signals with a spike. */
    private const COUNT = 6000;

    private User $teacher;

    private Run $run;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->teacher = $this->teacher());
        $bench = $this->connectedBenchOf($this->teacher);
        $this->run = $this->storedRunOf($this->experimentOf($this->teacher, $bench));
        $channel = RunChannel::query()->findOrFail($this->run->channels()->create(['probe_id' => $this->electrodeOf($bench)->id, 'role' => 'electrode'])->id);
        $samples = array_map(static fn (int $k): Sample => new Sample($k + 1, 5000.0 + $k / 4, $k === 4321 ? 900.0 : 0.01 * $k), range(0, self::COUNT - 1));
        app(Desk::class)->keep(array_map(static fn (Block $b): array => $b->toRow(), Block::cut($channel->id, $samples)));
        (new Filing(DB::connection()))->file();
    }

    public function test_a_long_run_is_told_in_two_numbers_a_column_of_pixels(): void
    {
        $told = $this->points('columns=E&width=500')->assertOk()->json();
        $column = $told['columns'][0];

        self::assertEqualsWithDelta([0.0, (self::COUNT - 1) / 4], [$told['from'], $told['to']], 1e-9);
        self::assertSame(['E', false], [$column['symbol'], $column['showsSamples']]);
        self::assertSame([500, 500], [count($column['lows']), count($column['highs'])]);
        self::assertEqualsWithDelta(900.0, max($column['highs']), 1e-9);
        self::assertSame(360, array_search(max($column['highs']), $column['highs'], true));
        self::assertEqualsWithDelta(0.0, $column['lows'][0], 0.2);
        self::assertEqualsWithDelta(59.99, $column['highs'][499], 1e-9);
    }

    public function test_a_short_span_is_told_by_its_samples(): void
    {
        $column = $this->points('columns=E&from=10&to=12&width=500')->assertOk()->json('columns.0');

        self::assertTrue($column['showsSamples']);
        self::assertEqualsWithDelta([10.0, 10.25, 10.5, 10.75, 11.0, 11.25, 11.5, 11.75, 12.0], $column['times'], 1e-6);
        self::assertEqualsWithDelta([0.40, 0.41, 0.42, 0.43, 0.44, 0.45, 0.46, 0.47, 0.48], $column['values'], 1e-9);
    }

    public function test_quantities_are_told_by_the_calibration_of_the_run(): void
    {
        // Never calibrated: the ideal electrode at 25 °C, pH 7 - raw / 59.16 mV, which falls where the signal rises.
        $column = $this->points('columns=pH&from=0&to=1000&width=100')->assertOk()->json('columns.0');

        self::assertEqualsWithDelta(7.0, $column['highs'][0], 0.01);
        self::assertEqualsWithDelta(7.0 - 39.99 / 59.16, $column['lows'][99], 0.005);
        foreach ($column['lows'] as $i => $low) {
            self::assertLessThanOrEqual($column['highs'][$i], $low);
        }
    }

    public function test_ph_goes_by_the_temperature_of_what_is_seen(): void
    {
        $probe = $this->run->bench?->probes()->where('kind', ProbeKind::Thermometer)->firstOrFail();
        $channel = $this->run->channels()->create(['probe_id' => $probe?->id, 'role' => 'thermometer'])->id;
        // 60 °C in the first half, 20 °C in the second; its maker's line tells °C as they are.
        $celsius = static fn (int $k): float => $k < self::COUNT / 2 ? 60.0 : 20.0;
        $sample = static fn (int $k): Sample => new Sample($k + 1, 5000.0 + $k / 4, $celsius($k));
        $samples = array_map($sample, range(0, self::COUNT - 1));
        app(Desk::class)->keep(array_map(static fn (Block $b): array => $b->toRow(), Block::cut($channel, $samples)));
        // The ideal slope of 59.16 mV at 25 °C goes with the kelvins; the signal is 0.04 mV for each second.
        foreach ([[600, 700, 60.0], [1300, 1400, 20.0]] as [$from, $to, $celsius]) {
            [$t, $ph] = $this->points("columns=T,pH&from={$from}&to={$to}&width=20")->assertOk()->json('columns');

            self::assertEqualsWithDelta([$celsius, $celsius], [min($t['lows']), max($t['highs'])], 1e-9);
            $slope = 59.16 * ($celsius + 273.15) / 298.15;
            self::assertEqualsWithDelta(7.0 - 0.04 * $to / $slope, $ph['lows'][19], 0.002);
        }
    }

    public function test_the_packed_answer_says_the_same_in_few_bytes(): void
    {
        $json = $this->points('columns=E,pH&width=500')->json();
        $packed = $this->points('columns=E,pH&width=500', PackedPoints::TYPE)->assertOk()->assertHeader('Content-Type', PackedPoints::TYPE)->getContent();

        self::assertSame(16 + 2 * (8 + 500 * 8), strlen((string) $packed));
        self::assertEqualsWithDelta([$json['from'], $json['to']], array_values((array) unpack('e2', (string) $packed)), 1e-12);
        self::assertSame([0, 500], array_values((array) unpack('V2', (string) $packed, 16)));
        $pairs = array_values((array) unpack('g1000', (string) $packed, 24));
        // float32 keeps seven digits.
        self::assertEqualsWithDelta($json['columns'][0]['lows'][123], $pairs[246], 1e-5);
        self::assertEqualsWithDelta($json['columns'][0]['highs'][360], $pairs[721], 1e-3);
        $samples = (string) $this->points('columns=E&from=10&to=12', PackedPoints::TYPE)->getContent();
        self::assertSame([1, 9], array_values((array) unpack('V2', $samples, 16)));
        self::assertEqualsWithDelta([0.0, 0.40, 0.25, 0.41], array_slice(array_values((array) unpack('g*', $samples, 24)), 0, 4), 1e-5);
    }

    public function test_what_has_not_changed_is_not_sent_again(): void
    {
        $first = $this->points('columns=pH');
        $tag = (string) $first->headers->get('ETag');
        $again = $this->points('columns=pH', headers: ['If-None-Match' => $tag]);

        self::assertSame('private, no-cache', implode(', ', array_reverse(explode(', ', (string) $first->headers->get('Cache-Control')))));
        self::assertSame([304, ''], [$again->getStatusCode(), (string) $again->getContent()]);
        self::assertNotSame($tag, $this->points('columns=pH&width=50')->headers->get('ETag'));
        self::assertNotSame($tag, $this->points('columns=pH', PackedPoints::TYPE)->headers->get('ETag'));
        app(Desk::class)->keep(array_map(static fn (Block $b): array => $b->toRow(), Block::cut($this->run->channels()->firstOrFail()->id, [new Sample(self::COUNT + 1, 9000.0, 1.0)])));
        $this->points('columns=pH', headers: ['If-None-Match' => $tag])->assertOk();
    }

    public function test_a_column_whose_probe_was_not_there_is_empty_in_its_place(): void
    {
        $told = $this->points('columns=T,pH&from=10&to=12')->assertOk()->json('columns');
        $packed = (string) $this->points('columns=T,pH&from=10&to=12', PackedPoints::TYPE)->assertOk()->getContent();

        self::assertSame(['symbol' => 'T', 'showsSamples' => true, 'times' => [], 'values' => []], $told[0]);
        self::assertCount(9, $told[1]['values']);
        self::assertSame([[1, 0], [1, 9]], [array_values((array) unpack('V2', $packed, 16)), array_values((array) unpack('V2', $packed, 24))]);
    }

    public function test_nonsense_is_refused_in_words(): void
    {
        self::assertStringContainsString('There is no measured column "volume" in this experiment. There are: pH', (string) $this->points('columns=volume')->assertUnprocessable()->json('detail'));
        $this->points('columns=V')->assertUnprocessable();
        $this->points('')->assertUnprocessable();
        $this->points('columns=pH&from=10&to=5')->assertUnprocessable();
        $this->points('columns=pH&width=0')->assertUnprocessable();
        $this->points('columns=pH&width=4001')->assertUnprocessable();
        $this->actingAs($this->teacher())->getJson("/api/runs/{$this->run->id}/points?columns=pH")->assertForbidden();
    }

    public function test_a_run_without_samples_has_an_empty_picture(): void
    {
        foreach (['sample_segments', 'sample_indexes', 'sample_blocks'] as $table) {
            DB::table($table)->whereIn('run_channel_id', $this->run->channels()->pluck('id'))->delete();
        }

        self::assertSame(['symbol' => 'pH', 'showsSamples' => true, 'times' => [], 'values' => []], $this->points('columns=pH')->assertOk()->json('columns.0'));
    }

    /**
     * @param  array<string, string>  $headers
     * @return TestResponse<Response>
     */
    private function points(string $query, string $accept = 'application/json', array $headers = []): TestResponse
    {
        return $this->get("/api/runs/{$this->run->id}/points?{$query}", ['Accept' => $accept] + $headers);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Calibration;
use App\Models\Experiment;
use Tests\TestCase;
use Welkion\Core\Calibration\Recipe;

/** What the requests of a lesson ask of MariaDB; more is a step back, and so is any that grows with what is stored. */
final class QueryCountTest extends TestCase
{
    public function test_the_hot_routes_ask_little_and_no_more_for_a_long_history(): void
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher);
        $experiment = $this->experimentOf($teacher, $bench);
        $this->actingAs($teacher);
        $run = $this->startedRun($experiment);
        for ($i = 0; $i < 4; $i++) {
            $this->take($run, $i / 2)->assertCreated();
        }
        $first = $this->counts($experiment, $run, 2.0);
        for ($i = 0; $i < 40; $i++) {
            Calibration::query()->create([
                'probe_id' => $this->electrodeOf($bench)->id, 'user_id' => $teacher->id, 'state' => Calibration::KEPT, 'recipe' => Recipe::Buffers, 'unit' => 'pH', 'standards' => [],
                'celsius' => 21.0, 'slope' => -57.0, 'slope_uncertainty' => 0.1, 'offset' => 5.0, 'offset_uncertainty' => 0.3, 'kept_at' => now()->subDays($i)->subMinute(),
            ]);
            $this->experimentOf($teacher, $bench, title: "Number {$i}");
        }
        self::assertSame($first, $this->counts($experiment, $run, 2.5));
        foreach ($first as $route => $count) {
            self::assertLessThanOrEqual(self::MOST[$route], $count, $route);
        }
    }

    private const MOST = ['session' => 2, 'benches' => 11, 'experiments' => 8, 'notebook' => 16, 'worked' => 12, 'rows' => 20, 'reading' => 48, 'typed' => 36];

    /** @return array<string, int> */
    private function counts(Experiment $experiment, int $run, float $step): array
    {
        $entry = $experiment->entries()->where('symbol', 'c')->firstOrFail()->id;
        $bench = $experiment->bench()->firstOrFail();
        $this->settle($bench, $this->electrodeOf($bench));

        return array_map(static fn (\Closure $ask): int => self::questionsOf(static fn () => $ask()->assertSuccessful()), [
            'session' => fn () => $this->getJson('/api/session'),
            'benches' => fn () => $this->getJson('/api/benches'),
            'experiments' => fn () => $this->getJson('/api/experiments'),
            'notebook' => fn () => $this->getJson("/api/experiments/{$experiment->id}"),
            'worked' => fn () => $this->getJson("/api/experiments/{$experiment->id}/worked"),
            'rows' => fn () => $this->getJson("/api/runs/{$run}"),
            'reading' => fn () => $this->postJson("/api/runs/{$run}/readings", ['step' => $step]),
            'typed' => fn () => $this->putJson("/api/experiments/{$experiment->id}/entries/{$entry}/value", ['typed' => (string) (0.1 + $step)]),
        ]);
    }
}

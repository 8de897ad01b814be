<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use Database\Seeders\DatabaseSeeder;
use Tests\TestCase;

/**
 * What the demo came to before the notebook became general, written down by the application of that time: every reading, every
 * line of working, every ±. A redesign must not change a result.
 */
final class GoldenTest extends TestCase
{
    public function test_the_demo_says_what_it_said(): void
    {
        $golden = json_decode((string) file_get_contents(base_path('tests/Golden/demo.json')), true, flags: JSON_THROW_ON_ERROR);
        $this->actingAs(User::query()->where('email', DatabaseSeeder::TEACHER_EMAIL)->firstOrFail());
        $experiments = array_column($this->getJson('/api/experiments')->assertOk()->json(), 'id', 'title');
        self::assertCount(3, $golden);
        $readingCount = 0;
        foreach ($golden as $told) {
            $experiment = $this->getJson("/api/experiments/{$experiments[$told['title']]}")->assertOk()->json();
            self::assertAlike($told['entries'], $experiment['entries'], $told['title']);
            $runs = array_column($experiment['runs'], 'id', 'number');
            foreach ($told['runs'] as $run) {
                $where = "{$told['title']} run {$run['number']}";
                $now = $this->getJson("/api/runs/{$runs[$run['number']]}")->assertOk()->json();
                self::assertSameSize($run['readings'], $now['readings'], $where);
                self::assertAlike($run['readings'], $now['readings'], $where);
                $lines = $this->getJson("/api/experiments/{$experiment['id']}/working?run={$now['id']}")->assertOk()->json('lines');
                self::assertAlike($run['lines'], $lines, $where);
                $readingCount += count($run['readings']);
            }
        }
        self::assertGreaterThan(60, $readingCount);
    }

    /** Everything that was told is there with the same value; there may be more beside it. */
    private static function assertAlike(mixed $told, mixed $now, string $where): void
    {
        if (is_array($told)) {
            self::assertIsArray($now, $where);
            foreach ($told as $key => $value) {
                self::assertArrayHasKey($key, $now, $where);
                self::assertAlike($value, $now[$key], "{$where}, {$key}");
            }
        } elseif (is_int($told) || is_float($told)) {
            // Sums in another order differ in the last digits.
            self::assertEqualsWithDelta($told, $now, 1e-11 * max(1e-6, abs($told)), $where);
        } else {
            self::assertSame($told, $now, $where);
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use Database\Seeders\DatabaseSeeder;
use Tests\TestCase;

/**
 * What the demo came to before the notebook became general, written down by the application of that time (and again when
 * jumps were told more exactly): every reading, every line of working, every ±. A redesign must not change a result.
 */
final class GoldenTest extends TestCase
{
    private const LINES = ['Veq', 'pKa', 'n', 'c_s', 'beta'];

    public function test_the_demo_says_what_it_said(): void
    {
        $golden = json_decode((string) file_get_contents(base_path('tests/Golden/demo.json')), true, flags: JSON_THROW_ON_ERROR);
        $this->actingAs(User::query()->where('email', DatabaseSeeder::TEACHER_EMAIL)->firstOrFail());
        $experiments = array_column($this->getJson('/api/experiments')->assertOk()->json(), 'id', 'title');
        self::assertCount(3, $golden);
        $readingCount = 0;
        foreach ($golden as $told) {
            $id = $experiments[$told['title']];
            $notebook = $this->getJson("/api/experiments/{$id}")->assertOk()->json();
            $entries = array_column($notebook['entries'], null, 'symbol');
            self::assertAlike($told['entries'], array_map(static fn (array $e): array => $entries[$e['symbol']], $told['entries']), $told['title']);
            $runs = array_column($notebook['runs'], 'id', 'number');
            $worked = $this->getJson("/api/experiments/{$id}/worked")->assertOk()->json('worked');
            foreach ($told['runs'] as $run) {
                $where = "{$told['title']} run {$run['number']}";
                $now = array_map(static fn (array $row): array => self::asBefore($row, array_column($notebook['columns'], 'unit', 'symbol')), $this->rowsOf($runs[$run['number']]));
                self::assertSameSize($run['readings'], $now, $where);
                self::assertAlike($run['readings'], $now, $where);
                $lines = array_column(array_filter($worked, static fn (array $l): bool => $l['runId'] === $runs[$run['number']]), null, 'symbol');
                self::assertSameSize($run['lines'], self::LINES);
                foreach ($run['lines'] as $i => $line) {
                    self::assertAlike(array_intersect_key($line, ['result' => 0, 'method' => 0]), $lines[self::LINES[$i]], "{$where}, ".self::LINES[$i]);
                }
                $readingCount += count($run['readings']);
            }
        }
        self::assertGreaterThan(60, $readingCount);
    }

    /**
     * @param  array<string, mixed>  $row
     * @param  array<string, string>  $units  by symbol of a column
     * @return array<string, mixed> as readings were told then
     */
    private static function asBefore(array $row, array $units): array
    {
        return [
            'volume' => $row['step'], 'ph' => $row['cells']['pH'] + ['unit' => $units['pH']], 'millivolts' => $row['cells']['E']['value'] ?? null, 'celsius' => $row['cells']['T']['value'] ?? null,
            'setAsideReason' => $row['setAside'],
        ];
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

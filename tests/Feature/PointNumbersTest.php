<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** What a place of a curve comes to, asked for while a tangent follows the pointer. */
final class PointNumbersTest extends TestCase
{
    private Experiment $experiment;

    private int $run;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $this->experiment = $this->experimentOf($teacher, null, 'blank', 'How fast does the yeast rise?');
        $ids = [];
        foreach (['t' => 'min', 'h' => 'mm'] as $symbol => $unit) {
            $ids[] = $this->postJson("{$this->path()}/columns", ['symbol' => $symbol, 'name' => $symbol, 'unit' => $unit, 'kind' => 'typed'])->assertCreated()->json('made');
        }
        $this->run = $this->postJson("{$this->path()}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        // h = t²/2, so that its slope at t is t.
        $this->putJson("/api/runs/{$this->run}/cells", ['row' => null, 'columns' => $ids, 'cells' => array_map(static fn (int $t): array => [(string) $t, (string) ($t * $t / 2)], range(0, 10))])->assertOk();
    }

    public function test_a_place_tells_its_value_its_tangent_and_the_change_from_another(): void
    {
        $told = $this->asked(['at' => 4])->assertOk();
        $numbers = static fn (TestResponse $of, int $line): array => array_map(static fn (array $n): array => [round($n['measured']['value'], 9), $n['measured']['unit']], array_column($of->json("lines.{$line}.numbers"), null, 'name'));
        self::assertSame(['value-at', 'tangent'], $told->json('lines.*.method'));
        self::assertEquals([['value' => [8, 'mm']], ['slope' => [4, 'mm/min'], 'y' => [8, 'mm']]], [$numbers($told, 0), $numbers($told, 1)]);
        self::assertEqualsCanonicalizing(['point', 'curve', 'point'], $told->json('marks.*.kind'));
        self::assertSame(['t', 'h'], [$told->json('marks.1.xSymbol'), $told->json('marks.1.ySymbol')]);

        $change = $this->asked(['at' => 4, 'from' => 10])->assertOk();
        self::assertSame(['value-at', 'tangent', 'difference'], $change->json('lines.*.method'));
        self::assertEquals(['dy' => [-42, 'mm'], 'dx' => [-6, 'min']], $numbers($change, 2));
        self::assertSame(['value-at', 'tangent'], $this->asked(['at' => 4, 'from' => 4])->assertOk()->json('lines.*.method'), 'From there to there is nothing.');

        $reached = $this->asked(['at' => 4, 'height' => 10])->assertOk();
        self::assertSame(['value-at', 'tangent', 'x-at'], $reached->json('lines.*.method'));
        // Between 4 and 5 min h goes from 8 to 12.5 mm.
        self::assertEquals(['x' => [round(4 + 2 / 4.5, 9), 'min']], $numbers($reached, 2));

        // A line that is kept of it tells the same.
        $this->postJson("{$this->path()}/lines", ['method' => 'tangent', 'symbol' => 'v', 'title' => 'Tangent of h at 4 min', 'isPerRun' => true, 'uses' => ['x' => 't', 'y' => 'h'], 'numbers' => ['at' => ['value' => 4, 'uncertainty' => 0, 'unit' => 'min']]])->assertCreated();
        self::assertSame($told->json('lines.1.numbers.0.measured'), $this->getJson("{$this->path()}/worked")->json('worked.0.result'));
    }

    public function test_what_cannot_be_told_says_why(): void
    {
        $this->asked(['at' => 11])->assertOk()->assertJsonPath('lines.1.problem', 'This x lies outside of the points. Choose one between the first and the last.')->assertJsonPath('marks', []);
        foreach ([[['at' => 'here'], 'Say where, as a number.'], [['from' => '1e999'], 'Say where, as a number.'], [['height' => 'up'], 'Say where, as a number.'], [['x' => null], 'Say along which column it lies.'],
            [['y' => 'gone'], 'There is no column of numbers "gone" in this experiment. There are: t, h.']] as [$wrong, $sentence]) {
            $this->asked($wrong + ['at' => 4])->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
        $this->deleteJson("/api/runs/{$this->run}")->assertOk();
        $this->asked(['at' => 4])->assertNotFound();
    }

    /**
     * @param  array<string, mixed>  $of
     * @return TestResponse<Response>
     */
    private function asked(array $of): TestResponse
    {
        return $this->getJson("/api/runs/{$this->run}/point?".http_build_query($of + ['x' => 't', 'y' => 'h']));
    }

    private function path(): string
    {
        return "/api/experiments/{$this->experiment->id}";
    }
}

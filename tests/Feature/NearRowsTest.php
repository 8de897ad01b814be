<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Rows of a long run where somebody looks at it closely. */
final class NearRowsTest extends TestCase
{
    private const COUNT = 5000;

    private Experiment $experiment;

    private int $run;

    /** @var array<string, int> */
    private array $ids = [];

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $this->experiment = $this->experimentOf($teacher, null, 'blank', 'How does the cellar keep the whey cool?');
        foreach (['t' => 'h', 'T' => 'degC', 'w' => ''] as $symbol => $unit) {
            $this->ids[$symbol] = $this->postJson("{$this->path()}/columns", ['symbol' => $symbol, 'name' => $symbol, 'unit' => $unit, 'kind' => 'typed', 'isWords' => $symbol === 'w'])->assertCreated()->json('made');
        }
        $this->run = $this->postJson("{$this->path()}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        $cells = array_map(static fn (int $i): array => [(string) $i, number_format(11.0 + 3.0 * sin($i / 700.0), 2), 'calm'], range(0, self::COUNT - 1));
        foreach (array_chunk($cells, 1000) as $some) {
            $this->putJson("/api/runs/{$this->run}/cells", ['row' => null, 'columns' => array_values($this->ids), 'cells' => $some])->assertOk();
        }
    }

    public function test_a_stretch_tells_all_its_rows_and_of_a_wide_one_some_of_each_part(): void
    {
        $whole = $this->getJson("/api/runs/{$this->run}")->assertOk()->json();
        self::assertTrue($whole['typed']['isThinned']);

        $told = $this->near(['x' => 't', 'columns' => 't,T', 'from' => 2100.5, 'to' => 2000])->assertOk();
        self::assertSame([false, 101, 2001, 2101], [$told->json('isThinned'), count($told->json('rows')), $told->json('rows.0.id'), $told->json('rows.100.id')]);
        $of = array_column($whole['rows'], null, 'id');
        $both = array_values(array_filter($told->json('rows'), static fn (array $row): bool => isset($of[$row['id']])));
        self::assertNotSame([], $both);
        foreach ($both as $row) {
            self::assertEquals(array_intersect_key($of[$row['id']]['cells'], $row['cells']), $row['cells'], 'As the whole run tells them.');
        }

        $wide = $this->near(['x' => 'T', 'columns' => 't,T', 'from' => 8.5, 'to' => 13.9])->assertOk();
        self::assertTrue($wide->json('isThinned'));
        self::assertThat(count($wide->json('rows')), self::logicalAnd(self::greaterThan(1990), self::lessThanOrEqual(2000)));
        foreach ($wide->json('rows.*.cells.T.value') as $value) {
            self::assertThat($value, self::logicalAnd(self::greaterThanOrEqual(8.5), self::lessThanOrEqual(13.9)));
        }
        self::assertSame([], $this->near(['x' => 't', 'columns' => 'T', 'from' => 6000, 'to' => 7000])->assertOk()->json('rows'));
    }

    public function test_what_cannot_be_looked_at_is_told_in_a_sentence(): void
    {
        $asked = ['x' => 't', 'columns' => 't,T', 'from' => 0, 'to' => 9];
        foreach ([
            [['x' => null], 'Say along which column the stretch lies.'],
            [['columns' => null], 'Say which columns are drawn.'],
            [['columns' => 't,gone'], 'There is no column of numbers "gone" in this experiment. There are: t, T.'],
            [['columns' => 'w'], 'There is no column of numbers "w" in this experiment. There are: t, T.'],
            [['from' => 'here'], 'Say from where to where, in numbers.'],
            [['to' => '1e999'], 'Say from where to where, in numbers.'],
        ] as [$wrong, $sentence]) {
            $this->near($wrong + $asked)->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
        $this->deleteJson("/api/runs/{$this->run}")->assertOk();
        $this->near($asked)->assertNotFound();
    }

    /**
     * @param  array<string, mixed>  $of
     * @return TestResponse<Response>
     */
    private function near(array $of): TestResponse
    {
        return $this->getJson("/api/runs/{$this->run}/near?".http_build_query($of));
    }

    private function path(): string
    {
        return "/api/experiments/{$this->experiment->id}";
    }
}

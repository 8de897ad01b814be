<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Two columns made straight, and one of the ways taken into the working. */
final class WayTest extends TestCase
{
    private Experiment $experiment;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $this->experiment = $this->experimentOf($teacher, null, 'blank', 'How long does it take to fill the vat?');
    }

    public function test_an_inverse_relation_is_found_taken_and_undone_in_one_step(): void
    {
        $run = $this->typed(['q' => 'L/min', 't' => 'min'], [['10.2', '9.81'], ['12.0', '8.39'], ['15.1', '6.60'], ['18.0', '5.57'], ['22.4', '4.45x'], ['27.9', '3.60'], ['34.0', '2.93'], ['41.3', '2.43']]);
        $told = $this->ways($run, 'q', 't')->assertOk();
        $best = $told->json('ways.0');

        self::assertSame([7, 7, 'inverse', 't against 1/q', 'straight', true], [$told->json('n'), $told->json('looked'), $best['relation'], $best['title'], $best['verdict'], $best['isStraight']]);
        self::assertSame(['t is inversely proportional to q.', 'L'], [$best['meaning'], $best['slope']['unit']]);
        self::assertEqualsWithDelta(1 / 10.2, $best['x'][0], 1e-12);
        self::assertEqualsWithDelta($best['y'][0] - $best['residuals'][0], $best['line'][1][1], 1e-9, 'The line ends at the largest 1/q, that of the first row.');
        self::assertContains('not-comparable', $told->json('warnings.*.code'));

        $before = $this->getJson($this->path())->json();
        $this->taken($run, ['q', 't', 'inverse', true])->assertCreated()->assertJsonPath('undo', 'Took t against 1/q into the working');
        $now = $this->getJson($this->path())->json();
        $column = array_column($now['columns'], null, 'symbol')['inv_q'];
        self::assertSame(['1/q', '1/q', 'min/L', 'derived'], [$column['name'], $column['formula'], $column['unit'], $column['kind']]);
        self::assertSame(['inv_q', ['t']], [end($now['figures'])['x'], end($now['figures'])['panels'][0]['y']]);
        self::assertSame('Slope of t against 1/q', end($now['lines'])['title']);
        $worked = $this->getJson("{$this->path()}/worked")->json('worked.0');
        self::assertEqualsWithDelta($best['slope']['value'], $worked['result']['value'], 1e-9);
        self::assertSame('L', $worked['result']['unit']);

        // Once more, only as a figure: the column is there already.
        $this->taken($run, ['q', 't', 'inverse', false])->assertCreated();
        $again = $this->getJson($this->path())->json();
        self::assertSame([count($now['columns']), count($now['lines']), count($now['figures']) + 1], [count($again['columns']), count($again['lines']), count($again['figures'])]);
        $this->postJson("{$this->path()}/undo")->assertOk();
        $this->postJson("{$this->path()}/undo")->assertOk();
        $undone = $this->getJson($this->path())->json();
        foreach (['columns', 'figures', 'lines'] as $kind) {
            self::assertSame($before[$kind], $undone[$kind]);
        }
    }

    public function test_a_cooling_in_degrees_goes_by_its_distance_from_a_limit_which_becomes_an_entry(): void
    {
        $run = $this->typed(['t' => 'min', 'T' => 'degC'], array_map(static fn (int $i): array => [(string) $i, sprintf('%.6f', 20.0 + 60.0 * exp(-$i / 4.0))], range(0, 14)));
        $told = $this->ways($run, 't', 'T')->assertOk();
        self::assertSame('exponential_decay', $told->json('ways.0.relation'));
        self::assertContains('T', $told->json('skipped.*.inKelvin'));

        $this->taken($run, ['t', 'T', 'exponential_decay', true])->assertCreated();
        $entry = array_column($this->getJson($this->path())->json('entries'), null, 'symbol')['T_end'];
        self::assertEqualsWithDelta(20.0, $entry['value'], 1e-3);
        self::assertSame(['°C', false, false], [$entry['unit'], $entry['isWords'], $entry['isPerRun']]);
        $column = array_column($this->getJson($this->path())->json('columns'), null, 'symbol')['ln_T'];
        self::assertSame(['ln(T - T_end)', 'ln(T − T_end)'], [$column['formula'], $column['name']]);
        self::assertEqualsWithDelta(-0.25, $this->getJson("{$this->path()}/worked")->json('worked.0.result.value'), 1e-3);
        $this->taken($run, ['t', 'T', 'power', true])->assertUnprocessable()
            ->assertJsonPath('detail', 'T against t cannot be plotted as "power": T is in °C, which does not start at zero; this needs kelvin.');
    }

    public function test_a_line_through_the_origin_and_each_kind_of_column(): void
    {
        $run = $this->typed(['x' => '', 'y' => ''], array_map(static fn (int $i): array => [(string) $i, (string) (2.5 * $i)], range(1, 8)));
        self::assertSame('proportional', $this->ways($run, 'x', 'y')->assertOk()->json('ways.0.relation'));
        $this->taken($run, ['x', 'y', 'proportional', true])->assertCreated();
        self::assertEqualsWithDelta(2.5, $this->getJson("{$this->path()}/worked")->json('worked.0.result.value'), 1e-9);
        foreach (['power', 'quadratic', 'square_root', 'inverse_square', 'inverse_of_line'] as $relation) {
            in_array($relation, $this->ways($run, 'x', 'y')->json('ways.*.relation'), true) && $this->taken($run, ['x', 'y', $relation, false])->assertCreated();
        }
        $formulas = array_column($this->getJson($this->path())->json('columns'), 'formula', 'symbol');
        self::assertSame(['ln(x)', 'ln(y)', 'x^2', 'sqrt(x)'], [$formulas['ln_x'], $formulas['ln_y'], $formulas['sq_x'], $formulas['root_x']]);
    }

    public function test_what_cannot_be_meant_is_said_and_changes_nothing(): void
    {
        $run = $this->typed(['x' => '', 'y' => ''], [['1', '2'], ['2', '3'], ['3', '4'], ['4', '5']]);
        $this->ways($run, 'x', 'y')->assertUnprocessable()->assertJsonPath('detail', 'Straightening needs at least 5 points at different places, but there are 4.');
        foreach ([
            [['x', 'x'], 'Choose two different columns.'], [['', 'y'], 'Say which column is plotted along x.'], [['x', 'zz'], 'There is no column of numbers "zz" in this experiment. There are: x, y.'],
        ] as [[$x, $y], $sentence]) {
            $this->ways($run, $x, $y)->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
        $revision = $this->getJson($this->path())->json('revision');
        foreach ([[['x', 'y', 'witchcraft', true], 'Choose one of the ways.'], [['x', 'y', 'inverse', 'perhaps'], 'Say whether a line of working is wanted.'], [['x', 'y', 'inverse', true], 'Straightening needs at least 5 points at different places, but there are 4.']] as [$way, $sentence]) {
            $this->taken($run, $way)->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
        self::assertSame($revision, $this->getJson($this->path())->json('revision'));
        $this->deleteJson("/api/runs/{$run}")->assertOk();
        $this->ways($run, 'x', 'y')->assertNotFound();
        $this->taken($run, ['x', 'y', 'inverse', true])->assertNotFound();
    }

    /**
     * @param  array<string, string>  $columns  unit by symbol
     * @param  list<list<string>>  $cells
     */
    private function typed(array $columns, array $cells): int
    {
        $ids = [];
        foreach ($columns as $symbol => $unit) {
            $ids[] = $this->postJson("{$this->path()}/columns", ['symbol' => $symbol, 'name' => $symbol, 'unit' => $unit, 'kind' => 'typed'])->assertCreated()->json('made');
        }
        $run = $this->postJson("{$this->path()}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        $this->putJson("/api/runs/{$run}/cells", ['row' => null, 'columns' => $ids, 'cells' => $cells])->assertOk();

        return $run;
    }

    /** @return TestResponse<Response> */
    private function ways(int $run, string $x, string $y): TestResponse
    {
        return $this->getJson("/api/runs/{$run}/ways?".http_build_query(['x' => $x, 'y' => $y]));
    }

    /**
     * @param  array{string, string, string, mixed}  $way
     * @return TestResponse<Response>
     */
    private function taken(int $run, array $way): TestResponse
    {
        return $this->postJson("/api/runs/{$run}/ways", array_combine(['x', 'y', 'relation', 'hasLine'], $way));
    }

    private function path(): string
    {
        return "/api/experiments/{$this->experiment->id}";
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** The relation between two columns of a run: looked for, tried, and kept as a line of working. */
final class RelationTest extends TestCase
{
    private Experiment $experiment;

    private int $run;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $this->experiment = $this->experimentOf($teacher, null, 'blank', 'How does the whey cool?');
        $columns = array_map(fn (array $of): mixed => $this->postJson("{$this->path()}/columns", ['symbol' => $of[0], 'name' => $of[0], 'unit' => $of[1], 'kind' => 'typed'])->assertCreated()->json('made'),
            [['t', 'min'], ['T', 'degC']]);
        $this->run = $this->postJson("{$this->path()}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        $cells = array_map(static fn (int $i): array => [(string) (2 * $i), sprintf('%.3f', 20.0 + 60.0 * exp(-2.0 * $i / 8.0) + 0.03 * sin(7.0 * $i * $i))], range(0, 14));
        $this->putJson("/api/runs/{$this->run}/cells", ['row' => null, 'columns' => $columns, 'cells' => $cells])->assertOk();
    }

    public function test_the_relations_are_told_the_best_first_each_with_its_curve(): void
    {
        $told = $this->asked('relations')->assertOk();
        $first = $told->json('relations.0');

        self::assertSame([15, 15, 0, 't', 'T'], [$told->json('n'), $told->json('looked'), $told->json('setAside'), $told->json('x'), $told->json('y')]);
        self::assertSame(['exponential_decay', 'Exponential to a limit', 'no pattern is left over', ''], [$first['relation'], $first['title'], $first['verdict'], $first['reason']]);
        self::assertSame('The distance of T from a limit shrinks by the same factor in equal steps of t.', $first['meaning']);
        self::assertGreaterThan(0.9999, $first['rSquared']);
        self::assertCount(count($told->json('curveX')), $first['curve']);
        self::assertEqualsWithDelta([0.0, 28.0], [$told->json('curveX.0'), $told->json('curveX.48')], 1e-12);
        self::assertEqualsWithDelta([80.0, 20.0 + 60.0 * exp(-28.0 / 8.0)], [$first['curve'][0], $first['curve'][48]], 0.1);
        $by = array_column($told->json('relations'), null, 'relation');
        self::assertSame([[], 'T is in °C, which does not start at zero; this needs kelvin.', 'T'], [$by['power']['curve'], $by['proportional']['reason'], $by['proportional']['inKelvin']]);
        self::assertSame(['proportional', 'draw it through the origin'], [$by['linear']['sibling'], $by['linear']['toSibling']]);
        self::assertStringContainsString('bends', $by['linear']['verdict']);

        // A part of it, of which one row is set aside.
        $this->putJson("/api/runs/{$this->run}/set-aside", ['readings' => [5], 'reason' => 'stirred'])->assertOk();
        $part = $this->asked('relations', ['from' => '12', 'to' => '4'])->assertOk();
        self::assertSame([4, 1, [4.0, 12.0]], [$part->json('n'), $part->json('setAside'), [(float) min($part->json('points.x')), (float) max($part->json('points.x'))]]);
    }

    public function test_one_of_them_is_told_with_its_constants_and_how_good_it_is_and_kept_as_a_line(): void
    {
        $told = $this->asked('relation', ['relation' => 'exponential_decay', 'held' => 'c = 20', 'band' => 'drawn'])->assertOk();
        $values = array_column($told->json('values'), 'measured', 'name');

        self::assertSame(['a', 'b', 'c'], $told->json('constants'));
        self::assertEqualsWithDelta([60.0, 0.125, 20.0], [$values['a']['value'], $values['b']['value'], $values['c']['value']], 0.05);
        self::assertSame(['K', '1/min', '°C'], [$values['a']['unit'], $values['b']['unit'], $values['c']['unit']]);
        self::assertSame([15, 13, 'no pattern is left over', 'K', ['a', 'b']], [
            $told->json('goodness.n'), $told->json('goodness.degreesOfFreedom'), $told->json('goodness.verdict'), $told->json('goodness.unit'), $told->json('goodness.intervals.*.name'),
        ]);
        $interval = $told->json('goodness.intervals.1');
        self::assertEqualsWithDelta($values['b']['value'], ($interval['low'] + $interval['high']) / 2.0, 1e-9);
        self::assertSame(strlen($values['b']['shownValue']), strlen($interval['shownLow']));
        self::assertSame(['curve', 'band'], $told->json('marks.*.kind'));
        self::assertNull($told->json('begun'));
        self::assertCount(15, $told->json('residuals.residuals'));

        $span = ['columnId' => $this->getJson($this->path())->json('columns.0.id'), 'name' => 'span 1', 'from' => 0, 'to' => 20];
        $this->postJson("{$this->path()}/lines", [
            'method' => 'relation', 'title' => 'Cooling', 'isPerRun' => true, 'uses' => ['x' => 't', 'y' => 'T'], 'texts' => ['relation' => 'exponential_decay', 'held' => 'c = 20', 'band' => 'drawn'], 'span' => $span,
        ])->assertCreated();
        $line = $this->getJson($this->path())->json('lines.0.id');
        $worked = $this->getJson("{$this->path()}/worked")->json('worked.0');
        self::assertSame([11, 9], [$worked['goodness']['n'], $worked['goodness']['degreesOfFreedom']]);
        self::assertSame(['a', 'b', 'c'], array_column($worked['outcomes'], 'name'));
        $left = $this->getJson("{$this->path()}/lines/{$line}/residuals?run={$this->run}")->assertOk();
        self::assertSame([11, 11], [count($left->json('x')), count($left->json('residuals'))]);
        $this->getJson("{$this->path()}/lines/{$line}/residuals?run=99999999")->assertNotFound();
        $this->getJson("{$this->path()}/lines/{$line}/residuals")->assertNotFound();
        $this->getJson("{$this->path()}/lines/{$line}/residuals?run=first")->assertUnprocessable()->assertJsonPath('detail', 'Say which run, by its number in the address.');
    }

    public function test_a_formula_of_ones_own_begins_where_it_is_told_and_says_where_it_is_wrong(): void
    {
        $told = $this->asked('relation', ['formula' => 'A*exp(-t/tau) + E', 'start' => 'A = 10; tau = 2; E = 15'])->assertOk();
        self::assertSame(['A', 'tau', 'E'], $told->json('constants'));
        self::assertEqualsWithDelta(8.0, array_column($told->json('values'), 'measured', 'name')['tau']['value'], 0.05);
        self::assertEqualsWithDelta([25.0, 15.0], [$told->json('begun.y.0'), $told->json('begun.y.120')], 1e-3);
        self::assertNull($this->asked('relation', ['formula' => 'A*exp(-t/tau) + E', 'start' => 'A = 10'])->assertOk()->json('begun'));

        $open = $this->asked('relation', ['formula' => 'A*exp(-t/tau) + E + F0'])->assertOk();
        self::assertStringStartsWith('These data do not determine the constants', $open->json('needs'));
        self::assertSame([null, [], ['A', 'tau', 'E', 'F0']], [$open->json('goodness'), $open->json('values'), $open->json('constants')]);
        // Where the curve has no value at x = 0 there is a gap.
        self::assertNull($this->asked('relation', ['formula' => 'A*ln(t) + E', 'start' => 'A = 1; E = 2'])->assertOk()->json('begun.y.0'));
        foreach ([
            [['formula' => 'A*exp(-t/tau'], '/^At character \d+/'], [['formula' => '2*t'], '/no free constant/'], [['relation' => 'witchcraft'], '/^Choose one of the relations, or type a formula\.$/'],
            [['relation' => 'linear', 'formula' => 'a*t'], '/^Choose a relation or type a formula, not both\.$/'], [[], '/^Choose one of the relations, or type a formula\.$/'],
            [['relation' => 'linear', 'held' => 'b'], '/^"b" is no value of a constant/'], [['relation' => 'linear', 'held' => 'q = 1'], '/^"q" is no free constant of a\*x \+ b/'],
            [['relation' => 'linear', 'band' => 'perhaps'], '/^Say whether the band is drawn or hidden\.$/'], [['relation' => 'linear', 'from' => '1'], '/^Say where the span begins and where it ends/'],
            [['relation' => 'linear', 'from' => 'here', 'to' => '5'], '/^Say where the span begins and where it ends/'], [['relation' => 'linear', 'x' => 'T'], '/^Choose two different columns\.$/'],
            [['relation' => 'linear', 'y' => 'zz'], '/^There is no column of numbers "zz"/'], [['relation' => 'linear', 'from' => '27', 'to' => '28'], '/needs at least 2 points/'],
        ] as [$query, $sentence]) {
            self::assertMatchesRegularExpression($sentence, (string) $this->asked('relation', $query)->assertUnprocessable()->json('detail'));
        }
        $this->asked('relations', ['from' => '0', 'to' => '2'])->assertUnprocessable()->assertJsonPath('detail', 'A relation needs at least 3 points at different places, but there are 2.');
    }

    /**
     * @param  array<string, string>  $query
     * @return TestResponse<Response>
     */
    private function asked(string $what, array $query = []): TestResponse
    {
        return $this->getJson("/api/runs/{$this->run}/{$what}?".http_build_query($query + ['x' => 't', 'y' => 'T']));
    }

    private function path(): string
    {
        return "/api/experiments/{$this->experiment->id}";
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** Runs beside each other, and by condition: what was typed for each, what its lines come to, and what follows from these. */
final class RunsTableTest extends TestCase
{
    /** Loss of mass in g at 0, 10 and 20 s: straight lines, so that each rate is exact. */
    private const RATES = ['full' => [0.011, 0.013, 0.012], 'half' => [0.006, 0.005, 0.007], 'quarter' => [0.003, 0.003, 0.0036]];

    private const STRENGTHS = ['full' => 0.04, 'half' => 0.02, 'quarter' => 0.01];

    private Experiment $experiment;

    /** @var array<string, int> run by its title */
    private array $runs = [];

    /** The entry of the strength. */
    private int $strength = 0;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $this->experiment = $this->experimentOf($teacher, null, 'blank', 'Does weaker whey fizz slower?');
        $ids = [];
        foreach (['t' => 's', 'm' => 'g'] as $symbol => $unit) {
            $ids[] = $this->postJson($this->path('columns'), ['symbol' => $symbol, 'name' => $symbol, 'unit' => $unit, 'kind' => 'typed'])->assertCreated()->json('made');
        }
        $this->strength = $entry = $this->postJson($this->path('entries'), ['symbol' => 'c', 'name' => 'Strength', 'unit' => 'mol/L', 'isPerRun' => true])->assertCreated()->json('made');
        foreach (self::RATES as $condition => $rates) {
            foreach ($rates as $i => $rate) {
                $run = $this->postJson($this->path('runs'), ['kind' => 'typed', 'condition' => $condition, 'trial' => $i + 1])->assertCreated()->json('made');
                $this->putJson("/api/runs/{$run}/cells", ['row' => null, 'columns' => $ids, 'cells' => array_map(static fn (int $t): array => [(string) $t, (string) ($t * $rate)], [0, 10, 20])])->assertOk();
                $this->putJson($this->path("entries/{$entry}/value"), ['typed' => (string) self::STRENGTHS[$condition], 'runId' => $run])->assertOk();
                $this->runs[Run::query()->findOrFail($run)->title()] = $run;
            }
        }
        $this->postJson($this->path('lines'), ['method' => 'slope', 'symbol' => 'r', 'title' => 'Rate', 'isPerRun' => true, 'uses' => ['x' => 't', 'y' => 'm']])->assertCreated();
    }

    public function test_nine_runs_are_a_summary_by_condition(): void
    {
        $table = $this->getJson($this->path('runs-table'))->assertOk()->json();
        $columns = array_column($table['columns'], null, 'symbol');

        self::assertSame([['c', 'Strength', 'entry', 'mol/L'], ['r', 'Rate', 'line', 'g/s']], array_map(static fn (array $c): array => [$c['symbol'], $c['title'], $c['kind'], $c['unit']], array_values($columns)));
        self::assertSame(array_values($this->runs), array_column($table['rows'], 'runId'));
        self::assertEqualsWithDelta([0.04, 0.013], [$table['rows'][1]['cells']['c']['value'], $table['rows'][1]['cells']['r']['value']], 1e-12);
        [$full, $half, $quarter] = $columns['r']['groups'];
        self::assertSame(['full', 'half', 'quarter'], [$full['condition'], $half['condition'], $quarter['condition']]);
        // 11, 13 and 12 mg/s: mean 12, sd 1, half the range 1, that is 8.3 % of the mean.
        self::assertEqualsWithDelta([3, 0.012, 0.001, 0.001 / sqrt(3), 0.002, 0.001, 100 / 12], [$full['n'], $full['mean'], $full['sd'], $full['standardError'], $full['range'], $full['halfRange'], $full['percent']], 1e-12);
        self::assertSame(['0.0120', '0.0010', '0.0020', '8.3'], [$full['meanShown'], $full['shown']['halfRange'], $full['shown']['range'], $full['shown']['percent']]);
        self::assertEqualsWithDelta(0.0032, $quarter['mean'], 1e-12);

        $csv = explode("\n", trim((string) $this->get($this->path('runs-table.csv').'?decimal=comma')->assertOk()->assertDownload('does-weaker-whey-fizz-slower-runs.csv')->getContent()));
        self::assertCount(10, $csv);
        self::assertStringContainsString('Run;Name of the run;Condition;Trial;c (mol/L);r (g/s)', $csv[0]);
        self::assertStringStartsWith('2;full trial 2;full;2;0,04;0,013', $csv[2]);
    }

    public function test_a_run_is_set_aside_openly_and_what_rests_on_the_runs_follows(): void
    {
        $this->postJson($this->path('lines'), ['method' => 'statistics', 'symbol' => 'mean_r', 'title' => 'All', 'isPerRun' => false, 'uses' => ['column' => 'r']])->assertCreated();
        $this->postJson($this->path('lines'), ['method' => 'statistics', 'symbol' => 'mean_c', 'title' => 'Strengths', 'isPerRun' => false, 'uses' => ['column' => 'c']])->assertCreated();
        $n = fn (string $symbol): float => array_column($this->getJson($this->path('worked'))->json('worked'), null, 'symbol')[$symbol]['outcomes']['n']['value'] ?? -1.0;
        $run = $this->runs['full trial 2'];
        $mean = fn (): array => $this->getJson($this->path('runs-table'))->json('columns.1.groups.0');
        $before = $mean();

        $this->patchJson("/api/runs/{$run}", ['aside' => 'no'])->assertUnprocessable()->assertJsonPath('detail', 'Say why in a few words, so that a reader can judge.');
        $answer = $this->patchJson("/api/runs/{$run}", ['aside' => 'stopper was loose'])->assertOk()->assertJsonPath('undo', 'Set full trial 2 aside: stopper was loose');
        self::assertEqualsCanonicalizing(['mean_r', 'mean_c'], array_values(array_intersect(['mean_r', 'mean_c'], array_column($answer->json('worked'), 'symbol'))), 'Both are told anew.');
        self::assertSame([2, 0.0115], [$mean()['n'], round($mean()['mean'], 9)]);
        self::assertSame('stopper was loose', array_column($this->getJson($this->path())->json('runs'), null, 'id')[$run]['aside']);
        $worked = array_column($this->getJson($this->path('worked'))->json('worked'), null, 'symbol');
        self::assertEqualsWithDelta((0.011 + 0.012 + 0.006 + 0.005 + 0.007 + 0.003 + 0.003 + 0.0036) / 8, $worked['mean_r']['result']['value'], 1e-12);
        self::assertEqualsWithDelta((2 * 0.04 + 3 * 0.02 + 3 * 0.01) / 8, $worked['mean_c']['result']['value'], 1e-12);
        $csv = (string) $this->get($this->path('runs-table.csv'))->assertOk()->getContent();
        self::assertStringContainsString('stopper was loose', $csv);

        $this->patchJson("/api/runs/{$run}", ['aside' => null])->assertOk()->assertJsonPath('undo', 'full trial 2 counts among the runs again');
        self::assertSame($before, $mean());
        $this->postJson($this->path('undo'))->assertOk();
        self::assertSame(2, $mean()['n']);
    }

    public function test_the_runs_are_made_straight_and_a_relation_is_laid_through_them(): void
    {
        $run = $this->runs['full trial 1'];
        $this->getJson("/api/runs/{$run}/ways?x=c&y=r")->assertUnprocessable()->assertJsonPath('detail', 'Straightening needs at least 5 points at different places, but there are 3.');
        foreach (array_values($this->runs) as $i => $of) {
            // A mole of acid in each litre gives 0.3 g/s, nearly.
            $rate = array_merge(...array_values(self::RATES))[$i];
            $this->putJson($this->path("entries/{$this->strength}/value"), ['typed' => (string) ($rate / 0.3 + 0.0001 * ($i % 3)), 'runId' => $of])->assertOk();
        }
        $ways = $this->getJson("/api/runs/{$run}/ways?x=c&y=r")->assertOk();
        self::assertSame([9, 'proportional'], [$ways->json('n'), $ways->json('ways.0.relation')]);
        $this->postJson("/api/runs/{$run}/ways", ['x' => 'c', 'y' => 'r', 'relation' => 'inverse_of_line', 'hasLine' => true])->assertCreated()->assertJsonPath('undo', 'Took 1/r against c into the working');
        $now = $this->getJson($this->path())->json();
        $lines = array_column($now['lines'], null, 'symbol');
        self::assertSame([true, '1/r'], [$lines['inv_r']['isPerRun'], $lines['inv_r']['texts']['formula']]);
        self::assertSame(['c', ['inv_r'], true], [end($now['figures'])['x'], end($now['figures'])['panels'][0]['y'], end($now['figures'])['bars']]);
        self::assertFalse(end($now['lines'])['isPerRun']);
        $slope = array_column($this->getJson($this->path('worked'))->json('worked'), null, 'symbol')[end($now['lines'])['symbol']];
        self::assertNull($slope['problem']);
        self::assertLessThan(0.0, $slope['result']['value']);
        // Once more, only as a figure: the column is there already.
        $this->postJson("/api/runs/{$run}/ways", ['x' => 'c', 'y' => 'r', 'relation' => 'inverse_of_line', 'hasLine' => false])->assertCreated();
        self::assertCount(count($now['lines']), $this->getJson($this->path())->json('lines'));

        $relations = $this->getJson("/api/runs/{$run}/relations?x=c&y=r")->assertOk();
        self::assertSame([9, 0], [$relations->json('n'), $relations->json('setAside')]);
        $this->getJson("/api/runs/{$run}/relation?x=c&y=r&relation=proportional")->assertOk()->assertJsonPath('n', 9);
        $this->getJson("/api/runs/{$run}/ways?x=c&y=m")->assertUnprocessable();
        $this->getJson("/api/runs/{$run}/ways?x=c&y=gone")->assertUnprocessable()->assertJsonPath('detail', 'There is no column of numbers "gone" in this experiment. There are: t, m.');
    }

    public function test_two_runs_are_compared_and_a_line_is_of_one_alone(): void
    {
        $worked = fn (string $symbol): array => array_column($this->getJson($this->path('worked'))->json('worked'), null, 'symbol')[$symbol];
        $this->postJson($this->path('lines'), ['method' => 'two-runs', 'symbol' => 'd', 'title' => 'How much slower', 'isPerRun' => false, 'uses' => ['result' => 'r'], 'texts' => ['run' => '1', 'other' => '4']])->assertCreated();
        // 11 less 6 mg/s.
        self::assertEqualsWithDelta(0.005, $worked('d')['result']['value'], 1e-12);
        self::assertSame(['difference' => 'Difference', 'ratio' => 'Ratio'], array_column($worked('d')['outcomes'], 'words', 'name'));
        $this->patchJson("/api/runs/{$this->runs['half trial 1']}", ['aside' => 'stopper was loose'])->assertOk();
        self::assertSame('Run 4 is set aside. Take it back, or choose another.', $worked('d')['needs']);

        $line = $this->postJson($this->path('lines'), ['method' => 'formula', 'symbol' => 'k', 'title' => 'Of run 2', 'isPerRun' => false, 'onlyRun' => 2, 'texts' => ['formula' => 'r/c']])->assertCreated()->json('made');
        self::assertEqualsWithDelta(0.013 / 0.04, $worked('k')['result']['value'], 1e-12);
        $told = $this->putJson($this->path("entries/{$this->strength}/value"), ['typed' => '0,05', 'runId' => $this->runs['full trial 2']])->assertOk()->json('worked.*.symbol');
        self::assertContains('k', $told);
        self::assertEqualsWithDelta(0.013 / 0.05, $worked('k')['result']['value'], 1e-12);
        $this->patchJson($this->path("lines/{$line}"), ['onlyRun' => 77])->assertOk();
        self::assertSame('There is no run 77 (any more). Record it, or let the line be of another.', $worked('k')['needs']);
        $this->patchJson($this->path("lines/{$line}"), ['title' => 'Of a run'])->assertOk();
        self::assertSame(77, array_column($this->getJson($this->path())->json('lines'), null, 'symbol')['k']['onlyRun'], 'What is not told stays.');
        $this->patchJson($this->path("lines/{$line}"), ['onlyRun' => null, 'isPerRun' => true])->assertOk();
        self::assertNull(array_column($this->getJson($this->path())->json('lines'), null, 'symbol')['k']['onlyRun']);
        $this->patchJson($this->path("lines/{$line}"), ['onlyRun' => 0])->assertUnprocessable();
    }

    public function test_what_somebody_thinks_a_result_is_is_kept_as_it_was_typed(): void
    {
        $lines = fn (?string $path = null): array => array_column($this->getJson($path ?? $this->path())->assertOk()->json('lines'), null, 'symbol');
        $guess = fn (string $symbol, mixed $typed, ?int $run = null): TestResponse => $this->putJson($this->path('lines/'.$lines()[$symbol]['id'].'/guess'), ['typed' => $typed, 'runId' => $run]);
        $one = $this->postJson($this->path('lines'), ['method' => 'formula', 'symbol' => 'g', 'title' => 'Twice', 'isPerRun' => false, 'texts' => ['formula' => '2']])->assertCreated()->json('made');
        [$first, $second] = [$this->runs['full trial 1'], $this->runs['full trial 2']];
        self::assertSame([], $lines()['r']['guesses']);

        $this->getJson($this->path('worked'))->assertOk();
        $count = fn (): int => DB::table('worked_values')->where('experiment_id', $this->experiment->id)->count();
        $kept = $count();
        self::assertGreaterThan(0, $kept);
        $guess('r', ' 12 mg/s ', $first)->assertOk();
        self::assertSame($kept, $count(), 'Nothing is worked out anew.');
        $guess('r', '0,011', $second)->assertOk();
        $guess('r', '13', $first)->assertOk();
        self::assertEqualsCanonicalizing([['runId' => $first, 'typed' => '13'], ['runId' => $second, 'typed' => '0,011']], $lines()['r']['guesses']);
        $guess('g', 'about 2', $first)->assertOk();
        self::assertSame([['runId' => null, 'typed' => 'about 2']], $lines()['g']['guesses'], 'It has one result for all runs.');
        self::assertSame('Kept what “Twice” is thought to be', $this->getJson($this->path('history'))->json('0.words'));

        $guess('r', '12')->assertUnprocessable()->assertJsonPath('detail', 'Say for which run this is: “'.$lines()['r']['title'].'” has a result in each of them.');
        $guess('r', str_repeat('1', 61), $first)->assertUnprocessable();
        $guess('r', ['12'], $first)->assertUnprocessable();
        $guess('r', '12', 1_000_000)->assertNotFound();
        $this->putJson($this->path("lines/{$one}/guess"), [])->assertUnprocessable();

        $this->postJson($this->path("lines/{$one}/copy"))->assertCreated();
        self::assertSame([[], 'about 2'], [$lines()['g1']['guesses'], $lines()['g']['guesses'][0]['typed']]);
        $copy = $this->postJson($this->path('copy'), ['withRuns' => true])->assertCreated()->json('id');
        self::assertSame([[], []], [$lines("/api/experiments/{$copy}")['g']['guesses'], $lines("/api/experiments/{$copy}")['r']['guesses']], 'It stays with who thinks it.');

        $guess('g', null)->assertOk();
        self::assertSame([], $lines()['g']['guesses']);
        $this->postJson($this->path('undo'))->assertOk();
        self::assertSame('about 2', $lines()['g']['guesses'][0]['typed']);
        $this->patchJson($this->path("lines/{$one}"), ['texts' => ['formula' => '3']])->assertOk();
        self::assertSame('about 2', $lines()['g']['guesses'][0]['typed'], 'A change of the line leaves it.');
    }

    public function test_a_column_of_the_runs_begins_with_the_value_of_one(): void
    {
        $first = ['runId' => $this->runs['full trial 2'], 'typed' => '820 ± 10 ms'];
        $this->postJson($this->path('entries'), ['symbol' => 'RR', 'name' => 'Interval', 'unit' => 's', 'isPerRun' => true, 'first' => ['typed' => 'soon'] + $first])->assertUnprocessable();
        $this->postJson($this->path('entries'), ['symbol' => 'RR', 'name' => 'Interval', 'unit' => 's', 'first' => $first])->assertUnprocessable()->assertJsonPath('detail', 'Only an entry for each run can begin with the value of one.');
        $this->postJson($this->path('entries'), ['symbol' => 'RR', 'name' => 'Interval', 'unit' => 's', 'isPerRun' => true, 'first' => ['runId' => 1 + max($this->runs)] + $first])->assertNotFound();
        $entry = $this->postJson($this->path('entries'), ['symbol' => 'RR', 'name' => 'Interval', 'unit' => 's', 'isPerRun' => true, 'first' => $first])->assertCreated()->json('made');
        $cells = fn (): array => array_filter(array_map(static fn (array $row): ?float => $row['cells']['RR']['value'] ?? null, $this->getJson($this->path('runs-table'))->json('rows')));
        self::assertEqualsWithDelta([1 => 0.82], $cells(), 1e-12);
        $this->patchJson($this->path("entries/{$entry}"), ['first' => $first])->assertUnprocessable();
        $this->postJson($this->path('undo'))->assertOk();
        self::assertSame([], $cells());
    }

    public function test_a_figure_draws_the_runs_and_lines_work_over_them(): void
    {
        $figure = $this->postJson($this->path('figures'), ['title' => '', 'x' => 'c', 'panels' => [['y' => ['r']]], 'points' => 'apart', 'bars' => true])->assertCreated()->json('made');
        $this->postJson($this->path('figures'), ['title' => '', 'x' => 'c', 'panels' => [['y' => ['m']]]])->assertUnprocessable()->assertJsonPath('detail', '"m" is no column here.');
        $this->postJson($this->path('figures'), ['title' => '', 'x' => 't', 'panels' => [['y' => ['r']]]])->assertUnprocessable();
        $this->patchJson($this->path("figures/{$figure}"), ['axis' => ['unit' => 'kg']])->assertUnprocessable();
        $this->patchJson($this->path("figures/{$figure}"), ['axis' => ['unit' => 'mmol/L'], 'panels' => [['y' => ['r'], 'axis' => ['unit' => 'mg/s']]]])->assertOk();
        $drawn = array_column($this->getJson($this->path())->json('figures'), null, 'id')[$figure];
        self::assertEqualsWithDelta([['factor' => 1000.0, 'offset' => 0.0], ['factor' => 1000.0, 'offset' => 0.0]], [$drawn['axis']['shown']['c'] ?? null, $drawn['panels'][0]['axis']['shown']['r'] ?? null], 1e-9);
        $this->postJson($this->path('lines'), ['method' => 'slope', 'symbol' => 's', 'title' => 'Rate by strength', 'isPerRun' => false, 'uses' => ['x' => 'c', 'y' => 'r']])->assertCreated();
        $line = array_column($this->getJson($this->path('worked'))->json('worked'), null, 'symbol')['s'];
        // By the sums of all nine points.
        [$sx, $sy, $sxx, $sxy, $n] = [0.0, 0.0, 0.0, 0.0, 9];
        foreach (self::RATES as $condition => $rates) {
            foreach ($rates as $rate) {
                $c = self::STRENGTHS[$condition];
                [$sx, $sy, $sxx, $sxy] = [$sx + $c, $sy + $rate, $sxx + $c * $c, $sxy + $c * $rate];
            }
        }
        self::assertEqualsWithDelta(($n * $sxy - $sx * $sy) / ($n * $sxx - $sx * $sx), $line['result']['value'], 1e-12);
        self::assertSame(['c', 'r'], [$line['marks'][0]['xSymbol'], $line['marks'][0]['ySymbol']]);
        $this->patchJson($this->path('lines/'.array_column($this->getJson($this->path())->json('lines'), 'id', 'symbol')['r']), ['symbol' => 'rate'])->assertOk();
        self::assertSame(['rate'], array_column($this->getJson($this->path())->json('figures'), null, 'id')[$figure]['panels'][0]['y']);
    }

    private function path(string $of = ''): string
    {
        return "/api/experiments/{$this->experiment->id}".($of === '' ? '' : "/{$of}");
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** What a span comes to, asked for while it is dragged. */
final class SpanNumbersTest extends TestCase
{
    private Experiment $experiment;

    private int $run;

    /** @var array<string, int> */
    private array $ids = [];

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $this->experiment = $this->experimentOf($teacher, null, 'blank', 'How fast does the whey cool?');
        foreach (['t' => 'min', 'T' => 'degC', 'w' => ''] as $symbol => $unit) {
            $this->ids[$symbol] = $this->postJson("{$this->path()}/columns", ['symbol' => $symbol, 'name' => $symbol, 'unit' => $unit, 'kind' => 'typed', 'isWords' => $symbol === 'w'])->assertCreated()->json('made');
        }
        $this->run = $this->postJson("{$this->path()}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        $cells = [['0', '62.1'], ['1', '58.0'], ['2', '55.2'], ['3', '7O'], ['4', '48.0'], ['5', '45.0']];
        $this->putJson("/api/runs/{$this->run}/cells", ['row' => null, 'columns' => [$this->ids['t'], $this->ids['T']], 'cells' => $cells])->assertOk();
    }

    public function test_a_span_tells_what_its_lines_would_and_nothing_is_kept_of_it(): void
    {
        $told = $this->asked(['from' => 4.2, 'to' => 0.5])->assertOk();
        $numbers = static fn (int $line): array => array_map(static fn (array $n): array => [$n['measured']['value'], $n['measured']['unit']], array_column($told->json("lines.{$line}.numbers"), null, 'name'));

        // 58.0, 55.2 and 48.0 at 1, 2 and 4 min; what is no number in between does not count.
        self::assertEquals(['t', 'T', 0.5, 4.2], [$told->json('x'), $told->json('y'), $told->json('from'), $told->json('to')]);
        self::assertSame(['statistics', 'ends', 'slope', 'area', 'area', 'area'], $told->json('lines.*.method'));
        self::assertEquals([3, ''], $numbers(0)['n']);
        self::assertEqualsWithDelta(161.2 / 3, $numbers(0)['mean'][0], 1e-9);
        self::assertEqualsWithDelta(-10.0, $numbers(1)['change'][0], 1e-9);
        self::assertSame(['K', '°C', '°C', 'min'], [$numbers(1)['change'][1], $numbers(1)['start'][1], $numbers(1)['end'][1], $numbers(1)['over'][1]]);
        // 56.6 and 2 times 51.6, less 3 times 58.
        self::assertEqualsWithDelta([159.8, 159.8 - 174.0], [$numbers(3)['area'][0], $numbers(4)['area'][0]], 1e-9);
        self::assertSame([[], ['baseline' => 'first']], [$told->json('lines.0.texts'), $told->json('lines.4.texts')]);

        self::assertSame([0, 0], [DB::table('worked_values')->where('experiment_id', $this->experiment->id)->count(), count($this->getJson($this->path())->json('lines'))]);
        foreach ($told->json('lines') as $line) {
            $uses = $line['method'] === 'statistics' ? ['column' => 'T'] : ['x' => 't', 'y' => 'T'];
            $this->postJson("{$this->path()}/lines", ['method' => $line['method'], 'isPerRun' => true, 'uses' => $uses, 'texts' => $line['texts'], 'span' => ['columnId' => $this->ids['t'], 'name' => 'the first minutes', 'from' => 0.5, 'to' => 4.2]])->assertCreated();
            $lines = $this->getJson($this->path())->json('lines');
            $kept = array_column($this->getJson("{$this->path()}/worked")->json('worked'), null, 'symbol')[end($lines)['symbol']];
            self::assertSame($line['numbers'][0]['measured'], $kept['result'], $line['method']);
        }
    }

    public function test_a_span_has_ends_of_its_own_in_one_run_until_it_joins_the_others(): void
    {
        $other = $this->postJson("{$this->path()}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        $this->putJson("/api/runs/{$other}/cells", ['row' => null, 'columns' => [$this->ids['t'], $this->ids['T']], 'cells' => [['0', '50'], ['1', '40'], ['2', '30']]])->assertOk();
        $span = $this->postJson("{$this->path()}/spans", ['columnId' => $this->ids['t'], 'name' => 'start', 'from' => 0, 'to' => 1])->assertCreated()->json('made');
        $this->postJson("{$this->path()}/lines", ['method' => 'statistics', 'symbol' => 'm', 'isPerRun' => true, 'uses' => ['column' => 'T'], 'spanId' => $span])->assertCreated();
        $means = fn (): array => array_map(static fn (array $of): float => round($of['result']['value'], 9), $this->getJson("{$this->path()}/worked")->json('worked'));
        self::assertSame([60.05, 45.0], $means());

        $moved = $this->patchJson("{$this->path()}/spans/{$span}", ['from' => 2, 'to' => 1, 'inRun' => 2])->assertOk()->assertJsonPath('undo', 'Put “start” elsewhere in run 2');
        self::assertSame([60.05, 35.0], $means());
        self::assertEquals([['run' => 2, 'from' => 1, 'to' => 2]], $moved->json('changed.0.value.ofRuns'));
        // Where it lies in all others is another matter.
        $this->patchJson("{$this->path()}/spans/{$span}", ['from' => 0, 'to' => 2])->assertOk();
        self::assertSame([round((62.1 + 58.0 + 55.2) / 3, 9), 35.0], $means());
        $this->patchJson("{$this->path()}/spans/{$span}", ['inRun' => 2])->assertOk();
        self::assertSame(40.0, $means()[1]);
        $this->postJson("{$this->path()}/undo")->assertOk();
        self::assertSame(35.0, $means()[1]);
        foreach ([['inRun' => 2, 'from' => 1], ['inRun' => 7, 'from' => 1, 'to' => 2], ['inRun' => 0, 'from' => 1, 'to' => 2]] as $wrong) {
            $this->patchJson("{$this->path()}/spans/{$span}", $wrong)->assertUnprocessable();
        }
    }

    public function test_a_row_set_aside_does_not_count_and_too_few_points_say_so(): void
    {
        $this->putJson("/api/runs/{$this->run}/set-aside", ['readings' => [2], 'reason' => 'The door was open.'])->assertOk();
        $told = $this->asked(['from' => 0.5, 'to' => 2.5])->assertOk();

        self::assertEquals(55.2, $told->json('lines.0.numbers.0.measured.value'));
        self::assertStringContainsString('A change from start to end needs at least 2 points', $told->json('lines.1.problem'));
        self::assertSame([], $told->json('lines.1.numbers'));
        self::assertNotNull($this->asked(['from' => 40, 'to' => 50])->assertOk()->json('lines.0.problem'));
    }

    public function test_of_a_column_that_is_worked_out_what_it_hangs_on_is_read_too(): void
    {
        $room = $this->postJson("{$this->path()}/entries", ['symbol' => 'T0', 'name' => 'Room', 'unit' => 'degC'])->assertCreated()->json('made');
        $this->putJson("{$this->path()}/entries/{$room}/value", ['typed' => '20'])->assertOk();
        $this->postJson("{$this->path()}/columns", ['symbol' => 'd', 'name' => 'Above the room', 'kind' => 'derived', 'formula' => 'T − T0'])->assertCreated();

        $told = $this->asked(['y' => 'd', 'from' => 0, 'to' => 2])->assertOk();
        self::assertEqualsWithDelta((62.1 + 58.0 + 55.2) / 3 - 20.0, $told->json('lines.0.numbers.0.measured.value'), 1e-9);
        self::assertEqualsWithDelta(45.0 - 62.1, $this->asked(['y' => 'd'])->json('lines.1.numbers.0.measured.value'), 1e-9);
    }

    public function test_a_notebook_full_of_other_things_asks_the_database_no_more_while_a_span_is_dragged(): void
    {
        $count = fn (): int => self::questionsOf(fn () => $this->asked([])->assertOk());
        $before = $count();
        for ($i = 1; $i < 4; $i++) {
            $run = $this->postJson("{$this->path()}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
            $this->putJson("/api/runs/{$run}/cells", ['row' => null, 'columns' => [$this->ids['t'], $this->ids['T']], 'cells' => [['0', '50'], ['1', '40']]])->assertOk();
            $this->postJson("{$this->path()}/lines", ['method' => 'statistics', 'symbol' => "m{$i}", 'isPerRun' => true, 'uses' => ['column' => 'T']])->assertCreated();
        }

        self::assertSame($before, $count());
        self::assertLessThanOrEqual(9, $before);
    }

    public function test_what_cannot_be_meant_is_said(): void
    {
        foreach ([
            [['x' => 'zz'], 'There is no column of numbers "zz" in this experiment. There are: t, T.'], [['y' => 'w'], 'There is no column of numbers "w" in this experiment. There are: t, T.'],
            [['y' => ['T']], 'Say of which column numbers are asked.'], [['x' => ''], 'Say along which column the span lies.'],
            [['from' => 'soon'], 'Say where the span begins.'], [['to' => null], 'Say where the span ends.'], [['from' => '1e999'], 'Say where the span begins.'], [['to' => '-1e999'], 'Say where the span ends.'],
        ] as [$asked, $sentence]) {
            $this->asked($asked)->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
        $this->asked(['from' => -1e300, 'to' => 1e300])->assertOk();
        $this->deleteJson("/api/runs/{$this->run}")->assertOk();
        $this->asked([])->assertNotFound();
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<Response>
     */
    private function asked(array $with): TestResponse
    {
        return $this->getJson("/api/runs/{$this->run}/span?".http_build_query($with + ['x' => 't', 'y' => 'T', 'from' => 0, 'to' => 5]));
    }

    private function path(): string
    {
        return "/api/experiments/{$this->experiment->id}";
    }
}

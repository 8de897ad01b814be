<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Resources\TypedRowsShape;
use App\Models\Experiment;
use App\Models\TypedColumn;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use Welkion\Core\Samples\Packed;

/** A typed run that is longer than a screen draws: what is told of it is kept, told in part and written in part, and is the same. */
final class LongTableTest extends TestCase
{
    private const ROWS = 1700;

    private Experiment $experiment;

    private int $run;

    /** @var array<string, int> */
    private array $ids = [];

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->actingAs($teacher);
        $this->experiment = $this->experimentOf($teacher, null, 'blank', 'How fast does the vat cool?');
        foreach (['t' => 'min', 'T' => 'degC', 'u' => 'degC', 'w' => ''] as $symbol => $unit) {
            $this->column($symbol, ['unit' => $unit, 'kind' => 'typed', 'isWords' => $symbol === 'w']);
        }
        $this->column('d', ['unit' => '', 'kind' => 'derived', 'formula' => 'T - mean(T)']);
        $this->run = $this->postJson("/api/experiments/{$this->experiment->id}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        $this->fill(null, ['t', 'T', 'u'], array_map(static fn (int $i): array => [(string) $i, sprintf('%.2f', 20.0 + 60.0 * exp(-$i / 400)), '0.02'], range(0, self::ROWS - 1)))->assertOk();
    }

    /** Each change once, so that whatever is kept of a column has to notice it. */
    public function test_what_is_kept_of_its_columns_is_what_would_be_worked_out_anew(): void
    {
        $path = "/api/experiments/{$this->experiment->id}";
        $column = fn (string $symbol): string => "{$path}/columns/{$this->ids[$symbol]}";
        $aside = fn (array $rows, ?string $reason): TestResponse => $this->putJson("/api/runs/{$this->run}/set-aside", ['readings' => $rows, 'reason' => $reason]);
        $told = [$this->told()];
        foreach ([
            'a cell' => fn () => $this->fill(4, ['T'], [['71.5']]),
            'a cell that is no number' => fn () => $this->fill(7, ['T'], [['7O.1']]),
            'a blank' => fn () => $this->fill(10, ['T'], [[null]]),
            'blanks beyond the first' => fn () => $this->fill(13, ['t', 'T'], [[null, '5'], ['1', null]]),
            'words' => fn () => $this->fill(1, ['w'], [['lid off']]),
            'a row set aside' => fn () => $aside([1], 'Lid was open.'),
            'rows set aside' => fn () => $aside([4, 5, 6], 'Lid was open.'),
            'a row taken back' => fn () => $aside([1], null),
            'the ± of a column' => fn () => $this->patchJson($column('T'), ['uncertainty' => 0.3]),
            'a column of ±' => fn () => $this->patchJson($column('T'), ['uncertaintyOf' => 'u']),
            'a cell of it' => fn () => $this->fill(1, ['u'], [['0.5']]),
            'decimals' => fn () => $this->patchJson($column('T'), ['decimals' => 1]),
            'decimals of a formula' => fn () => $this->patchJson($column('d'), ['decimals' => 6]),
            'a formula' => fn () => $this->patchJson($column('d'), ['formula' => 'T - max(T)']),
            'a formula that does not work' => fn () => $this->patchJson($column('d'), ['formula' => 'T - t']),
            'a unit' => fn () => $this->patchJson($column('t'), ['unit' => 's']),
            'a name' => fn () => $this->patchJson($column('T'), ['symbol' => 'theta']),
            'rows deleted' => fn () => $this->deleteJson("/api/runs/{$this->run}/rows", ['from' => 2, 'to' => 3]),
            'rows moved' => fn () => $this->patchJson("/api/runs/{$this->run}/rows", ['from' => 30, 'to' => 31, 'before' => 1]),
            'that undone' => fn () => $this->postJson("{$path}/undo"),
            'one more undone' => fn () => $this->postJson("{$path}/undo"),
            'a further row' => fn () => $this->fill(null, ['t'], [['9']]),
        ] as $change => $make) {
            $make()->assertSuccessful();
            $kept = $this->told();
            self::assertSame(count($this->ids), DB::table('glances')->where('run_id', $this->run)->delete(), 'Of each column a glance is kept.');
            self::assertSame($this->told(), $kept, $change);
            self::assertNotSame(end($told), $kept, "{$change}: a change that shows nothing tests nothing.");
            $told[] = $kept;
        }
    }

    /** Rows that are read by themselves, at the ends of pages, behind rows that were moved, and of every kind of column. */
    public function test_a_page_has_the_rows_as_they_stand(): void
    {
        $this->fill(5, ['T', 'w'], [['7O.1', 'lid off'], [null, 'lid on']])->assertOk();
        $this->patchJson("/api/experiments/{$this->experiment->id}/columns/{$this->ids['T']}", ['uncertaintyOf' => 'u'])->assertOk();
        $this->putJson("/api/runs/{$this->run}/set-aside", ['readings' => [7], 'reason' => 'Lid was open.'])->assertOk();
        $this->patchJson("/api/runs/{$this->run}/rows", ['from' => 1690, 'to' => 1691, 'before' => 5])->assertOk();
        $page = fn (int $from, int $count): array => $this->getJson("/api/runs/{$this->run}/rows?from={$from}&count={$count}")->assertOk()->json('rows');
        $all = [...$page(0, 900), ...$page(900, 900)];

        self::assertSame([1, 2, 3, 4, 1690, 1691, 5, 6, 7, 8], array_slice(array_column($all, 'number'), 0, 10));
        self::assertSame(self::ROWS, count($all));
        foreach ([[0, 5], [3, 4], [4, 2], [5, 3], [7, 1], [1695, 99], [1699, 1]] as [$from, $count]) {
            self::assertSame(array_slice($all, $from, $count), $page($from, $count), "{$count} from {$from}");
        }
        self::assertSame([], $page(1700, 10));
        $byNumber = array_column($all, null, 'number');
        $told = $this->told();
        self::assertContains(count($told['rows']), [799, 800, 801]);
        foreach ($told['rows'] as $row) {
            self::assertSame($row, $byNumber[$row['number']], "What a figure draws, row {$row['number']}");
        }
        self::assertSame([1, [7]], [$told['typed']['asideCount'], array_column(array_filter($told['rows'], static fn (array $r): bool => $r['setAside'] !== null), 'number')]);
        self::assertSame([['7O.1', 'lid off'], null, 'Lid was open.'], [[$all[6]['texts']['T'], $all[6]['texts']['w']], $all[7]['cells']['T'], $all[8]['setAside']]);
        self::assertSame(0.02, $all[4]['cells']['T']['uncertainty']);
    }

    /** A screen knows 800 of its rows; what it says of a span is meant for all. */
    public function test_a_span_is_set_aside_as_a_whole(): void
    {
        $path = "/api/runs/{$this->run}/set-aside";
        $this->fill(151, ['t', 'T'], [[null, '40'], ['151x', '40']])->assertOk();
        $this->putJson($path, ['readings' => [120], 'reason' => 'Read too late.'])->assertOk();
        $within = ['columnId' => $this->ids['t'], 'from' => 100, 'to' => 199];
        $answer = $this->putJson($path, ['within' => $within, 'reason' => 'Lid was open.'])->assertOk();
        // 100 rows but for two that have no time, and one that was set aside before.
        self::assertSame(['Set 97 rows of Run 1 aside: Lid was open.', 98], [$answer->json('undo'), $answer->json('rows.0.typed.asideCount')]);
        $rows = array_column($this->getJson("/api/runs/{$this->run}/rows?from=0&count=300")->assertOk()->json('rows'), 'setAside', 'number');
        self::assertSame([null, 'Lid was open.', 'Read too late.', null, null, 'Lid was open.', 'Lid was open.', null], array_map(static fn (int $row): ?string => $rows[$row], [100, 101, 120, 151, 152, 153, 200, 201]));
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk();
        self::assertSame(1, $this->told()['typed']['asideCount']);

        foreach ([
            [['within' => ['from' => 5000, 'to' => 6000] + $within], 'No row that counts lies there.'], [['within' => ['from' => 'a'] + $within], 'Say within which values of a column the rows lie.'],
            [['within' => ['columnId' => 1]], 'Say within which values of a column the rows lie.'], [['within' => $within, 'readings' => [1]], 'Choose the readings.'], [[], 'Choose the readings.'],
        ] as [$asked, $sentence]) {
            $this->putJson($path, $asked + ['reason' => 'Lid was open.'])->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
        $this->putJson($path, ['within' => ['columnId' => 99_999_999] + $within, 'reason' => 'Lid was open.'])->assertConflict()->assertJsonPath('code', 'column-gone');
        $this->deleteJson("/api/runs/{$this->run}")->assertOk();
        $this->putJson($path, ['within' => $within, 'reason' => 'Lid was open.'])->assertNotFound();
    }

    public function test_a_change_of_cells_tells_the_columns_it_touches_and_no_other(): void
    {
        $whole = $this->told();
        self::assertSame([null, true], [$whole['typed']['only'], $whole['typed']['isThinned']]);
        $answer = $this->fill($whole['rows'][1]['number'], ['T'], [['71.5']])->assertOk()->json('rows.0');
        self::assertSame(['T', 'd'], $answer['typed']['only']);
        self::assertSame(['T', 'd'], array_keys($answer['rows'][0]['cells']));
        $now = $this->told();
        self::assertSame($now, $this->completed($whole, $answer));
        self::assertSame('71.50', $now['rows'][1]['cells']['T']['shown']);
        self::assertSame($now['typed']['feet'], $answer['typed']['feet']);

        self::assertSame($whole, $this->completed($now, $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk()->json('rows.0')));
        $this->patchJson("/api/experiments/{$this->experiment->id}/columns/{$this->ids['T']}", ['uncertaintyOf' => 'u'])->assertOk();
        self::assertSame(['u', 'T', 'd'], $this->fill(1, ['u'], [['0.5']])->json('rows.0.typed.only'), 'Where its ± is another a cell is, too.');
        self::assertNull($this->putJson("/api/runs/{$this->run}/set-aside", ['readings' => [1], 'reason' => 'Lid was open.'])->json('rows.0.typed.only'));
    }

    public function test_lines_of_other_columns_are_not_worked_out_again(): void
    {
        foreach (['t', 'T'] as $symbol) {
            $this->postJson("/api/experiments/{$this->experiment->id}/lines", ['method' => 'statistics', 'symbol' => "m_{$symbol}", 'title' => "Mean of {$symbol}", 'isPerRun' => true, 'uses' => ['column' => $symbol]])->assertCreated();
        }
        $kept = DB::table('worked_values')->where('experiment_id', $this->experiment->id)->count();
        $mean = $this->fill(4, ['T'], [['71.5']])->assertOk()->json('worked.1.result.value');

        self::assertSame($kept + 1, DB::table('worked_values')->where('experiment_id', $this->experiment->id)->count());
        self::assertEqualsWithDelta(array_sum($this->numbers('T')) / self::ROWS, $mean, 1e-12);
    }

    /** Somebody asks, somebody else types meanwhile and takes it back: what was worked out in between must not come back with it. */
    public function test_what_was_read_while_it_changed_is_not_kept_for_what_was_before(): void
    {
        $this->postJson("/api/experiments/{$this->experiment->id}/lines", ['method' => 'statistics', 'symbol' => 'm', 'title' => 'Mean', 'isPerRun' => true, 'uses' => ['column' => 'T']])->assertCreated();
        $this->fill(4, ['T'], [['70']])->assertOk();
        $mean = fn (): float => $this->getJson("/api/experiments/{$this->experiment->id}/worked")->assertOk()->json('worked.0.result.value');
        [$before, $told] = [$mean(), $this->told()];
        // As nothing of it were kept yet.
        DB::table('worked_values')->where('experiment_id', $this->experiment->id)->delete();
        DB::table('glances')->whereIn('run_id', $this->experiment->runs()->pluck('id'))->delete();
        $late = ExperimentWork::of(NotebookRows::of($this->experiment->refresh()));
        $this->fill(4, ['T'], [['17000070']])->assertOk();
        (new TypedRowsShape($late->rows->runs->firstOrFail(), $late))->told();
        self::assertEqualsWithDelta($before + 10_000, $late->lines()[0]->result()?->value, 1e-6, 'It has read the newer numbers.');
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk();

        self::assertSame($before, $mean());
        self::assertSame($told, $this->told());
    }

    /** Written over in what is stored, or sent as a whole: the same numbers. */
    public function test_cells_written_in_part_are_the_cells(): void
    {
        $random = new Randomizer(new Mt19937(29));
        $wanted = $this->numbers('T');
        for ($change = 0; $change < 12; $change++) {
            [$row, $count] = [$random->getInt(1, self::ROWS - 40), $random->getInt(1, 5)];
            $values = array_map(static fn (): float => $random->getInt(-900, 900) / 8, range(1, $count));
            $cells = array_map(static fn (float $v): array => [(string) $v], $values);
            // Every second one stays, so that stretches are many.
            if ($change % 4 === 3) {
                $cells = array_merge(...array_map(static fn (int $i): array => [[(string) $i], [(string) $wanted[$row + 2 * $i]]], range(0, 19)));
                $values = array_map(static fn (array $c): float => (float) $c[0], $cells);
            }
            array_splice($wanted, $row - 1, count($values), $values);
            $this->fill($row, ['T'], $cells)->assertOk();
            self::assertSame($wanted, $this->numbers('T'), "Change {$change}");
        }
        $this->postJson("/api/experiments/{$this->experiment->id}/undo")->assertOk();
        $this->postJson("/api/experiments/{$this->experiment->id}/redo")->assertOk();
        self::assertSame($wanted, $this->numbers('T'));
        self::assertSame(0, TypedColumn::query()->whereRaw('digest <> CONVERT(MD5(numbers) USING ascii) OR reach <> LENGTH(numbers) DIV 8')->count());
        $this->fill(null, ['T'], [['3']])->assertOk();
        self::assertSame([...$wanted, 3.0], $this->numbers('T'), 'And one that did not reach so far.');
    }

    /**
     * @param  array<string, mixed>  $known
     * @param  array<string, mixed>  $told
     * @return array<string, mixed>
     */
    private function completed(array $known, array $told): array
    {
        foreach ($told['rows'] as $i => $row) {
            $told['rows'][$i]['cells'] = array_replace($known['rows'][$i]['cells'], $row['cells']);
        }
        $told['typed']['only'] = null;

        return $told;
    }

    /** @return array<string, mixed> */
    private function told(): array
    {
        return $this->getJson("/api/runs/{$this->run}")->assertOk()->json();
    }

    /** @return list<float> */
    private function numbers(string $symbol): array
    {
        $stored = TypedColumn::query()->where(['run_id' => $this->run, 'column_id' => $this->ids[$symbol]])->value('numbers');

        return Packed::numbers((string) $stored);
    }

    /** @param  array<string, mixed>  $as */
    private function column(string $symbol, array $as): void
    {
        $this->ids[$symbol] = $this->postJson("/api/experiments/{$this->experiment->id}/columns", ['symbol' => $symbol, 'name' => $symbol] + $as)->assertCreated()->json('made');
    }

    /**
     * @param  list<string>  $symbols
     * @param  list<list<string|null>>  $cells
     * @return TestResponse<Response>
     */
    private function fill(?int $row, array $symbols, array $cells): TestResponse
    {
        return $this->putJson("/api/runs/{$this->run}/cells", ['row' => $row, 'columns' => array_map(fn (string $s): int => $this->ids[$s], $symbols), 'cells' => $cells]);
    }
}

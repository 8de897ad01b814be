<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Column;
use App\Models\Experiment;
use App\Models\User;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Runs whose rows are typed: how long it takes to fill the vat at several flow rates. */
final class TypedRunTest extends TestCase
{
    private const FLOWS = ['10.2', '12,0', '15.1', '18.0', '22.4', '27.9', '34.0', '41.3'];

    private const TIMES = ['9.81', '8.39', '6,60', '5.57', '4.45x', '3.60', '2.93', '2.43'];

    private User $teacher;

    private Experiment $experiment;

    private int $run;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->actingAs($this->teacher);
        $this->experiment = $this->experimentOf($this->teacher, null, 'blank', 'How long does it take to fill the vat?');
        $this->column('q', 'L/min');
        $this->column('t', 'min');
        $this->run = $this->postJson("/api/experiments/{$this->experiment->id}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
    }

    public function test_a_formula_brings_its_unit_unless_that_is_too_long_to_be_kept(): void
    {
        $add = fn (array $body): mixed => $this->postJson("/api/experiments/{$this->experiment->id}/columns", $body)->assertCreated()->json('changed.0.value.unit');
        foreach (['P1' => 'kPa', 'V1' => 'mL', 'n1' => 'mol', 'm1' => 'mg', 'T1' => 'K', 'I1' => 'mA', 'U1' => 'mV'] as $symbol => $unit) {
            $add(['symbol' => $symbol, 'name' => $symbol, 'kind' => 'typed', 'unit' => $unit]);
        }

        self::assertSame('1/mL', $add(['symbol' => 'd1', 'name' => 'd1', 'kind' => 'derived', 'formula' => '1/V1', 'unit' => '']));
        self::assertSame('', $add(['symbol' => 'd2', 'name' => 'd2', 'kind' => 'derived', 'formula' => 'P1^3*V1^2*n1^3*m1^2*T1^3*I1^3*U1^2', 'unit' => '']));
        self::assertSame('1/L', $add(['symbol' => 'd3', 'name' => 'd3', 'kind' => 'derived', 'formula' => '1/V1', 'unit' => '1/L']), 'What was asked for stays.');
    }

    public function test_what_is_typed_or_pasted_is_a_run_that_formulas_and_lines_work_with(): void
    {
        $this->postJson("/api/experiments/{$this->experiment->id}/columns", ['symbol' => 'V', 'name' => 'Volume', 'unit' => 'L', 'kind' => 'derived', 'formula' => 'q*t'])->assertCreated();
        $answer = $this->fill(null, ['q', 't'], $this->class())->assertOk();
        self::assertSame(8, $answer->json('rows.0.typed.rowCount'));
        self::assertSame('Filled 8 rows of q, t in Run 1', $answer->json('undo'));
        $rows = $this->rowsOf($this->run);
        self::assertSame(['10.2', '9.81', '100.1'], array_column([$rows[0]['cells']['q'], $rows[0]['cells']['t'], $rows[0]['cells']['V']], 'shown'));
        self::assertSame(['12.0', '8.39'], [$rows[1]['cells']['q']['shown'], $rows[1]['cells']['t']['shown']], 'Decimals as they were typed, whatever the mark.');
        self::assertSame([null, null, '4.45x'], [$rows[4]['cells']['t'], $rows[4]['cells']['V'], $rows[4]['texts']['t']]);
        self::assertSame([['place' => 4, 'number' => 5, 'symbol' => 't', 'text' => '4.45x', 'remedy' => '4.45']], $answer->json('rows.0.typed.unreadable'));

        $line = $this->postJson("/api/experiments/{$this->experiment->id}/lines", ['method' => 'statistics', 'symbol' => 'V_vat', 'title' => 'Volume', 'isPerRun' => true, 'uses' => ['column' => 'V']])->assertCreated()->json('worked.0');
        // Seven of the eight rows; the product of what is in the table, worked out apart: 100.062, 100.68, 99.66, 100.26, 100.44, 99.62, 100.359.
        self::assertEqualsWithDelta((100.062 + 100.68 + 99.66 + 100.26 + 100.44 + 99.62 + 100.359) / 7, $line['result']['value'], 1e-9);
        self::assertSame('One cell is no number (t, row 5: "4.45x"). Left out here. Put it right in the table, or clear the cell.', $line['warnings'][0]['title'].' '.$line['warnings'][0]['text']);
        $mended = $this->fill(5, ['t'], [['4.45']])->assertOk();
        self::assertSame([], $mended->json('rows.0.typed.unreadable'));
        self::assertEqualsWithDelta((7 * $line['result']['value'] + 22.4 * 4.45) / 8, $mended->json('worked.0.result.value'), 1e-9);
    }

    public function test_a_doubt_of_a_formula_comes_and_goes_with_the_line_it_may_be_of(): void
    {
        $this->fill(null, ['q'], [['1.2341'], ['1.2348']])->assertOk();
        $add = fn (array $body): TestResponse => $this->postJson("/api/experiments/{$this->experiment->id}/lines", $body + ['title' => 'Line', 'isPerRun' => true, 'uses' => (object) []])->assertCreated();
        $add(['method' => 'statistics', 'symbol' => 'n', 'uses' => ['column' => 'q']]);
        $add(['method' => 'formula', 'symbol' => 'twice', 'texts' => ['formula' => '2*1.234']]);
        $add(['method' => 'formula', 'symbol' => 'apart', 'texts' => ['formula' => '2*4']]);
        $doubts = fn (string $cell): array => array_map(static fn (array $line): array => array_column($line['warnings'], 'code'), array_column($this->fill(1, ['q'], [[$cell]])->assertOk()->json('worked'), null, 'symbol'));

        self::assertSame(['n' => [], 'twice' => []], $doubts('5'), 'It is the mean no more.');
        self::assertSame(['n' => [], 'twice' => ['rounded']], $doubts('1.2341'));
    }

    public function test_a_column_leaves_alone_with_its_doubt_and_what_is_set_aside(): void
    {
        $this->fill(null, ['q', 't'], array_slice($this->class(), 0, 5))->assertOk();
        $this->patchJson("/api/experiments/{$this->experiment->id}/columns/{$this->id('t')}", ['uncertainty' => 0.02])->assertOk();
        $this->putJson("/api/runs/{$this->run}/set-aside", ['readings' => [2], 'reason' => 'Spilled.'])->assertOk();
        $file = fn (string $query): array => explode("\r\n", trim((string) $this->get("/api/runs/{$this->run}/rows.csv?{$query}")->assertOk()->getContent(), "\u{FEFF}\r\n"));

        self::assertSame(['t (min),Uncertainty of t (min),Set aside because', '9.81,0.02,', '8.39,0.02,Spilled.', '6.6,0.02,', '5.57,0.02,', '4.45x,0.02,'], $file("column={$this->id('t')}"));
        self::assertSame(['q (L/min);Set aside because', '10,2;', '12;Spilled.', '15,1;', '18;', '22,4;'], $file("column={$this->id('q')}&decimal=comma"));
        self::assertCount(6, $file(''));
        $this->get("/api/runs/{$this->run}/rows.csv?column={$this->id('q')}")->assertDownload('how-long-does-it-take-to-fill-the-vat-run-1-q.csv');
        $this->getJson("/api/runs/{$this->run}/rows.csv?column=9999999")->assertConflict()->assertJsonPath('code', 'column-gone');
        $this->getJson("/api/runs/{$this->run}/rows.csv?column=q")->assertUnprocessable()->assertJsonPath('detail', 'Choose a column.');
    }

    public function test_a_blank_notebook_begins_with_two_columns_and_their_figure(): void
    {
        $blank = $this->experimentOf($this->teacher, null, 'blank', 'Something typed');
        $this->postJson("/api/experiments/{$blank->id}/entries", ['symbol' => 'y', 'name' => 'Yield', 'unit' => 'g'])->assertCreated();
        $answer = $this->postJson("/api/experiments/{$blank->id}/runs", ['kind' => 'typed'])->assertCreated();
        self::assertSame([['x', 1], ['a', 2]], $blank->columns()->get()->map(static fn (Column $c): array => [$c->symbol, $c->position])->all());
        self::assertSame(['x', [['y' => ['a']]]], [$blank->figures()->firstOrFail()->options['x'], $blank->figures()->firstOrFail()->options['panels']]);
        self::assertSame('Began Run 1, to be typed', $answer->json('undo'));
        // A second run begins with what is there.
        $this->postJson("/api/experiments/{$blank->id}/runs", ['kind' => 'typed', 'condition' => 'cold', 'trial' => 2])->assertCreated();
        self::assertSame([2, 1], [$blank->columns()->count(), $blank->figures()->count()]);
        self::assertSame('cold trial 2', $blank->runs()->get()->last()?->title());
        $run = $answer->json('made');
        $this->postJson("/api/runs/{$run}/rows", ['count' => 1, 'before' => null])->assertCreated()->assertJsonPath('undo', 'Put in a row in Run 1');
        $this->postJson("/api/runs/{$run}/rows", ['count' => 2, 'before' => 1])->assertCreated()->assertJsonPath('undo', 'Put in 2 rows in Run 1');
        self::assertSame([2, 3, 1], array_column($this->rowsOf($run), 'number'));
    }

    public function test_a_typed_number_is_shown_with_every_digit_it_has(): void
    {
        $this->column('w', 'L');
        $this->fill(null, ['w'], [['7'], ['25 mL'], ['1.2e-3'], ['4.50']])->assertOk();

        self::assertSame(['7.00', '0.025', '0.0012', '4.50'], array_map(static fn (array $r): string => $r['cells']['w']['shown'], $this->rowsOf($this->run)));
        $this->patchJson("/api/experiments/{$this->experiment->id}/columns/{$this->id('w')}", ['decimals' => 1])->assertOk();
        self::assertSame(['7.0', '0.0', '0.0', '4.5'], array_map(static fn (array $r): string => $r['cells']['w']['shown'], $this->rowsOf($this->run)), 'As it was asked for.');
    }

    public function test_a_block_is_one_change_and_undo_brings_back_every_cell(): void
    {
        $this->fill(null, ['q', 't'], $this->class())->assertOk();
        $typed = $this->rowsOf($this->run);
        $this->fill(3, ['q', 't'], [['1', ''], [null, 'x']])->assertOk();
        self::assertSame([1.0, null, null, null], [$this->cell(2, 'q'), $this->cell(2, 't'), $this->cell(3, 'q'), $this->cell(3, 't')]);
        $this->undo();
        self::assertSame($typed, $this->rowsOf($this->run));
        $this->undo();
        self::assertSame([], $this->rowsOf($this->run));
        $this->redo();
        self::assertSame($typed, $this->rowsOf($this->run));
        $this->redo();
        self::assertSame([1.0, null, 'x'], [$this->cell(2, 'q'), $this->cell(3, 'q'), $this->rowsOf($this->run)[3]['texts']['t']]);
        $history = $this->getJson("/api/experiments/{$this->experiment->id}/history/4")->assertOk();
        self::assertSame(8, $history->json('notebook.runs.0.readingCount'));
        $this->postJson("/api/experiments/{$this->experiment->id}/history/4/go-back")->assertOk();
        self::assertSame($typed, $this->rowsOf($this->run));
    }

    public function test_rows_keep_their_number_wherever_they_stand(): void
    {
        $this->fill(null, ['q', 't'], $this->class())->assertOk();
        $this->putJson("/api/runs/{$this->run}/set-aside", ['readings' => [2], 'reason' => 'Spilled.'])->assertOk();
        $this->postJson("/api/runs/{$this->run}/rows", ['count' => 2, 'before' => 2])->assertCreated();
        self::assertSame([1, 9, 10, 2, 3, 4, 5, 6, 7, 8], array_column($this->rowsOf($this->run), 'number'));
        self::assertSame([null, null, null, 'Spilled.'], array_slice(array_column($this->rowsOf($this->run), 'setAside'), 0, 4));
        $this->patchJson("/api/runs/{$this->run}/rows", ['from' => 3, 'to' => 3, 'before' => 1])->assertOk()->assertJsonPath('undo', 'Moved a row of Run 1');
        $this->undo();
        $this->patchJson("/api/runs/{$this->run}/rows", ['from' => 7, 'to' => 8, 'before' => 1])->assertOk()->assertJsonPath('undo', 'Moved 2 rows of Run 1');
        $this->deleteJson("/api/runs/{$this->run}/rows", ['from' => 9, 'to' => 10])->assertOk()->assertJsonPath('undo', 'Deleted 2 rows of Run 1');
        self::assertSame([7, 8, 1, 2, 3, 4, 5, 6], array_column($this->rowsOf($this->run), 'number'));
        self::assertSame([34.0, 41.3, 10.2, 12.0], array_map(fn (int $place): ?float => $this->cell($place, 'q'), [0, 1, 2, 3]));
        // A number is not given twice: what was deleted comes back as it was.
        $this->fill(null, ['q'], [['50']])->assertOk();
        self::assertSame(11, array_slice($this->rowsOf($this->run), -1)[0]['number']);
        $this->undo();
        $this->undo();
        self::assertSame([7, 8, 1, 9, 10, 2], array_slice(array_column($this->rowsOf($this->run), 'number'), 0, 6));
        self::assertSame(['from' => 3, 'rowCount' => 10], array_intersect_key($this->getJson("/api/runs/{$this->run}/rows?from=3&count=2")->assertOk()->json(), ['from' => 0, 'rowCount' => 0]));
        self::assertSame([9, 10], array_column($this->getJson("/api/runs/{$this->run}/rows?from=3&count=2")->json('rows'), 'number'));
        self::assertSame([], $this->getJson("/api/runs/{$this->run}/rows?from=30&count=2")->assertOk()->json('rows'));
    }

    public function test_a_note_is_pinned_to_a_row_and_goes_with_it(): void
    {
        $this->fill(null, ['q', 't'], [['10.2', '9.81'], ['12.0', '8.39'], ['15.1', '6.60']])->assertOk();
        $marker = $this->postJson("/api/runs/{$this->run}/markers", ['row' => 2, 'name' => 'tap slipped'])->assertCreated()
            ->assertJsonPath('rows.0.markers.0.row', 2)->assertJsonPath('rows.0.markers.0.at', null)->assertJsonPath('undo', 'Noted “tap slipped” at row 2 of Run 1')->json('made');
        $this->patchJson("/api/runs/{$this->run}/markers/{$marker}", ['name' => 'tap turned'])->assertOk()->assertJsonPath('rows.0.markers.0.name', 'tap turned');
        $csv = fn (): array => explode("\r\n", trim((string) $this->get("/api/runs/{$this->run}/rows.csv")->assertOk()->getContent()));
        self::assertStringEndsWith('Marker', $csv()[0]);
        self::assertStringEndsWith('tap turned', $csv()[2]);
        foreach ([[['row' => 9, 'name' => 'x'], 'There is no row 9 in this run (any more).'], [['row' => 1, 'name' => ' '], 'Write what happened there.']] as [$wrong, $sentence]) {
            $this->postJson("/api/runs/{$this->run}/markers", $wrong)->assertUnprocessable()->assertJsonPath('detail', $sentence);
        }
        $this->patchJson("/api/runs/{$this->run}/markers/{$marker}", ['row' => 1])->assertUnprocessable();
        $this->postJson("/api/runs/{$this->run}/markers", ['at' => 1])->assertConflict()->assertJsonPath('code', 'not-timed');
        $this->deleteJson("/api/runs/{$this->run}/markers/{$marker}")->assertOk()->assertJsonCount(0, 'rows.0.markers');
        $this->undo();
        self::assertSame(['tap turned'], $this->getJson("/api/runs/{$this->run}")->json('markers.*.name'));
    }

    public function test_two_who_add_rows_at_once_lose_nothing_and_the_same_cell_is_told(): void
    {
        $this->fill(null, ['q'], [['1']])->assertOk();
        $seen = $this->experiment->refresh()->revision;
        $this->fill(null, ['q'], [['2']], ['Screen' => 'left', 'Seen-Revision' => (string) $seen])->assertOk();
        $this->fill(null, ['q'], [['3']], ['Screen' => 'right', 'Seen-Revision' => (string) $seen])->assertOk();
        self::assertSame([1.0, 2.0, 3.0], array_map(fn (int $place): ?float => $this->cell($place, 'q'), [0, 1, 2]));
        $seen = $this->experiment->refresh()->revision;
        $this->fill(1, ['q'], [['10']], ['Screen' => 'left', 'Seen-Revision' => (string) $seen])->assertOk();
        $this->fill(2, ['q'], [['20']], ['Screen' => 'right', 'Seen-Revision' => (string) $seen])->assertOk();
        $this->fill(1, ['q'], [['11']], ['Screen' => 'right', 'Seen-Revision' => (string) $seen])->assertConflict()
            ->assertJsonPath('detail', 'Test teacher has changed this meanwhile: Typed q: 10 in Run 1. Look at it, then say it again if you still want to.');
        self::assertSame([10.0, 20.0, 3.0], array_map(fn (int $place): ?float => $this->cell($place, 'q'), [0, 1, 2]));
    }

    public function test_another_unit_converts_the_numbers_or_keeps_them_and_undo_has_every_digit(): void
    {
        $this->fill(null, ['q', 't'], $this->class())->assertOk();
        $before = $this->rowsOf($this->run);
        $column = $this->id('t');
        $path = "/api/experiments/{$this->experiment->id}/columns/{$column}";
        $this->patchJson($path, ['uncertainty' => 0.02])->assertOk();
        $this->patchJson($path, ['unit' => 's'])->assertOk();
        self::assertSame(588.6, $this->cell(0, 't'));
        self::assertEqualsWithDelta(1.2, $this->rowsOf($this->run)[0]['cells']['t']['uncertainty'], 1e-12);
        self::assertSame('4.45x', $this->rowsOf($this->run)[4]['texts']['t']);
        $this->fill(1, ['t'], [['600']])->assertOk();
        $this->undo();
        $this->undo();
        $this->undo();
        self::assertSame($before, $this->rowsOf($this->run));
        $this->patchJson($path, ['unit' => 's', 'keepsNumbers' => true])->assertOk();
        self::assertSame([9.81, '9.81'], [$this->cell(0, 't'), $this->rowsOf($this->run)[0]['cells']['t']['shown']]);
        $this->patchJson($path, ['unit' => 'kg'])->assertUnprocessable()->assertJsonPath('detail', 'The numbers of t are in s, which cannot be converted into kg. Keep the numbers as they are, or choose another unit.');
        self::assertSame('s', Column::query()->findOrFail($column)->unit);
    }

    public function test_the_doubt_of_a_column_is_one_for_all_or_stands_in_another(): void
    {
        $this->column('u_t', 'min');
        $this->fill(null, ['t', 'u_t'], [['9.81', '0.05'], ['8.39', ''], ['6.60', '-0.1']])->assertOk();
        $path = "/api/experiments/{$this->experiment->id}/columns/{$this->id('t')}";
        $this->patchJson($path, ['uncertainty' => 0.3])->assertOk();
        self::assertSame([0.3, 0.3, 0.3], array_map(fn (int $i): float => $this->rowsOf($this->run)[$i]['cells']['t']['uncertainty'], [0, 1, 2]));
        $this->patchJson($path, ['uncertaintyOf' => 'u_t'])->assertOk();
        self::assertEquals([0.05, 0.0, 0.1], array_map(fn (int $i): float => $this->rowsOf($this->run)[$i]['cells']['t']['uncertainty'], [0, 1, 2]));
        $this->patchJson("/api/experiments/{$this->experiment->id}/columns/{$this->id('u_t')}", ['symbol' => 'dt'])->assertOk();
        self::assertSame(0.05, $this->rowsOf($this->run)[0]['cells']['t']['uncertainty'], 'It goes by its new name.');
        $this->patchJson($path, ['uncertainty' => -1])->assertUnprocessable();
    }

    public function test_a_column_that_was_removed_comes_back_with_what_was_typed(): void
    {
        $this->fill(null, ['q', 't'], $this->class())->assertOk();
        $before = $this->rowsOf($this->run);
        $this->deleteJson("/api/experiments/{$this->experiment->id}/columns/{$this->id('q')}")->assertOk();
        self::assertArrayNotHasKey('q', $this->rowsOf($this->run)[0]['cells']);
        $this->undo();
        self::assertSame($before, $this->rowsOf($this->run));
    }

    public function test_a_copy_has_the_rows_and_goes_its_own_way(): void
    {
        $this->column('place', '', isWords: true);
        $this->fill(null, ['q', 't'], $this->class())->assertOk();
        $this->fill(1, ['place'], [['cellar'], ['oven']])->assertOk();
        $this->deleteJson("/api/runs/{$this->run}/rows", ['from' => 3, 'to' => 4])->assertOk();
        $this->column('gone', '');
        $this->fill(1, ['gone'], [['7']])->assertOk();
        $this->deleteJson("/api/experiments/{$this->experiment->id}/columns/{$this->id('gone')}")->assertOk();
        $before = $this->rowsOf($this->run);
        self::assertSame(['cellar', 'oven', null], array_map(static fn (array $r): ?string => $r['texts']['place'] ?? null, array_slice($before, 0, 3)));
        $copy = $this->postJson("/api/experiments/{$this->experiment->id}/copy", ['withRuns' => true])->assertCreated()->json('id');
        $run = (int) Experiment::query()->findOrFail($copy)->runs()->get()->firstOrFail()->id;
        $without = static fn (array $rows): array => array_map(static fn (array $r): array => array_diff_key($r, ['takenAt' => 0]), $rows);
        self::assertSame($without($before), $without($this->rowsOf($run)));
        $this->fill(1, ['q'], [['99']])->assertOk();
        self::assertSame($without($before), $without($this->rowsOf($run)));
    }

    public function test_what_was_recorded_is_not_typed_over_but_a_column_beside_it_is(): void
    {
        $bench = $this->connectedBenchOf($this->teacher);
        $titration = $this->experimentOf($this->teacher, $bench);
        $run = $this->startedRun($titration);
        foreach ([0.0, 0.5, 1.0] as $step) {
            $this->postJson("/api/runs/{$run}/readings", ['step' => $step, 'takeAnyway' => true])->assertCreated();
        }
        $made = $this->postJson("/api/experiments/{$titration->id}/columns", ['symbol' => 'shade', 'name' => 'Shade of pink', 'kind' => 'typed'])->assertCreated();
        $shade = $made->json('made');
        $number = $this->rowsOf($run)[1]['number'];
        $this->putJson("/api/runs/{$run}/cells", ['row' => $number, 'columns' => [$shade], 'cells' => [['3'], ['5']]])->assertOk();
        self::assertSame([null, 3.0, 5.0], array_map(static fn (array $r): ?float => ($r['cells']['shade'] ?? ['value' => null])['value'], $this->rowsOf($run)));
        $this->undo($titration);
        self::assertSame([null, null, null], array_map(static fn (array $r): ?array => $r['cells']['shade'], $this->rowsOf($run)));
        $pH = $titration->columns()->where('symbol', 'pH')->firstOrFail()->id;
        $this->putJson("/api/runs/{$run}/cells", ['row' => $number, 'columns' => [$pH], 'cells' => [['7']]])->assertUnprocessable()
            ->assertJsonPath('detail', 'pH was recorded in this run, so its cells are not typed over. Set aside what should not count.');
        $this->putJson("/api/runs/{$run}/cells", ['row' => $number, 'columns' => [$shade], 'cells' => [['1'], ['2'], ['3']]])->assertUnprocessable()
            ->assertJsonPath('detail', 'From this row on the run has only 2 readings. Choose as many cells as there are readings, or paste into a new run.');
        $this->putJson("/api/runs/{$run}/cells", ['row' => null, 'columns' => [$shade], 'cells' => [['1']]])->assertConflict()->assertJsonPath('code', 'row-gone');
        $this->postJson("/api/runs/{$run}/rows", ['count' => 1, 'before' => null])->assertConflict()->assertJsonPath('code', 'rows-are-recorded');
        $this->getJson("/api/runs/{$run}/rows?from=0&count=10")->assertConflict();
    }

    public function test_nonsense_is_refused_in_words_and_changes_nothing(): void
    {
        $this->fill(null, ['q', 't'], $this->class())->assertOk();
        $before = $this->rowsOf($this->run);
        $this->postJson("/api/experiments/{$this->experiment->id}/columns", ['symbol' => 'V', 'name' => 'Volume', 'unit' => 'L', 'kind' => 'derived', 'formula' => 'q*t'])->assertCreated();
        $this->fill(1, ['V'], [['3']])->assertUnprocessable()->assertJsonPath('detail', 'V is worked out by q*t. Change the formula, or what it uses.');
        $this->fill(99, ['q'], [['3']])->assertConflict()->assertJsonPath('code', 'row-gone');
        $this->deleteJson("/api/runs/{$this->run}/rows", ['from' => 2, 'to' => 99])->assertConflict()->assertJsonPath('code', 'row-gone');
        $put = fn (array $body): TestResponse => $this->putJson("/api/runs/{$this->run}/cells", $body);
        $put(['row' => null, 'columns' => [$this->id('q'), 999_999_999], 'cells' => [['1', '2']]])->assertConflict()->assertJsonPath('code', 'column-gone');
        $put(['row' => null, 'columns' => [$this->id('q')], 'cells' => []])->assertUnprocessable();
        $put(['row' => null, 'columns' => [$this->id('q')], 'cells' => [[3.5]]])->assertUnprocessable()->assertJsonPath('detail', 'Row 1 of the cells has one that is no text of at most 200 letters.');
        $put(['row' => null, 'columns' => [$this->id('q')], 'cells' => [['1'], 'x']])->assertUnprocessable()->assertJsonPath('detail', 'Row 2 of the cells is no list of cells.');
        $put(['row' => 0, 'columns' => [$this->id('q')], 'cells' => [['1']]])->assertUnprocessable();
        $this->postJson("/api/runs/{$this->run}/rows", ['count' => 1001, 'before' => null])->assertUnprocessable();
        $this->putJson("/api/runs/{$this->run}/set-aside", ['readings' => [99], 'reason' => 'Not there.'])->assertUnprocessable();
        self::assertSame(array_column($before, 'texts'), array_column($this->rowsOf($this->run), 'texts'));
        self::assertCount(8, $this->rowsOf($this->run));
        $this->postJson("/api/experiments/{$this->experiment->id}/runs", ['kind' => 'timed'])->assertUnprocessable();
        $this->postJson("/api/runs/{$this->run}/reopen")->assertConflict()->assertJsonPath('code', 'not-recorded');
    }

    public function test_rows_leave_as_a_file_with_what_is_no_number_as_it_was_typed(): void
    {
        $this->fill(null, ['q', 't'], $this->class())->assertOk();
        $csv = (string) $this->get("/api/runs/{$this->run}/rows.csv")->assertOk()->getContent();
        self::assertStringContainsString("q (L/min),t (min),Set aside because\r\n10.2,9.81,\r\n12,8.39,", $csv);
        self::assertStringContainsString('22.4,4.45x,', $csv);
        $this->get("/api/experiments/{$this->experiment->id}/rows.csv")->assertOk();
    }

    /** @return list<list<string>> */
    private function class(): array
    {
        return array_map(static fn (string $q, string $t): array => [$q, $t], self::FLOWS, self::TIMES);
    }

    private function column(string $symbol, string $unit, bool $isWords = false): void
    {
        $this->postJson("/api/experiments/{$this->experiment->id}/columns", ['symbol' => $symbol, 'name' => $symbol, 'unit' => $unit, 'kind' => 'typed', 'isWords' => $isWords])->assertCreated();
    }

    private function id(string $symbol): int
    {
        return (int) $this->experiment->columns()->where('symbol', $symbol)->get()->firstOrFail()->id;
    }

    /**
     * @param  list<string>  $symbols
     * @param  list<list<string|null>>  $cells
     * @param  array<string, string>  $headers
     * @return TestResponse<Response>
     */
    private function fill(?int $row, array $symbols, array $cells, array $headers = []): TestResponse
    {
        return $this->json('PUT', "/api/runs/{$this->run}/cells", ['row' => $row, 'columns' => array_map($this->id(...), $symbols), 'cells' => $cells], $headers);
    }

    private function cell(int $place, string $symbol): ?float
    {
        return ($this->rowsOf($this->run)[$place]['cells'][$symbol] ?? ['value' => null])['value'];
    }

    private function undo(?Experiment $of = null): void
    {
        $this->postJson('/api/experiments/'.($of ?? $this->experiment)->id.'/undo')->assertOk();
    }

    private function redo(): void
    {
        $this->postJson("/api/experiments/{$this->experiment->id}/redo")->assertOk();
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use App\Models\Run;
use App\Models\TableFile;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Files and pasted texts: understood before anything is taken, and taken as one change. */
final class TableFileTest extends TestCase
{
    private const COOLING = "Larkfield creamery, cold store\nTime (s);Milk (°C)\n0;62,1\n30;58,O\n60;\n90;51,7\nEnd\n";

    private const TRIALS = "Time (s),half strength trial 1,half strength trial 2,full strength trial 1\n0,1.01,1.02,1.05\n10,0.81,0.83,0.61\n20,0.66,0.64,0.37\n";

    private User $teacher;

    private Experiment $experiment;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->actingAs($this->teacher);
        $this->experiment = $this->experimentOf($this->teacher, null, 'blank', 'How fast does the milk cool?');
    }

    public function test_a_pasted_text_is_understood_before_it_is_taken(): void
    {
        $preview = $this->paste(self::COOLING)->assertCreated()->json();

        self::assertSame(['separator' => 'semicolon', 'mark' => 'comma', 'hasHeader' => true], $preview['hints']);
        self::assertSame(['Time', 'Milk'], array_column($preview['columns'], 'name'));
        self::assertSame(['s', '°C'], array_column($preview['columns'], 'unit'));
        self::assertSame([4, 1, 1], [$preview['rowCount'], $preview['blankCount'], $preview['unreadableCount']]);
        self::assertSame([['row' => 2, 'column' => 'Milk', 'text' => '58,O', 'remedy' => '58.0']], $preview['unreadable']);
        self::assertSame([['0', '62.1'], ['30', '58,O'], ['60', ''], ['90', '51.7']], $preview['rows']);
        self::assertContains('Not part of the table: "End".', $preview['notes']);
        self::assertSame(0, $this->experiment->runs()->count(), 'Nothing is changed by looking.');
        $other = $this->getJson("{$this->path()}/files/{$preview['id']}?separator=comma&hasHeader=false")->assertOk()->json();
        self::assertSame(['separator' => 'comma', 'mark' => 'point', 'hasHeader' => false], $other['hints']);
    }

    public function test_it_becomes_a_run_with_columns_figure_and_its_bad_cell_to_be_put_right(): void
    {
        $preview = $this->paste(self::COOLING)->assertCreated()->json();
        $answer = $this->taken($preview)->assertCreated();
        $run = $answer->json('made');
        self::assertSame('Took 4 rows from pasted text', $answer->json('undo'));
        $rows = $this->rowsOf($run);
        self::assertSame([0.0, 30.0, 60.0, 90.0], array_map(static fn (array $r): float => (float) $r['cells']['t']['value'], $rows));
        self::assertSame(['62.1', null, null, '51.7'], array_map(static fn (array $r): ?string => $r['cells']['T']['shown'] ?? null, $rows));
        self::assertSame('58,O', $rows[1]['texts']['T']);
        $this->getJson("/api/runs/{$run}")->assertOk()->assertJsonPath('typed.blanks', [['symbol' => 'T', 'count' => 1, 'places' => [2]]]);
        self::assertSame(['t', 'T'], [$this->experiment->figures()->firstOrFail()->options['x'], $this->experiment->figures()->firstOrFail()->options['panels'][0]['y'][0]]);
        self::assertSame('semicolon', TableFile::query()->findOrFail($preview['id'])->hints['separator'] ?? null);
        $this->postJson("{$this->path()}/undo")->assertOk();
        self::assertSame([0, 0], [$this->experiment->runs()->count(), $this->experiment->columns()->count()]);
        $this->postJson("{$this->path()}/redo")->assertOk();
        self::assertSame($rows, $this->rowsOf($run));
    }

    public function test_numbers_are_shown_with_the_digits_they_came_with(): void
    {
        $run = $this->taken($this->paste("a,b\n1.50,7\n2.25,8\n3,1e-9\n")->json(), [[0, null, 'a', ''], [1, null, 'b', '']])->assertCreated()->json('made');

        self::assertSame([['1.50', '7'], ['2.25', '8'], ['3.00', '1e-9']], array_map(static fn (array $r): array => [$r['cells']['a']['shown'], $r['cells']['b']['shown']], $this->rowsOf($run)));
    }

    public function test_further_rows_go_into_the_columns_there_are_in_their_units(): void
    {
        $run = $this->taken($this->paste(self::COOLING)->json())->assertCreated()->json('made');
        $more = $this->paste("min\tT\n2\t48.5\n3\t43.1\n")->assertCreated()->json();
        $more['columns'][0]['unit'] = 'min';
        $t = $this->experiment->columns()->where('symbol', 't')->firstOrFail();
        $T = $this->experiment->columns()->where('symbol', 'T')->firstOrFail();
        $file = $this->paste("Time (min),T (K)\n2,321.65\n3,316.25\n")->assertCreated()->json();
        $this->taken($file, [[0, $t->id, 't', 'min'], [1, $T->id, 'T', 'K']], $run)->assertCreated();
        $rows = $this->rowsOf($run);
        self::assertSame([1, 2, 3, 4, 5, 6], array_column($rows, 'number'));
        self::assertSame([120.0, 180.0], [(float) $rows[4]['cells']['t']['value'], (float) $rows[5]['cells']['t']['value']]);
        self::assertEqualsWithDelta([48.5, 43.1], [$rows[4]['cells']['T']['value'], $rows[5]['cells']['T']['value']], 1e-9);
        $this->postJson("{$this->path()}/undo")->assertOk();
        self::assertCount(4, $this->rowsOf($run));
        $this->taken($file, [[0, $t->id, 't', 'min'], [1, $t->id, 'T', 'K']], $run)->assertUnprocessable()->assertJsonPath('code', 'column-twice');
        self::assertCount(4, $this->rowsOf($run));
    }

    public function test_further_columns_go_beside_the_rows_of_a_run_and_go_again_with_undo(): void
    {
        $run = $this->taken($this->paste(self::COOLING)->json())->assertCreated()->json('made');
        $before = $this->rowsOf($run);
        $file = $this->paste("Room (°C);note\n8,2;door shut\n8,4;\nwarm;\n8,9;door open\n9,1;still open\n")->assertCreated()->json();
        $beside = [[0, null, 'T_r', '°C'], [1, null, 'note', '', true]];
        $answer = $this->taken($file, $beside, $run, isBeside: true)->assertCreated();

        self::assertSame('Took 2 columns from pasted text', $answer->json('undo'));
        $rows = $this->rowsOf($run);
        self::assertSame(['8.2', '8.4', null, '8.9', '9.1'], array_map(static fn (array $r): ?string => $r['cells']['T_r']['shown'] ?? null, $rows));
        self::assertSame(['warm'], array_values(array_filter(array_map(static fn (array $r): ?string => $r['texts']['T_r'] ?? null, $rows))));
        self::assertSame(['door shut', '', '', 'door open', 'still open'], array_map(static fn (array $r): string => $r['texts']['note'] ?? '', $rows));
        self::assertSame(['62.1', null], [$rows[0]['cells']['T']['shown'], $rows[4]['cells']['T']], 'What stood there stays; the fifth row is new.');
        $this->postJson("{$this->path()}/undo")->assertOk();
        self::assertSame($before, $this->rowsOf($run));
        $this->postJson("{$this->path()}/redo")->assertOk();
        self::assertSame($rows, $this->rowsOf($run));
    }

    public function test_nothing_that_stands_in_a_column_is_written_over_by_a_file(): void
    {
        $run = $this->taken($this->paste(self::COOLING)->json())->assertCreated()->json('made');
        $blank = $this->postJson("{$this->path()}/columns", ['symbol' => 'p', 'name' => 'Pressure', 'kind' => 'typed', 'unit' => 'kPa'])->assertCreated()->json('made');
        $T = $this->experiment->columns()->where('symbol', 'T')->firstOrFail();
        $file = $this->paste("P (kPa)\n101.2\n101.3\n101.1\n100.9\n")->assertCreated()->json();
        $rows = $this->rowsOf($run);

        $this->taken($file, [[0, $T->id, 'T', '']], $run, isBeside: true)->assertConflict()->assertJsonPath('detail', 'Column T has cells in Run 1 already. Let the file go into a new column, or clear that one first.');
        $this->taken($file, [[0, null, 'q', '']], null, isBeside: true)->assertUnprocessable();
        $this->taken($file, [[0, null, 'q', '']], $run, asTrials: true, isBeside: true)->assertUnprocessable();
        self::assertSame($rows, $this->rowsOf($run));
        $this->taken($file, [[0, $blank, 'p', 'kPa']], $run, isBeside: true)->assertCreated();
        self::assertSame(['101.2', '101.3', '101.1', '100.9'], array_map(static fn (array $r): string => $r['cells']['p']['shown'], $this->rowsOf($run)));
        $this->postJson("{$this->path()}/undo")->assertOk();
        self::assertSame([null, null, null, null], array_map(static fn (array $r): ?array => $r['cells']['p'], $this->rowsOf($run)), 'The column was there before, and is blank again.');
    }

    public function test_beside_what_was_measured_a_file_fills_typed_columns_and_no_measured_one(): void
    {
        $titration = $this->experimentOf($this->teacher, $this->benchOf($this->teacher));
        $run = $this->storedRunOf($titration);
        foreach ([1, 2] as $row) {
            $run->readings()->create(['row' => $row, 'request_key' => (string) Str::uuid(), 'step' => (float) $row, 'taken_at' => 1.0, 'was_steady' => true]);
        }
        $this->experiment = $titration;
        $pH = $titration->columns()->where('symbol', 'pH')->firstOrFail();
        $file = $this->paste("note\nclear\npink\n")->assertCreated()->json();

        $this->taken($file, [[0, $pH->id, 'pH', '']], $run->id, isBeside: true)->assertUnprocessable();
        $this->assertDatabaseMissing('typed_columns', ['run_id' => $run->id]);
        $this->taken($file, [[0, null, 'note', '', true]], $run->id, isBeside: true)->assertCreated();
        self::assertSame(['clear', 'pink'], array_map(static fn (array $r): string => $r['texts']['note'] ?? '', $this->rowsOf($run->id)));
        $longer = $this->paste("shade\na\nb\nc\n")->assertCreated()->json();
        $this->taken($longer, [[0, null, 'shade', '', true]], $run->id, isBeside: true)->assertUnprocessable()->assertJsonPath('code', 'too-few-rows');
        self::assertFalse($titration->columns()->where('symbol', 'shade')->exists(), 'Nothing of it is done.');
    }

    public function test_trials_of_a_wide_table_become_runs_with_condition_and_trial(): void
    {
        $preview = $this->paste(self::TRIALS)->assertCreated()->json();
        self::assertSame([['half strength', 1, 1], ['half strength', 2, 2], ['full strength', 1, 3]], array_map(static fn (array $t): array => [$t['condition'], $t['trial'], $t['place']], $preview['trials']));
        $this->taken($preview, [[0, null, 't', 's'], [1, null, 'A', '']], asTrials: true)->assertCreated()->assertJsonPath('undo', 'Took 3 trials from pasted text');
        $runs = $this->experiment->runs()->get();
        self::assertSame([['half strength', 1], ['half strength', 2], ['full strength', 1]], $runs->map(static fn (Run $r): array => [$r->condition, $r->trial])->all());
        self::assertSame([1, 2, 3], $runs->pluck('number')->all());
        self::assertSame([1.05, 0.61, 0.37], array_map(static fn (array $r): float => $r['cells']['A']['value'], $this->rowsOf((int) $runs[2]?->id)));
        self::assertSame([0.0, 10.0, 20.0], array_map(static fn (array $r): float => (float) $r['cells']['t']['value'], $this->rowsOf((int) $runs[1]?->id)));
        $this->postJson("{$this->path()}/undo")->assertOk();
        self::assertSame(0, $this->experiment->runs()->count());

        $empty = $this->postJson("{$this->path()}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        $this->taken($preview, [[0, null, 't', 's'], [1, null, 'A', '']], $empty, asTrials: true)->assertCreated();
        self::assertSame([$empty, 'half strength trial 1'], [$this->experiment->runs()->get()->firstOrFail()->id, $this->experiment->runs()->get()->firstOrFail()->title()]);
        self::assertSame(3, $this->experiment->runs()->count());
        $this->taken($preview, [[0, null, 't_2', 's'], [1, null, 'B', '']], $empty, asTrials: true)->assertUnprocessable()->assertJsonPath('code', 'trials-below-rows');
    }

    public function test_a_file_is_kept_as_it_came_and_dates_and_words_are_taken(): void
    {
        $text = "Zeit;Ort;T\n2031-04-11 22:15:00;Keller;8,1\n2031-04-11 22:16:30;Küche;21,4\n";
        $bytes = (string) mb_convert_encoding($text, 'Windows-1252', 'UTF-8');
        $answer = $this->post("{$this->path()}/files", ['file' => UploadedFile::fake()->createWithContent('places.csv', $bytes)], ['Accept' => 'application/json'])->assertCreated();
        self::assertSame(['places.csv', strlen($bytes)], [$answer->json('name'), $answer->json('bytes')]);
        self::assertSame(['datetime', 'text', 'number'], array_column($answer->json('columns'), 'kind'));
        self::assertSame($bytes, file_get_contents(storage_path('files/'.TableFile::query()->findOrFail($answer->json('id'))->place)));
        $run = $this->taken($answer->json(), [[0, null, 't', 's'], [1, null, 'place', '', true], [2, null, 'T', '']])->assertCreated()->json('made');
        $rows = $this->rowsOf($run);
        self::assertSame([[0.0, 'Keller', 8.1], [90.0, 'Küche', 21.4]], array_map(static fn (array $r): array => [(float) $r['cells']['t']['value'], $r['texts']['place'], $r['cells']['T']['value']], $rows));
    }

    public function test_nonsense_is_refused_in_words_and_nothing_is_changed(): void
    {
        $this->paste('')->assertUnprocessable();
        $this->paste("PNG\x00\x01")->assertUnprocessable()->assertJsonPath('detail', 'This file is not text. Save the table as CSV (comma separated values) and try again.');
        $this->paste("only\n")->assertUnprocessable();
        $this->post("{$this->path()}/files", ['file' => UploadedFile::fake()->create('large.csv', 60_000)], ['Accept' => 'application/json'])->assertUnprocessable()
            ->assertJsonPath('detail', 'This file is larger than 50 MB. Save fewer rows or columns of it as CSV, or every second row, and try again.');
        $preview = $this->paste(self::COOLING)->assertCreated()->json();
        $this->getJson("{$this->path()}/files/{$preview['id']}?separator=dot")->assertUnprocessable();
        $this->taken($preview, [])->assertUnprocessable();
        $this->taken($preview, [[7, null, 't', 's']])->assertUnprocessable()->assertJsonPath('detail', 'The file has no column 8, as it is understood now.');
        $this->taken($preview, [[0, null, 't', 'parsecs per moon']])->assertUnprocessable();
        $this->taken($preview, [[0, null, '1t', 's']])->assertUnprocessable();
        $this->taken($preview, run: 999_999_999)->assertUnprocessable();
        unlink(storage_path('files/'.TableFile::query()->findOrFail($preview['id'])->place));
        $this->getJson("{$this->path()}/files/{$preview['id']}")->assertStatus(410);
        self::assertSame([0, 0], [$this->experiment->runs()->count(), $this->experiment->columns()->count()]);
    }

    public function test_a_hundred_thousand_rows_of_ten_columns_fit_into_a_request(): void
    {
        $rows = "t,a,b,c,d,e,f,g,h,i\n";
        for ($i = 0; $i < 100_000; $i++) {
            $rows .= "{$i},1.5,2.25,3,4,5,6,7,8,9.5\n";
        }
        $file = $this->post("{$this->path()}/files", ['file' => UploadedFile::fake()->createWithContent('long.csv', $rows)], ['Accept' => 'application/json'])->assertCreated()->json();
        $run = $this->taken($file, array_map(static fn (int $k): array => [$k, null, 'tabcdefghi'[$k], ''], range(0, 9)))->assertCreated()->json('made');
        $page = $this->getJson("/api/runs/{$run}/rows?from=99998&count=10")->assertOk()->json();
        self::assertSame([100_000, 2, 99_999.0, 9.5], [$page['rowCount'], count($page['rows']), (float) $page['rows'][1]['cells']['t']['value'], $page['rows'][1]['cells']['i']['value']]);
    }

    public function test_a_file_is_looked_at_again_with_other_guesses_after_it_was_taken(): void
    {
        $this->getJson("{$this->path()}/files")->assertOk()->assertExactJson([]);
        $preview = $this->paste("t;y\n1;1,250\n2;2,500\n3;3,750\n")->assertCreated()->json();
        $this->getJson("{$this->path()}/files")->assertOk()->assertExactJson([]);
        $wrong = ['hints' => ['mark' => 'comma'] + $preview['hints']] + $preview;
        $this->taken($wrong, [[0, null, 't', ''], [1, null, 'y', '']])->assertCreated();
        $this->taken($this->paste("t;y\n9;9\n")->assertCreated()->json(), [[0, null, 'u', ''], [1, null, 'v', '']])->assertCreated();
        $files = $this->getJson("{$this->path()}/files")->assertOk()->assertJsonCount(2)->json();
        self::assertSame([$preview['id'], 'comma'], [$files[1]['id'], $files[1]['hints']['mark']]);

        $again = $this->getJson("{$this->path()}/files/{$files[1]['id']}?separator=semicolon&mark=point&hasHeader=1")->assertOk()->json();
        $run = $this->taken($again, [[0, null, 't2', ''], [1, null, 'y2', '']])->assertCreated()->json('made');
        self::assertSame([1250.0, 2500.0, 3750.0], array_map(static fn (array $r): float => (float) $r['cells']['y2']['value'], $this->rowsOf($run)));
    }

    public function test_more_than_a_run_can_hold_is_not_read_to_its_end(): void
    {
        $rows = implode("\n", ['t,y', ...array_map(static fn (int $i): string => "{$i},1.5", range(1, 205_000))]);
        $this->post("{$this->path()}/files", ['file' => UploadedFile::fake()->createWithContent('long.csv', $rows)], ['Accept' => 'application/json'])->assertUnprocessable()
            ->assertJsonPath('code', 'too-many-rows')->assertJsonPath('detail', 'A run has at most 200,000 rows. Put what is more into another run: as a file, save it in parts.');
        $line = implode(',', range(1, 200));
        $wide = implode("\n", array_fill(0, 15_000, $line));
        $this->post("{$this->path()}/files", ['file' => UploadedFile::fake()->createWithContent('wide.csv', $wide)], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('code', 'file-too-wide');
    }

    /** @return TestResponse<Response> */
    private function paste(string $text): TestResponse
    {
        return $this->postJson("{$this->path()}/files", ['text' => $text]);
    }

    /**
     * @param  array<string, mixed>  $preview
     * @param  list<array{0: int, 1: int|null, 2: string, 3: string, 4?: bool}>  $columns  place, column of the notebook, symbol, unit, whether of words
     * @return TestResponse<Response>
     */
    private function taken(array $preview, array $columns = [[0, null, 't', 's'], [1, null, 'T', '°C']], ?int $run = null, bool $asTrials = false, bool $isBeside = false): TestResponse
    {
        return $this->postJson("{$this->path()}/files/{$preview['id']}/take", [
            'isBeside' => $isBeside,
            'hints' => $preview['hints'], 'runId' => $run, 'asTrials' => $asTrials,
            'columns' => array_map(static fn (array $c): array => ['place' => $c[0], 'columnId' => $c[1], 'symbol' => $c[2], 'name' => $c[2], 'unit' => $c[3], 'isWords' => $c[4] ?? false], $columns),
        ]);
    }

    private function path(): string
    {
        return "/api/experiments/{$this->experiment->id}";
    }
}

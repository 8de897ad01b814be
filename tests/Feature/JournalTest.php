<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exceptions\Refusal;
use App\Models\Experiment;
use App\Models\Run;
use App\Models\User;
use App\Notebook\HistoryBook;
use App\Notebook\Sender;
use App\Notebook\TypedRows;
use App\Notebook\UndoBook;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\RandomChanges;
use Tests\TestCase;

/** Every change of a notebook is undone, done again, repeated, and told; and nobody writes over what they have not seen. */
final class JournalTest extends TestCase
{
    private const CHANGES = 30;

    /** 300 take five minutes: WELKION_JOURNAL=300. */
    private const SEQUENCES = 8;

    private const MORE_SEQUENCES = 40;

    private User $teacher;

    private Experiment $experiment;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->experiment = $this->experimentOf($this->teacher, null);
        $this->actingAs($this->teacher);
    }

    public function test_random_sequences_undone_to_the_start_and_redone_to_the_end_give_equal_notebooks(): void
    {
        $undo = app(UndoBook::class);
        for ($seed = 1; $seed <= (int) (getenv('WELKION_JOURNAL') ?: (getenv('WELKION_THOROUGH') === false ? self::SEQUENCES : self::MORE_SEQUENCES)); $seed++) {
            $experiment = $this->withRun();
            $sender = fn (): Sender => new Sender($this->teacher, (string) Str::uuid());
            $start = self::stored($experiment);
            $changes = new RandomChanges(new Randomizer(new Mt19937($seed)), $experiment, $this->teacher);
            $half = '';
            for ($i = 0; $i < self::CHANGES; $i++) {
                $i === self::CHANGES / 2 && $half = self::stored($experiment);
                $changes->makeOne();
            }
            self::assertSame(self::CHANGES, $experiment->refresh()->revision, "seed {$seed}");
            $end = self::stored($experiment);
            for ($i = 0; $i < self::CHANGES; $i++) {
                $undo->undo($experiment, $sender());
            }
            self::assertSame($start, self::stored($experiment), "seed {$seed}, undone");
            for ($i = 0; $i < self::CHANGES; $i++) {
                $undo->redo($experiment, $sender());
            }
            self::assertSame($end, self::stored($experiment), "seed {$seed}, redone");
            app(HistoryBook::class)->goBack($experiment, $sender(), self::CHANGES / 2);
            self::assertSame($half, self::stored($experiment), "seed {$seed}, gone back to half");
            $undo->undo($experiment, $sender());
            self::assertSame($end, self::stored($experiment), "seed {$seed}, going back undone");
        }
    }

    public function test_a_repeated_request_changes_nothing_twice(): void
    {
        $key = ['Request-Key' => (string) Str::uuid()];
        $body = ['symbol' => 'm', 'name' => 'Mass', 'unit' => 'g'];
        $path = "/api/experiments/{$this->experiment->id}";
        $first = $this->json('POST', "{$path}/entries", $body, $key)->assertCreated();
        $again = $this->json('POST', "{$path}/entries", $body, $key)->assertCreated();

        self::assertSame($first->json(), $again->json());
        self::assertSame(1, $this->experiment->entries()->where('symbol', 'm')->count());
        $undoKey = ['Request-Key' => (string) Str::uuid()];
        $this->json('POST', "{$path}/undo", [], $undoKey)->assertOk();
        $this->json('POST', "{$path}/undo", [], $undoKey)->assertOk();
        self::assertSame(2, $this->experiment->refresh()->revision);
        $this->json('POST', "{$path}/redo")->assertOk();
        $this->json('POST', "{$path}/redo")->assertConflict()->assertJsonPath('detail', 'There is nothing to do again.');
        $this->json('POST', "{$path}/undo", [], ['Request-Key' => 'often'])->assertUnprocessable()->assertJsonPath('detail', 'The header Request-Key must be a UUID.');
        $this->json('POST', "{$path}/undo", [], ['Seen-Revision' => '-1'])->assertUnprocessable()->assertJsonPath('detail', 'The header Seen-Revision must be a whole number.');
    }

    public function test_what_was_undone_is_out_of_reach_once_something_else_was_done(): void
    {
        $path = "/api/experiments/{$this->experiment->id}";
        $this->type('V0', '25')->assertOk();
        $this->postJson("{$path}/undo")->assertOk();
        $this->type('c', '0.1')->assertOk();
        $this->postJson("{$path}/redo")->assertConflict()->assertJsonPath('detail', 'There is nothing to do again.');
        $this->postJson("{$path}/undo")->assertOk();
        $this->postJson("{$path}/redo")->assertOk();
        $values = $this->experiment->entries()->pluck('value', 'symbol');
        self::assertSame([null, 0.1], [$values['V0'], $values['c']]);
    }

    public function test_what_another_screen_changed_meanwhile_is_not_written_over_unseen(): void
    {
        $screen = static fn (string $name, int $seen): array => ['Screen' => $name, 'Seen-Revision' => (string) $seen];
        $this->type('V0', '25', $screen('left', 0))->assertOk();
        $this->type('V0', '20', $screen('right', 0))->assertConflict()->assertJsonPath('code', 'changed-meanwhile')
            ->assertJsonPath('detail', 'Test teacher has changed this meanwhile: Typed V0: 25 mL. Look at it, then say it again if you still want to.');
        $this->type('c', '0.1', $screen('right', 0))->assertOk();
        $this->type('V0', '24', $screen('left', 0))->assertOk();
        $this->type('V0', '20', $screen('right', 3))->assertOk();
        self::assertSame(20.0, $this->experiment->entries()->where('symbol', 'V0')->firstOrFail()->value);
    }

    public function test_each_person_undoes_their_own_and_is_told_when_somebody_built_on_it(): void
    {
        $colleague = $this->teacher();
        $undo = app(UndoBook::class);
        $of = static fn (User $user): Sender => new Sender($user, (string) Str::uuid());
        $this->type('V0', '25')->assertOk();
        $this->type('c', '0.1')->assertOk();
        $entry = $this->experiment->entries()->where('symbol', 'V0')->firstOrFail();
        app(\App\Notebook\EntryBook::class)->type($this->experiment, $entry, ['typed' => '30'], null, $of($colleague));

        self::assertSame('Undone: Typed c: 0.1 mol/L', $undo->undo($this->experiment, $of($this->teacher))->words);
        try {
            $undo->undo($this->experiment, $of($this->teacher));
            self::fail('It would take back what the colleague typed.');
        } catch (Refusal $why) {
            self::assertSame('This cannot be undone any more: Test teacher has changed the same since (Typed V0: 30 mL).', $why->getMessage());
        }
        $undo->undo($this->experiment, $of($colleague));
        self::assertSame(25.0, $entry->refresh()->value);
        $undo->undo($this->experiment, $of($this->teacher));
        self::assertNull($entry->refresh()->value);
    }

    public function test_the_history_tells_every_change_and_shows_the_notebook_as_it_was(): void
    {
        $this->type('V0', '25')->assertOk();
        $this->type('V0', '30')->assertOk();
        $path = "/api/experiments/{$this->experiment->id}";
        $this->postJson("{$path}/undo")->assertOk();
        $told = $this->getJson("{$path}/history")->assertOk();
        self::assertSame(['Undone: Typed V0: 30 mL', 'Typed V0: 30 mL', 'Typed V0: 25 mL'], $told->json('*.words'));
        self::assertSame([false, true, false], $told->json('*.isUndone'));
        self::assertSame('Test teacher', $told->json('0.by'));

        $value = static fn (TestResponse $answer, string $in): mixed => collect($answer->json("{$in}entries"))->firstWhere('symbol', 'V0')['value'];
        self::assertEquals(30, $value($this->getJson("{$path}/history/2")->assertOk(), 'notebook.'));
        self::assertNull($value($this->getJson("{$path}/history/0")->assertOk(), 'notebook.'));
        self::assertEquals(25, $value($this->getJson($path)->assertOk(), ''), 'Looking changes nothing.');
        $this->getJson("{$path}/history/4")->assertNotFound();
        $this->postJson("{$path}/history/2/go-back")->assertOk()->assertJsonPath('undo', 'Went back to change 2');
        self::assertEquals(30, $value($this->getJson($path), ''));
        $this->postJson("{$path}/undo")->assertOk();
        self::assertEquals(25, $value($this->getJson($path), ''));
    }

    /**
     * @param  array<string, string>  $headers
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function type(string $symbol, string $typed, array $headers = []): TestResponse
    {
        $entry = $this->experiment->entries()->where('symbol', $symbol)->firstOrFail();

        return $this->json('PUT', "/api/experiments/{$this->experiment->id}/entries/{$entry->id}/value", ['typed' => $typed], $headers);
    }

    private function withRun(): Experiment
    {
        $experiment = $this->experimentOf($this->teacher, null, title: 'By chance');
        $run = $this->storedRunOf($experiment);
        for ($i = 0; $i < 6; $i++) {
            $run->readings()->create(['row' => $i + 1, 'request_key' => (string) Str::uuid(), 'step' => $i / 2.0, 'taken_at' => 1.0, 'was_steady' => true]);
        }
        Run::query()->create(['experiment_id' => $experiment->id, 'kind' => Run::TYPED, 'number' => 2, 'state' => Run::FINISHED, 'row_order' => [], 'started_at' => now()]);
        $experiment->columns()->create(['symbol' => 'm', 'name' => 'Mass', 'unit' => 'mL', 'kind' => 'typed', 'position' => 9]);

        return $experiment;
    }

    /** All that is stored of a notebook but when and how often it changed. */
    private static function stored(Experiment $experiment): string
    {
        $of = static fn (string $table, string $by, array $ids): array => DB::table($table)->whereIn($by, $ids)->orderBy('id')->get()
            ->map(static fn (object $row): array => array_diff_key(get_object_vars($row), ['revision' => 0, 'data_revision' => 0, 'rows_made' => 0, 'created_at' => 0, 'updated_at' => 0]))->all();
        $runs = Run::query()->where('experiment_id', $experiment->id)->pluck('id')->all();
        $lines = DB::table('lines')->where('experiment_id', $experiment->id)->pluck('id')->all();
        $stored = [$of('experiments', 'id', [$experiment->id]), $of('entry_values', 'run_id', $runs), $of('readings', 'run_id', $runs), $of('set_asides', 'run_id', $runs), $of('line_inputs', 'line_id', $lines)];
        foreach (['entries', 'columns', 'spans', 'figures', 'lines', 'runs'] as $table) {
            $stored[] = $of($table, 'experiment_id', [$experiment->id]);
        }

        $columns = $experiment->columns()->get();
        foreach ($experiment->runs()->where('kind', Run::TYPED)->get() as $run) {
            $data = TypedRows::of($run, $columns)->data();
            $stored[] = [$data->unreadable, array_map(static fn (string $symbol): array => array_map(strval(...), $data->column($symbol)->values ?? []), $data->symbols())];
        }

        return json_encode($stored, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT);
    }
}

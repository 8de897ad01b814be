<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use App\Models\User;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;
use Welkion\Standins\World\Alder;

final class ExperimentTest extends TestCase
{
    public function test_a_new_experiment_brings_what_its_protocol_has_and_no_values(): void
    {
        $teacher = $this->teacher();
        $bench = $this->benchOf($teacher);
        $this->actingAs($teacher);

        $body = ['title' => ' How salty is the brine? ', 'protocol' => 'titration', 'benchId' => $bench->id];
        $key = ['Request-Key' => (string) Str::uuid()];
        $created = $this->json('POST', '/api/experiments', $body, $key)->assertCreated()->assertJsonPath('title', 'How salty is the brine?');
        $this->json('POST', '/api/experiments', $body, $key)->assertCreated()->assertJsonPath('id', $created->json('id'));
        self::assertSame([['c', null], ['V0', null], ['r', 1], ['M', null]], array_map(
            static fn (array $entry): array => [$entry['symbol'], $entry['value']], array_slice($created->json('entries'), 3),
        ));
        self::assertSame(['V', 'pH', 'E', 'T', 'dpH', 'ddpH'], $created->json('columns.*.symbol'));
        self::assertSame(['Veq', 'pKa', 'n', 'c_s', 'beta'], $created->json('lines.*.symbol'));
        $this->getJson('/api/experiments')->assertOk()->assertJsonPath('0.stages.prepare', false);
        $this->getJson("/api/experiments/{$created->json('id')}/worked")->assertOk()->assertJsonPath('worked', []);
    }

    public function test_a_blank_experiment_needs_no_bench(): void
    {
        $this->actingAs($this->teacher());
        $this->postJson('/api/experiments', ['title' => 'Thoughts', 'protocol' => 'blank', 'benchId' => null])->assertCreated()
            ->assertJsonPath('bench', null)->assertJsonPath('lines', []);
    }

    public function test_bad_input_gets_a_sentence_and_changes_nothing(): void
    {
        $teacher = $this->teacher();
        $bench = $this->benchOf($teacher);
        $experiment = $this->experimentOf($teacher, $bench);
        $this->actingAs($teacher);

        self::assertSame('Give the experiment a title, for example a question.', $this->patchJson("/api/experiments/{$experiment->id}", ['title' => ''])->assertUnprocessable()->json('detail'));
        self::assertSame('Give the experiment a title, for example a question.', $this->postJson('/api/experiments', ['protocol' => 'titration', 'benchId' => $bench->id])->json('detail'));
        $this->postJson('/api/experiments', ['title' => 'x', 'protocol' => 'alchemy', 'benchId' => null])->assertUnprocessable()
            ->assertJsonPath('detail', 'This protocol does not exist any more. Choose another.');
        self::assertSame(0, $experiment->refresh()->revision);
        $this->postJson('/api/experiments', ['title' => 'x', 'protocol' => 'titration', 'benchId' => $this->benchOf($this->teacher())->id])->assertForbidden();
    }

    public function test_the_demo_run_works_out_to_the_truth_of_its_bench(): void
    {
        $experiment = $this->demo('Monday’s whey, fresh from the vat');

        self::assertAgrees(Alder::WHEY_ACID, $this->lineOf($experiment->id, 'c_s')['result']);
        self::assertAgrees(3.86, $this->lineOf($experiment->id, 'pKa')['result']);
        self::assertSame('g/L', $this->lineOf($experiment->id, 'beta')['result']['unit']);
    }

    public function test_a_typed_value_a_span_and_a_point_set_aside_change_what_rests_on_them_and_undo_takes_all_back(): void
    {
        $experiment = $this->demo('How sour is Tuesday’s whey?');
        $runs = $experiment->runs()->orderBy('number')->get();
        $run = $runs->firstOrFail()->id;
        $of = fn (string $symbol): array => $this->lineOf($experiment->id, $symbol, $run);
        $before = $of('c_s')['result'];
        $volume = $experiment->entries()->where('symbol', 'V0')->firstOrFail();
        $line = $experiment->lines()->where('symbol', 'Veq')->firstOrFail();
        $column = $experiment->columns()->where('symbol', 'V')->firstOrFail();

        $answer = $this->putJson("/api/experiments/{$experiment->id}/entries/{$volume->id}/value", ['typed' => '50 +- 0.05'])->assertOk();
        self::assertEqualsWithDelta($before['value'] / 2, $of('c_s')['result']['value'], 1e-12);
        self::assertSame(['beta', 'c_s'], collect($answer->json('worked.*.symbol'))->unique()->sort()->values()->all(), 'Only what rests on it is told again.');

        $this->patchJson("/api/experiments/{$experiment->id}/lines/{$line->id}", ['span' => ['columnId' => $column->id, 'name' => 'late', 'from' => 18, 'to' => 12]])->assertOk();
        self::assertNull($of('n')['result']);
        self::assertSame('Needs line ①.', $of('n')['needs']);
        $this->undo($experiment)->assertJsonPath('redo', 'Changed line “Equivalence volume”');

        $reading = collect($this->rowsOf($run))->firstWhere('step', 11);
        $found = $of('Veq')['result'];
        $this->putJson("/api/runs/{$run}/set-aside", ['readings' => [$reading['id']], 'reason' => 'only to see what changes'])->assertOk();
        self::assertGreaterThan($found['uncertainty'], $of('Veq')['result']['uncertainty']);
        $this->undo($experiment);
        self::assertSame($found, $of('Veq')['result']);
        $this->undo($experiment);
        self::assertSame($before, $of('c_s')['result']);
    }

    public function test_is_found_by_its_words_thrown_away_brought_back_and_copied(): void
    {
        $teacher = $this->teacher();
        $experiment = $this->experimentOf($teacher, $this->silentBenchOf($teacher), title: 'Sour 100 % cherries');
        $this->experimentOf($teacher, null, 'gas-in-a-syringe', 'Air in a syringe');
        $this->actingAs($teacher);
        $found = fn (string $q): array => $this->getJson('/api/experiments?search='.rawurlencode($q))->assertOk()->json('*.title');
        self::assertSame(['Sour 100 % cherries'], $found('CHERR'));
        self::assertSame(['Sour 100 % cherries'], $found('0 %'));
        self::assertSame([], $found('0_%'));
        self::assertSame(['Sour 100 % cherries'], $found('titra'));

        $entry = $experiment->entries()->where('symbol', 'c')->firstOrFail();
        $this->putJson("/api/experiments/{$experiment->id}/entries/{$entry->id}/value", ['typed' => '0.2'])->assertOk();
        $copy = $this->postJson("/api/experiments/{$experiment->id}/copy", ['withRuns' => false])->assertCreated();
        self::assertNotSame($experiment->id, $copy->json('id'));
        self::assertSame(0.2, collect($copy->json('entries'))->firstWhere('symbol', 'c')['value']);

        $this->deleteJson("/api/experiments/{$experiment->id}")->assertNoContent();
        self::assertNotContains('Sour 100 % cherries', $found('Sour 100 % cherries'));
        self::assertSame(['Sour 100 % cherries'], $this->getJson('/api/experiments?thrownAway=1')->assertOk()->json('*.title'));
        $this->postJson("/api/experiments/{$experiment->id}/bring-back")->assertOk();
        self::assertContains('Sour 100 % cherries', $found('cherries'));
    }

    private function undo(Experiment $experiment): TestResponse
    {
        return $this->postJson("/api/experiments/{$experiment->id}/undo")->assertOk();
    }

    private function demo(string $title): Experiment
    {
        $teacher = User::query()->where('email', DatabaseSeeder::TEACHER_EMAIL)->firstOrFail();
        $this->actingAs($teacher);

        return Experiment::query()->where('user_id', $teacher->id)->where('title', $title)->firstOrFail();
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Experiment;
use App\Models\User;
use Database\Seeders\DatabaseSeeder;
use Tests\TestCase;
use Welkion\Standins\World\Alder;

final class ExperimentTest extends TestCase
{
    public function test_a_new_experiment_brings_the_entries_its_protocol_needs_empty(): void
    {
        $teacher = $this->teacher();
        $bench = $this->benchOf($teacher);
        $this->actingAs($teacher);

        $created = $this->postJson('/api/experiments', ['title' => ' How salty is the brine? ', 'protocol' => 'titration', 'benchId' => $bench->id])
            ->assertCreated()->assertJsonPath('title', 'How salty is the brine?');
        self::assertSame([['c', null], ['V0', null], ['r', 1], ['M', null]], array_map(
            static fn (array $entry): array => [$entry['symbol'], $entry['value']], $created->json('entries'),
        ));
        $this->getJson('/api/experiments')->assertOk()->assertJsonPath('0.stages.prepare', false);
        $this->getJson("/api/experiments/{$created->json('id')}/working")->assertNotFound();
    }

    public function test_bad_input_gets_a_sentence_and_changes_nothing(): void
    {
        $teacher = $this->teacher();
        $bench = $this->benchOf($teacher);
        $experiment = $this->experimentOf($teacher, $bench);
        $this->actingAs($teacher);
        $change = fn (array $body) => $this->patchJson("/api/experiments/{$experiment->id}", $body)->assertUnprocessable()->json('detail');

        self::assertSame('An experiment needs a title.', $change(['title' => '']));
        self::assertSame('The value must be a number from 1e-9 to 1e9.', $change(['entries' => [['symbol' => 'V0', 'value' => 'much']]]));
        self::assertSame('The value must be a number from 1e-9 to 1e9.', $change(['entries' => [['symbol' => 'V0', 'value' => -3]]]));
        self::assertSame('A value in g cannot be given in mL: they measure different things.', $change(['entries' => [['symbol' => 'V0', 'value' => 3, 'unit' => 'g']]]));
        self::assertSame('"drops" is not a unit Welkion knows. Write it like mL, mol/L, mV or °C.', $change(['entries' => [['symbol' => 'V0', 'value' => 3, 'unit' => 'drops']]]));
        self::assertSame('Give the experiment a title, for example a question.', $this->postJson('/api/experiments', ['protocol' => 'titration', 'benchId' => $bench->id])->json('detail'));
        self::assertEquals($experiment->entries, $experiment->refresh()->entries);
        $this->postJson('/api/experiments', ['title' => 'x', 'protocol' => 'titration', 'benchId' => $this->benchOf($this->teacher())->id])->assertForbidden();
    }

    public function test_fields_sent_one_by_one_do_not_write_over_each_other(): void
    {
        $teacher = $this->teacher();
        $experiment = $this->experimentOf($teacher, $this->benchOf($teacher));
        $this->actingAs($teacher);

        $this->patchJson("/api/experiments/{$experiment->id}", ['entries' => [['symbol' => 'V0', 'value' => 25]]])->assertOk();
        $this->patchJson("/api/experiments/{$experiment->id}", ['entries' => [['symbol' => 'V0', 'uncertainty' => 0.03]]])->assertOk();
        $this->patchJson("/api/experiments/{$experiment->id}", ['conclusion' => 'Salty.'])->assertOk();

        self::assertEquals(['value' => 25, 'uncertainty' => 0.03, 'unit' => 'mL'], $experiment->refresh()->entries['V0']);
        $this->patchJson("/api/experiments/{$experiment->id}", ['entries' => [['symbol' => 'V0', 'value' => null]]])->assertOk();
        self::assertNull($experiment->refresh()->entries['V0']['value']);
    }

    public function test_the_demo_run_works_out_to_the_truth_of_its_bench(): void
    {
        $experiment = $this->demo('Monday’s whey, fresh from the vat');

        $lines = collect($this->getJson("/api/experiments/{$experiment->id}/working")->assertOk()->json('lines'))->keyBy('key');

        $concentration = $lines['concentration']['result'];
        self::assertAgrees(Alder::WHEY_ACID, $concentration);
        self::assertAgrees(3.86, $lines['half-equivalence']['result']);
        self::assertSame('g/L', $lines['mass-concentration']['result']['unit']);
    }

    public function test_a_typed_value_a_span_and_a_point_set_aside_change_what_rests_on_them(): void
    {
        $experiment = $this->demo('How sour is Tuesday’s whey?');
        $of = fn (string $key) => collect($this->getJson("/api/experiments/{$experiment->id}/working")->json('lines'))->firstWhere('key', $key);
        $before = $of('concentration')['result'];

        $this->patchJson("/api/experiments/{$experiment->id}", ['entries' => [['symbol' => 'V0', 'value' => 50, 'uncertainty' => 0.05]]])->assertOk();
        self::assertEqualsWithDelta($before['value'] / 2, $of('concentration')['result']['value'], 1e-12);

        $this->patchJson("/api/experiments/{$experiment->id}", ['span' => [12, 18]])->assertOk()->assertJsonPath('span', [12, 18]);
        self::assertNull($of('amount')['result']);
        self::assertSame('Needs line ①.', $of('amount')['needs']);
        $this->patchJson("/api/experiments/{$experiment->id}", ['span' => null])->assertOk();

        $reading = collect($this->getJson("/api/experiments/{$experiment->id}/working")->json('readings'))->firstWhere('volume', 11);
        $volume = $of('equivalence-volume')['result'];
        $this->patchJson("/api/readings/{$reading['id']}", ['setAsideReason' => 'only to see what changes'])->assertOk();
        self::assertGreaterThan($volume['uncertainty'], $of('equivalence-volume')['result']['uncertainty']);
        $this->patchJson("/api/readings/{$reading['id']}", ['setAsideReason' => null])->assertOk();
        self::assertSame($volume, $of('equivalence-volume')['result']);
        $this->patchJson("/api/experiments/{$experiment->id}", ['entries' => [['symbol' => 'V0', 'value' => 25, 'uncertainty' => 0.03]]])->assertOk();
    }

    private function demo(string $title): Experiment
    {
        $teacher = User::query()->where('email', DatabaseSeeder::TEACHER_EMAIL)->firstOrFail();
        $this->actingAs($teacher);

        return Experiment::query()->where('user_id', $teacher->id)->where('title', $title)->firstOrFail();
    }
}

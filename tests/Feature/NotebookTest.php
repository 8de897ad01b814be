<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Entry;
use App\Models\Experiment;
use App\Models\ProtocolFile;
use App\Models\User;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Entries, columns, lines, spans and figures of a notebook, changed as the screens change them. */
final class NotebookTest extends TestCase
{
    private Experiment $experiment;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->experiment = $this->experimentOf($teacher, null);
        $this->actingAs($teacher);
    }

    /** @return iterable<string, array{string, string|null, float|null, float, string|null}> symbol, typed, value, uncertainty, what is said */
    public static function typed(): iterable
    {
        yield 'with a decimal comma' => ['V0', '25,0', 25.0, 0.0, null];
        yield 'with a power of ten' => ['c', '1.2e-3', 0.0012, 0.0, null];
        yield 'with its ±' => ['V0', '25.0 ± 0.1', 25.0, 0.1, null];
        yield 'with its own unit' => ['V0', '25 mL', 25.0, 0.0, null];
        yield 'with another unit' => ['V0', '0,025 L', 25.0, 0.0, '0.025 L is 25 mL.'];
        yield 'empty again' => ['r', null, null, 0.0, null];
        yield 'a zero' => ['V0', '0', 0.0, 0.0, null];
    }

    #[DataProvider('typed')]
    public function test_an_entry_takes_what_people_type(string $symbol, ?string $typed, ?float $value, float $uncertainty, ?string $said): void
    {
        $this->type($symbol, ['typed' => $typed])->assertOk()->assertJsonPath('said', $said);
        $entry = $this->experiment->entries()->where('symbol', $symbol)->firstOrFail();

        self::assertSame([$value, $uncertainty], [$entry->value, $entry->uncertainty]);
    }

    public function test_an_entry_refuses_what_is_none_and_keeps_what_was_there(): void
    {
        $this->type('V0', ['typed' => '25'])->assertOk();
        $refused = fn (array $typed): string => (string) $this->type('V0', $typed)->assertUnprocessable()->json('detail');

        self::assertSame('"much" is no number. Write one like 25.0, 25,0, 1.2e-3, 25.0 ± 0.1 or 25 mL.', $refused(['typed' => 'much']));
        self::assertSame('A value in g cannot be given in mL: they measure different things.', $refused(['typed' => '3 g']));
        self::assertStringContainsString('"drops" is not a unit Welkion knows.', $refused(['typed' => '3 drops']));
        self::assertSame('The value must be 0, or between 1e-15 and 1e15 in size.', $refused(['typed' => '1e300']));
        self::assertSame('The ± must be 0, or between 1e-15 and 1e15 in size.', $refused(['typed' => '1', 'uncertainty' => '1e20']));
        self::assertSame(25.0, $this->experiment->entries()->where('symbol', 'V0')->firstOrFail()->value);
    }

    public function test_a_word_stands_in_every_name_that_speaks_of_it(): void
    {
        $answer = $this->type('titrant', ['text' => 'KOH'])->assertOk();
        self::assertSame('KOH', $answer->json('changed.0.value.text'));
        $notebook = $this->getJson($this->path())->json();
        self::assertSame('Volume of KOH added', $notebook['columns'][0]['shownName']);
        self::assertSame('add KOH to', $notebook['plan']['stepWords']);
    }

    public function test_an_entry_of_each_run_has_a_value_in_each(): void
    {
        $run = $this->storedRunOf($this->experiment);
        $id = $this->postJson($this->path('entries'), ['symbol' => 'm', 'name' => 'Mass', 'unit' => 'g', 'isPerRun' => true])->assertCreated()->json('made');
        $this->putJson($this->path("entries/{$id}/value"), ['typed' => '3'])->assertUnprocessable()->assertJsonPath('detail', 'Say for which run m is: it is typed for each of them.');
        $this->putJson($this->path("entries/{$id}/value"), ['typed' => '3 ± 0.1', 'runId' => $run->id])->assertOk()
            ->assertJsonPath('changed.0.value.ofRuns', [['runId' => $run->id, 'value' => 3, 'uncertainty' => 0.1]]);
        $this->putJson($this->path("entries/{$id}/value"), ['typed' => '3', 'runId' => 999_999_999])->assertNotFound();
        $this->postJson($this->path('entries'), ['symbol' => 'w', 'name' => 'Word', 'isPerRun' => true, 'isWords' => true])->assertUnprocessable();
        self::assertContains(['kind' => 'entry', 'id' => $id, 'value' => null], $this->deleteJson($this->path("entries/{$id}"))->assertOk()->json('changed'));
    }

    public function test_a_new_symbol_is_written_into_all_that_uses_it(): void
    {
        $ids = $this->ids('columns');
        $this->patchJson($this->path("columns/{$ids['pH']}"), ['symbol' => 'p'])->assertOk();
        $this->patchJson($this->path("columns/{$ids['V']}"), ['symbol' => 'Vol'])->assertOk();
        $this->patchJson($this->path('lines/'.$this->ids('lines')['Veq']), ['symbol' => 'Ve'])->assertOk();
        $this->patchJson($this->path('entries/'.$this->ids('entries')['c']), ['symbol' => 'ct'])->assertOk();
        $notebook = $this->getJson($this->path())->assertOk()->json();
        $columns = array_column($notebook['columns'], null, 'symbol');
        $lines = array_column($notebook['lines'], null, 'symbol');

        self::assertSame('derivative(p, Vol)', $columns['dpH']['formula']);
        self::assertSame('ct * Ve * r', str_replace('*', ' * ', str_replace(' ', '', $lines['n']['texts']['formula'])));
        self::assertSame(['x' => 'Vol', 'y' => 'p', 'volume' => 'Ve'], $lines['pKa']['uses']);
        self::assertSame(['Vol', [['p'], ['dpH']]], [$notebook['figures'][0]['x'], array_column($notebook['figures'][0]['panels'], 'y')]);
        $this->patchJson($this->path("columns/{$ids['pH']}"), ['symbol' => 'Vol'])->assertUnprocessable()->assertJsonPath('detail', 'The symbol "Vol" is used here already. Choose another.');
        $this->patchJson($this->path("columns/{$ids['pH']}"), ['symbol' => '2p'])->assertUnprocessable();
    }

    public function test_columns_are_added_changed_and_removed(): void
    {
        $add = fn (array $column): TestResponse => $this->postJson($this->path('columns'), $column);
        $derived = $add(['kind' => 'derived', 'symbol' => 'd', 'name' => 'Twice', 'unit' => 'mL', 'formula' => '2 * V'])->assertCreated()->json('made');
        $add(['kind' => 'derived', 'symbol' => 'e', 'name' => 'Bad', 'formula' => '2 * ('])->assertUnprocessable();
        $add(['kind' => 'derived', 'symbol' => 'e', 'name' => 'None'])->assertUnprocessable()->assertJsonPath('detail', 'Write the formula, as P * V.');
        $add(['kind' => 'measured', 'symbol' => 'e', 'name' => 'None'])->assertUnprocessable()->assertJsonPath('detail', 'Choose the probe that measures it.');
        $add(['kind' => 'measured', 'symbol' => 'k', 'name' => 'Conductivity', 'probeKind' => 'conductivity-cell'])->assertCreated();
        self::assertSame('conductivity-cell', collect($this->getJson($this->path())->json('plan.roles'))->last()['kind'], 'A role comes with it.');
        $this->patchJson($this->path("columns/{$derived}"), ['formula' => '3 * V', 'decimals' => 1])->assertOk()->assertJsonPath('changed.0.value.formula', '3 * V');
        $this->patchJson($this->path("columns/{$derived}"), ['decimals' => 10])->assertUnprocessable();
        $this->deleteJson($this->path("columns/{$derived}"))->assertOk()->assertJsonPath('changed.0.value', null);
    }

    public function test_a_line_says_what_is_wrong_with_it_and_the_others_go_on(): void
    {
        $add = fn (string $symbol, string $formula): TestResponse => $this->postJson($this->path('lines'), ['method' => 'formula', 'symbol' => $symbol, 'texts' => ['formula' => $formula], 'isPerRun' => false]);
        $this->type('c', ['typed' => '0.1'])->assertOk();
        $this->type('V0', ['typed' => '25'])->assertOk();
        $add('good', 'c * V0')->assertCreated()->assertJsonPath('worked.0.result.unit', 'mmol');
        $add('units', 'c + V0')->assertCreated()->assertJsonPath('worked.0.result', null);
        $add('unknown', 'c * nothing')->assertCreated()->assertJsonPath('worked.0.result', null);
        $add('circle', 'circle + 1')->assertCreated()->assertJsonPath('worked.0.result', null);
        $add('broken', 'c *')->assertUnprocessable();
        $worked = array_column($this->getJson($this->path('worked'))->assertOk()->json('worked'), null, 'symbol');

        self::assertEqualsWithDelta(2.5, $worked['good']['result']['value'], 1e-12);
        foreach (['units', 'unknown', 'circle'] as $symbol) {
            self::assertNotNull($worked[$symbol]['problem'] ?? $worked[$symbol]['needs'], $symbol);
        }
        $this->postJson($this->path('lines'), ['method' => 'alchemy'])->assertUnprocessable()->assertJsonPath('detail', 'There is no method "alchemy".');
        $this->postJson($this->path('lines'), ['method' => 'slope', 'uses' => ['x' => 'V', 'z' => 'pH']])->assertUnprocessable();
        $this->postJson($this->path('lines'), ['method' => 'slope', 'uses' => ['x' => 'V', 'y' => 'gone']])->assertUnprocessable();
    }

    public function test_a_line_is_moved_copied_and_given_a_span(): void
    {
        $lines = $this->ids('lines');
        $this->patchJson($this->path("lines/{$lines['beta']}"), ['place' => 1])->assertOk();
        self::assertSame(['beta', 'Veq', 'pKa', 'n', 'c_s'], array_keys($this->ids('lines')));
        $copy = $this->postJson($this->path("lines/{$lines['Veq']}/copy"))->assertCreated();
        self::assertSame(['beta', 'Veq', 'Veq1', 'pKa', 'n', 'c_s'], array_keys($this->ids('lines')));
        self::assertNotNull($copy->json('made'));
        $added = $this->postJson($this->path('lines'), ['method' => 'formula', 'symbol' => 'last', 'texts' => ['formula' => '2*c']])->assertCreated();
        self::assertSame('last', array_key_last($this->ids('lines')));
        $this->postJson($this->path("lines/{$added->json('made')}/copy"))->assertCreated();
        self::assertSame(['last', 'last1'], array_slice(array_keys($this->ids('lines')), -2));
        $this->postJson($this->path('entries'), ['symbol' => 'm', 'name' => 'Mass', 'unit' => 'g'])->assertCreated();
        self::assertSame('m', array_key_last($this->ids('entries')));
        $column = $this->ids('columns')['V'];
        $this->patchJson($this->path("lines/{$lines['Veq']}"), ['span' => ['columnId' => $column, 'name' => 'jump', 'from' => 12, 'to' => 9]])->assertOk();
        $span = $this->getJson($this->path())->json('spans.0');
        self::assertEquals([9, 12, 'jump'], [$span['from'], $span['to'], $span['name']]);
        $this->patchJson($this->path("spans/{$span['id']}"), ['from' => 8.5])->assertOk()->assertJsonPath('changed.0.value.from', 8.5);
        $this->patchJson($this->path("lines/{$lines['Veq']}"), ['spanId' => null])->assertOk();
        $this->deleteJson($this->path("spans/{$span['id']}"))->assertOk();
        $this->postJson($this->path('spans'), ['columnId' => $column, 'name' => '', 'from' => 'a', 'to' => 2])->assertUnprocessable();
    }

    public function test_a_column_goes_with_its_spans_and_lines_stay_without_them(): void
    {
        $line = $this->ids('lines')['Veq'];
        $column = $this->ids('columns')['V'];
        $this->patchJson($this->path("lines/{$line}"), ['span' => ['columnId' => $column, 'name' => 'jump', 'from' => 9, 'to' => 12]])->assertOk();
        $told = fn (): array => [array_column($this->getJson($this->path())->json('lines'), 'spanId', 'id')[$line] !== null, count($this->getJson($this->path())->json('spans'))];
        self::assertSame([true, 1], $told());
        $this->deleteJson($this->path("columns/{$column}"))->assertOk();
        self::assertSame([false, 0], $told());
        $this->postJson($this->path('undo'))->assertOk();
        self::assertSame([true, 1], $told());
        $span = $this->getJson($this->path())->json('spans.0.id');
        $this->deleteJson($this->path("spans/{$span}"))->assertOk();
        self::assertSame([false, 0], $told());
    }

    public function test_the_library_has_every_protocol_file_and_nothing_else(): void
    {
        $files = array_diff(array_map(static fn (string $f): string => basename($f, '.json'), glob(resource_path('protocols/*.json')) ?: []), ['protocol.schema']);

        self::assertEqualsCanonicalizing(array_values($files), $this->getJson('/api/protocols')->assertOk()->json('*.key'));
    }

    public function test_a_notebook_holds_two_hundred_of_a_kind(): void
    {
        $rows = array_map(fn (int $i): array => ['experiment_id' => $this->experiment->id, 'symbol' => "e{$i}", 'name' => "Entry {$i}", 'unit' => 'g', 'position' => $i], range(1, 200 - $this->experiment->entries()->count() - 1));
        Entry::query()->insert($rows);
        $add = fn (string $symbol): TestResponse => $this->postJson($this->path('entries'), ['symbol' => $symbol, 'name' => 'One more', 'unit' => 'g']);
        $add('last')->assertCreated();
        $add('over')->assertConflict()->assertJsonPath('detail', 'This notebook has 200 of these already, which is all it can hold. Remove some that are not needed, or begin another experiment.');
        $this->postJson($this->path('lines'), ['method' => 'formula', 'texts' => ['formula' => 'e1 + e2']])->assertCreated();
    }

    public function test_a_text_of_a_line_is_emptied_again(): void
    {
        $id = $this->postJson($this->path('lines'), ['method' => 'formula', 'texts' => ['formula' => '2 [L]', 'unit' => 'mL']])->assertCreated()->assertJsonPath('worked.0.result.unit', 'mL')->json('made');
        $this->patchJson($this->path("lines/{$id}"), ['texts' => ['formula' => '2 [L]', 'unit' => '']])->assertOk()->assertJsonPath('worked.0.result.unit', 'L');
    }

    public function test_figures_draw_columns_that_are_there_in_at_most_four_panels(): void
    {
        $panels = static fn (string ...$symbols): array => array_map(static fn (string $s): array => ['y' => [$s]], array_values($symbols));
        $made = $this->postJson($this->path('figures'), ['title' => 'All', 'x' => 'V', 'panels' => $panels('pH', 'dpH', 'ddpH', 'T')])->assertCreated()->json('made');
        $this->postJson($this->path('figures'), ['x' => 'V', 'panels' => $panels('pH', 'dpH', 'ddpH', 'T', 'V')])->assertUnprocessable()->assertJsonPath('detail', 'A figure has at most 4 panels.');
        $this->postJson($this->path('figures'), ['x' => 'V', 'panels' => $panels('gone')])->assertUnprocessable()->assertJsonPath('detail', '"gone" is no column here.');
        $this->patchJson($this->path("figures/{$made}"), ['x' => 'T', 'panels' => $panels('pH')])->assertOk()->assertJsonPath('changed.0.value.x', 'T');
        // Two changes that cross each other: each changes its own part.
        $this->patchJson($this->path("figures/{$made}"), ['x' => 'V'])->assertOk()->assertJsonPath('changed.0.value.x', 'V')->assertJsonPath('changed.0.value.panels.*.y', [['pH']]);
        $this->patchJson($this->path("figures/{$made}"), ['panels' => $panels('T')])->assertOk()->assertJsonPath('changed.0.value.x', 'V')->assertJsonPath('changed.0.value.panels.*.y', [['T']]);
        $this->patchJson($this->path("figures/{$made}"), ['panels' => []])->assertUnprocessable();
        $this->patchJson($this->path("figures/{$made}"), ['x' => 'nothing'])->assertUnprocessable();
        $this->deleteJson($this->path("figures/{$made}"))->assertOk()->assertJsonPath('changed.0.value', null);
    }

    public function test_the_axes_of_a_figure_are_drawn_as_they_are_wished_and_the_data_stay(): void
    {
        $made = $this->postJson($this->path('figures'), [
            'x' => 'V', 'axis' => ['unit' => 'L', 'from' => 0, 'to' => 0.025, 'label' => 'what was added'], 'points' => 'apart', 'bars' => true, 'coloursBy' => 'condition', 'caption' => 'Taken on a warm day.',
            'panels' => [['y' => ['pH'], 'axis' => ['from' => 1.5], 'right' => ['T'], 'rightAxis' => ['unit' => 'K', 'scale' => 'log']]],
        ])->assertCreated()->json();
        $plain = ['scale' => 'linear', 'from' => null, 'to' => null, 'unit' => null, 'label' => null, 'shown' => []];
        $drawn = array_diff_key($made['changed'][0]['value'], ['id' => 0, 'position' => 0]);
        self::assertEquals([
            'title' => '', 'shownTitle' => '', 'x' => 'V', 'axis' => ['scale' => 'linear', 'from' => 0, 'to' => 0.025, 'unit' => 'L', 'label' => 'what was added', 'shown' => ['V' => ['factor' => 0.001, 'offset' => 0]]],
            'panels' => [[
                'y' => ['pH'], 'axis' => ['from' => 1.5] + $plain, 'right' => ['T'],
                'rightAxis' => ['scale' => 'log', 'from' => null, 'to' => null, 'unit' => 'K', 'label' => null, 'shown' => ['T' => ['factor' => 1, 'offset' => 273.15]]],
            ]],
            'points' => 'apart', 'bars' => true, 'coloursBy' => 'condition', 'caption' => 'Taken on a warm day.', 'doubt' => null,
        ], $drawn);
        $path = $this->path("figures/{$made['made']}");

        // What is left out stays, what is given as nothing is as usual again.
        $this->patchJson($path, ['axis' => null, 'caption' => ''])->assertOk()->assertJsonPath('changed.0.value.axis', $plain)->assertJsonPath('changed.0.value.caption', null)->assertJsonPath('changed.0.value.points', 'apart');
        $this->postJson($this->path('undo'))->assertOk()->assertJsonPath('changed.0.value.axis.unit', 'L')->assertJsonPath('changed.0.value.caption', 'Taken on a warm day.');
        foreach ([
            [['axis' => ['unit' => 'kg']], 'kg'], [['axis' => ['from' => 5, 'to' => 3]], 'An axis that ends at 3 cannot begin at 5. Begin it lower, or end it higher.'],
            [['axis' => ['scale' => 'log', 'from' => 0]], 'A logarithmic axis has no place for 0 and what is below. Begin it above 0.'],
            [['axis' => ['from' => '5']], 'An axis goes from a number to a number'], [['points' => 'dashed'], ''], [['coloursBy' => 'mood'], ''], [['bars' => 1], ''], [['axis' => ['label' => str_repeat('a', 121)]], 'An axis is called by at most 120 letters.'],
            [['panels' => [['y' => ['pH'], 'right' => ['pH']]]], '"pH" is drawn at the left and cannot be at the right, too.'],
        ] as [$change, $sentence]) {
            self::assertStringContainsString($sentence, (string) $this->patchJson($path, $change)->assertUnprocessable()->json('detail'));
        }

        // A column that measures something else by now is drawn as it is, and goes by its new name.
        $this->patchJson($this->path('columns/'.$this->ids('columns')['T']), ['symbol' => 'theta', 'unit' => 'kPa', 'keepsNumbers' => true])->assertOk();
        $this->getJson($this->path())->assertOk()->assertJsonPath('figures.'.(count($this->getJson($this->path())->json('figures')) - 1).'.panels.0.right', ['theta'])
            ->assertJsonPath('figures.'.(count($this->getJson($this->path())->json('figures')) - 1).'.panels.0.rightAxis.shown', []);
    }

    public function test_a_column_that_shows_its_raw_signal_is_worked_out_anew(): void
    {
        $teacher = $this->experiment->user_id;
        $bench = $this->silentBenchOf(User::query()->findOrFail($teacher));
        $this->plugIn($bench, [['name' => 'ph', 'kind' => 'ph-electrode', 'title' => 'pH electrode', 'serial' => Str::random(8), 'unit' => 'mV', 'resolution' => 0.1, 'fastestHz' => 10.0, 'stated' => ['slope' => -57.0, 'offset' => 400.0]]]);
        $run = $this->storedRunOf($this->experiment);
        $channel = $run->channels()->create(['probe_id' => $bench->probes()->firstOrFail()->id, 'role' => 'electrode']);
        $reading = $run->readings()->create(['row' => 1, 'request_key' => (string) Str::uuid(), 'step' => 0.0, 'taken_at' => 1.0, 'was_steady' => true]);
        $reading->cells()->create(['run_channel_id' => $channel->id, 'mean' => 58.0, 'scatter' => 0.1, 'sample_count' => 40]);
        $made = $this->postJson($this->path('lines'), ['method' => 'statistics', 'symbol' => 'mu', 'isPerRun' => true, 'uses' => ['column' => 'E']])->assertCreated();
        $mean = fn (): mixed => array_column($this->lineOf($this->experiment->id, 'mu')['outcomes'], 'measured', 'name')['mean']['value'];
        self::assertNotNull($made->json('made'));
        self::assertEqualsWithDelta(58.0, $mean(), 1e-9);
        $column = $this->ids('columns')['E'];
        $this->patchJson($this->path("columns/{$column}"), ['isRaw' => false, 'unit' => 'pH'])->assertOk()->assertJsonPath('changesCells', true);
        self::assertEqualsWithDelta(6.0, $mean(), 0.1, 'By the stated line, at the usual temperature.');
        $this->patchJson($this->path("columns/{$column}"), ['isRaw' => true, 'unit' => 'mV'])->assertOk();
        self::assertEqualsWithDelta(58.0, $mean(), 1e-9);
        $this->patchJson($this->path("columns/{$column}"), ['role' => ['a' => 1], 'name' => 'Signal'])->assertOk()->assertJsonPath('changed.0.value.role', 'electrode');
    }

    public function test_a_column_in_the_place_of_another_does_not_show_what_the_other_came_to(): void
    {
        $bench = $this->silentBenchOf(User::query()->findOrFail($this->experiment->user_id));
        $this->plugIn($bench, [['name' => 't', 'kind' => 'thermometer', 'title' => 'Temperature', 'serial' => Str::random(8), 'unit' => '°C', 'resolution' => 0.1, 'fastestHz' => 10.0, 'stated' => ['slope' => 1.0, 'offset' => 0.0]]]);
        $run = $this->storedRunOf($this->experiment);
        $channel = $run->channels()->create(['probe_id' => $bench->probes()->firstOrFail()->id, 'role' => 'thermometer']);
        $reading = $run->readings()->create(['row' => 1, 'request_key' => (string) Str::uuid(), 'step' => 0.0, 'taken_at' => 1.0, 'was_steady' => true]);
        $reading->cells()->create(['run_channel_id' => $channel->id, 'mean' => 21.5, 'scatter' => 0.1, 'sample_count' => 40]);
        $this->postJson($this->path('lines'), ['method' => 'statistics', 'symbol' => 'warmth', 'isPerRun' => true, 'uses' => ['column' => 'T']])->assertCreated();
        self::assertNotNull($this->lineOf($this->experiment->id, 'warmth')['result']);

        $this->deleteJson($this->path('columns/'.$this->ids('columns')['T']))->assertOk();
        $this->postJson($this->path('columns'), ['kind' => 'measured', 'symbol' => 'T', 'name' => 'Temperature of the room', 'unit' => '°C', 'probeKind' => 'thermometer'])->assertCreated();
        $this->patchJson($this->path('lines/'.$this->ids('lines')['warmth']), ['uses' => ['column' => 'T']])->assertOk();
        $now = $this->lineOf($this->experiment->id, 'warmth');
        self::assertNull($now['result']);
        self::assertStringContainsString('Run 1 has no T: it was recorded without it.', $now['needs'].$now['problem']);
    }

    public function test_what_changes_cells_of_rows_says_so(): void
    {
        $baths = $this->postJson('/api/experiments', ['title' => 'x', 'protocol' => 'three-baths', 'benchId' => null])->assertCreated();
        $entry = array_column($baths->json('entries'), 'id', 'symbol')['d'];
        $this->putJson("/api/experiments/{$baths->json('id')}/entries/{$entry}/value", ['typed' => '20'])->assertOk()->assertJsonPath('changesCells', true);
        $this->type('c', ['typed' => '0.1'])->assertOk()->assertJsonPath('changesCells', false);
        $this->patchJson($this->path(), ['conclusion' => 'Sour.'])->assertOk()->assertJsonPath('changesCells', false);
    }

    public function test_numbers_typed_into_a_line_go_along_into_a_protocol(): void
    {
        $number = ['value' => 5, 'uncertainty' => 0.1, 'unit' => 'mL'];
        $this->postJson($this->path('lines'), ['method' => 'value-at', 'symbol' => 'at5', 'isPerRun' => true, 'uses' => ['x' => 'V', 'y' => 'pH'], 'numbers' => ['at' => $number]])->assertCreated();
        $own = $this->postJson($this->path('protocol'))->assertCreated()->json('key');
        $again = $this->postJson('/api/experiments', ['title' => 'x', 'protocol' => $own, 'benchId' => null])->assertCreated()->json('lines');
        self::assertEquals(['at' => $number], array_column($again, 'numbers', 'symbol')['at5']);
    }

    public function test_every_protocol_comes_back_from_an_experiment_as_it_was(): void
    {
        foreach ($this->getJson('/api/protocols')->assertOk()->json('*.key') as $key) {
            $id = $this->postJson('/api/experiments', ['title' => 'x', 'protocol' => $key, 'benchId' => null])->assertCreated()->json('id');
            $own = $this->postJson("/api/experiments/{$id}/protocol")->assertCreated()->json('key');
            $again = $this->postJson('/api/experiments', ['title' => 'x', 'protocol' => $own, 'benchId' => null])->assertCreated()->json('id');
            $of = function (int $id): array {
                $told = $this->getJson("/api/experiments/{$id}")->json();
                $bare = static fn (array $things): array => array_map(static fn (array $t): array => array_diff_key($t, ['id' => 0, 'columnId' => 0, 'spanId' => 0, 'value' => 0, 'text' => 0, 'shownName' => 0, 'shownTitle' => 0]), $things);

                return array_map($bare, array_intersect_key($told, ['entries' => 0, 'columns' => 0, 'lines' => 0, 'figures' => 0]));
            };
            self::assertSame($of($id), $of($again), $key);
        }
    }

    public function test_a_file_is_read_in_checked_given_on_and_removed(): void
    {
        $file = (string) $this->get('/api/protocols/gas-in-a-syringe')->assertOk()->assertDownload('gas-in-a-syringe.json')->getContent();
        $read = fn (string $content): TestResponse => $this->postJson('/api/protocols', ['file' => $content]);
        $key = $read(str_replace('"Gas in a syringe"', '"Air"', $file))->assertCreated()->assertJsonPath('isOwn', true)->json('key');
        self::assertStringStartsWith('This file is no protocol Welkion can use.', (string) $read('{')->assertUnprocessable()->json('detail'));
        self::assertStringContainsString('At /title', (string) $read(str_replace('"Gas in a syringe"', '5', $file))->assertUnprocessable()->json('detail'));
        $read(str_replace('"P * V"', '"P * nothing"', $file))->assertUnprocessable();
        $read(str_repeat('x', 300_000))->assertUnprocessable();
        $this->get("/api/protocols/{$key}")->assertOk()->assertDownload('air.json');
        $this->deleteJson("/api/protocols/{$key}")->assertNoContent();
        $this->getJson("/api/protocols/{$key}")->assertNotFound();
        $this->deleteJson('/api/protocols/titration')->assertNotFound();
        self::assertSame(0, ProtocolFile::query()->where('user_id', $this->experiment->user_id)->count());
    }

    private function path(string $rest = ''): string
    {
        return "/api/experiments/{$this->experiment->id}".($rest === '' ? '' : "/{$rest}");
    }

    /** @return array<string, int> ids by symbol, in order */
    private function ids(string $kind): array
    {
        return array_column($this->getJson($this->path())->assertOk()->json($kind), 'id', 'symbol');
    }

    /**
     * @param  array<string, string|null>  $typed
     * @return TestResponse<Response>
     */
    private function type(string $symbol, array $typed): TestResponse
    {
        return $this->putJson($this->path('entries/'.$this->ids('entries')[$symbol].'/value'), $typed);
    }
}

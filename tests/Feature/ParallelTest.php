<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Reading;
use App\Models\User;
use GuzzleHttp\Client;
use GuzzleHttp\Promise\Utils;
use Illuminate\Support\Str;
use Psr\Http\Message\ResponseInterface;
use Tests\Support\Browsing;
use Tests\TestCase;

/** Several screens at the same instant, through the running web server. */
final class ParallelTest extends TestCase
{
    use Browsing;

    private const SCREENS = 6;

    private const ROUNDS = 5;

    private User $teacher;

    private Bench $bench;

    private Experiment $experiment;

    private Client $browser;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->bench = $this->connectedBenchOf($this->teacher);
        $this->experiment = $this->experimentOf($this->teacher, $this->bench);
        $this->browser = $this->signedIn($this->teacher);
    }

    public function test_one_step_is_taken_once_by_whichever_screen_was_first(): void
    {
        $run = $this->started();
        $answers = $this->atOnce(fn (int $i): array => ['POST', "/api/runs/{$run}/readings", ['step' => 0.5, 'takeAnyway' => true]]);

        self::assertSame([201 => 1, 409 => self::SCREENS - 1], $this->statuses($answers));
        foreach ($answers as $answer) {
            $answer->getStatusCode() === 409 && self::assertSame('step-taken', json_decode((string) $answer->getBody(), true)['code']);
        }
        self::assertSame(1, Reading::query()->where('run_id', $run)->count());
    }

    public function test_a_request_repeated_by_an_impatient_screen_is_one_reading(): void
    {
        $run = $this->started();
        $key = (string) Str::uuid();
        $answers = $this->atOnce(fn (int $i): array => ['POST', "/api/runs/{$run}/readings", ['step' => 0.0, 'takeAnyway' => true], $key]);

        self::assertSame([201 => self::SCREENS], $this->statuses($answers));
        self::assertSame(1, Reading::query()->where('run_id', $run)->count());
        self::assertCount(1, array_unique(array_map(static fn (ResponseInterface $a): int => json_decode((string) $a->getBody(), true)['rows'][0]['rows'][0]['id'], $answers)));
    }

    public function test_one_bench_begins_one_run_however_many_ask(): void
    {
        $answers = $this->atOnce(fn (int $i): array => ['POST', "/api/experiments/{$this->experiment->id}/runs", []]);

        self::assertSame([201 => 1, 409 => self::SCREENS - 1], $this->statuses($answers));
        self::assertSame(1, $this->experiment->runs()->count());
    }

    public function test_values_typed_on_several_screens_are_all_kept(): void
    {
        $entries = $this->experiment->entries()->where('is_words', false)->get();
        $answers = $this->atOnce(fn (int $i): array => isset($entries[$i]) ? ['PUT', "/api/experiments/{$this->experiment->id}/entries/{$entries[$i]->id}/value", ['typed' => (string) (10 + $i)]]
            : ['PATCH', "/api/experiments/{$this->experiment->id}", ['conclusion' => 'Salty.']]);

        self::assertSame([200 => self::SCREENS], $this->statuses($answers));
        foreach ($entries as $i => $entry) {
            $i < self::SCREENS && self::assertEquals(10 + $i, $entry->refresh()->value, $entry->symbol);
        }
        self::assertSame('Salty.', $this->experiment->refresh()->conclusion);
    }

    public function test_rows_typed_at_once_on_several_screens_are_all_kept(): void
    {
        $path = "/api/experiments/{$this->experiment->id}";
        $run = $this->actingAs($this->teacher)->postJson("{$path}/runs", ['kind' => 'typed'])->assertCreated()->json('made');
        $column = $this->experiment->columns()->where('symbol', 'pH')->firstOrFail()->id;
        $answers = $this->atOnce(fn (int $i): array => $i % 2 === 0 ? ['PUT', "/api/runs/{$run}/cells", ['row' => null, 'columns' => [$column], 'cells' => [[(string) (5 + $i)]]]]
            : ['POST', "/api/runs/{$run}/rows", ['count' => 1, 'before' => null]]);

        $statuses = $this->statuses($answers);
        self::assertSame([200 => 3, 201 => 3], [200 => $statuses[200] ?? 0, 201 => $statuses[201] ?? 0]);
        $rows = $this->rowsOf($run);
        self::assertEqualsCanonicalizing([1, 2, 3, 4, 5, 6], array_column($rows, 'number'));
        self::assertEqualsCanonicalizing([5.0, 7.0, 9.0], array_values(array_filter(array_map(static fn (array $r): ?float => ($r['cells']['pH'] ?? ['value' => null])['value'], $rows), is_float(...))));
    }

    public function test_a_standard_read_twice_at_once_is_read_once(): void
    {
        $probe = $this->electrodeOf($this->bench);
        $this->actAndSettle($this->bench, 'dip', into: 'buffer-7.00');
        $id = $this->actingAs($this->teacher)->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => 'buffers'])->assertCreated()->json('id');
        $this->atOnce(fn (int $i): array => ['POST', "/api/calibrations/{$id}/readings", ['position' => 0, 'takeAnyway' => true]]);

        $standards = $this->getJson("/api/calibrations/{$id}")->assertOk()->json('standards');
        self::assertNotNull($standards[0]['reading']);
        self::assertSame([null, null], [$standards[1]['reading'], $standards[2]['reading']]);
        $this->postJson("/api/calibrations/{$id}/keep")->assertConflict();
    }

    public function test_experiments_that_have_just_begun_are_changed_at_once_and_none_waits_for_another(): void
    {
        $done = function (int $status, string $words, \Closure $request): array {
            $answers = $this->atOnce($request);
            self::assertSame([$status => self::SCREENS], $this->statuses($answers), $words);

            $made = static fn (ResponseInterface $a): int => json_decode((string) $a->getBody(), true)['made'] ?? 0;

            return array_map($made, $answers);
        };
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $blank = fn (): int => $this->experimentOf($this->teacher, null, 'blank')->id;
            $of = array_map(static fn (): string => "/api/experiments/{$blank()}", range(1, self::SCREENS));
            $begin = static fn (int $i): array => ['POST', "{$of[$i]}/runs", ['kind' => 'typed']];
            $runs = $done(201, 'Each begins a run.', $begin);
            $column = ['symbol' => 'm', 'name' => 'm', 'unit' => 'g', 'kind' => 'typed'];
            $columns = $done(201, 'Each makes a column.', static fn (int $i): array => ['POST', "{$of[$i]}/columns", $column]);
            $done(200, 'Each takes it back.', static fn (int $i): array => ['POST', "{$of[$i]}/undo", []]);
            $done(200, 'Each has it again.', static fn (int $i): array => ['POST', "{$of[$i]}/redo", []]);
            $first = static fn (int $i): array => ['row' => null, 'columns' => [$columns[$i]], 'cells' => [['1']]];
            $type = static fn (int $i): array => ['PUT', "/api/runs/{$runs[$i]}/cells", $first($i)];
            $done(200, 'Each types its first cell.', $type);
        }
    }

    private function started(): int
    {
        $run = $this->actingAs($this->teacher)->startedRun($this->experiment);
        $this->actAndSettle($this->bench, 'dip', into: 'beaker');

        return $run;
    }

    /**
     * @param  \Closure(int): array{0: string, 1: string, 2: array<string, mixed>, 3?: string}  $request  method, path, body and key of each screen
     * @return list<ResponseInterface>
     */
    private function atOnce(\Closure $request): array
    {
        $promises = [];
        for ($i = 0; $i < self::SCREENS; $i++) {
            [$method, $path, $body] = $request($i);
            $promises[] = $this->browser->requestAsync($method, $path, ['json' => $body, 'headers' => ['Request-Key' => $request($i)[3] ?? (string) Str::uuid()]]);
        }

        return array_values(Utils::unwrap($promises));
    }

    /**
     * @param  list<ResponseInterface>  $answers
     * @return array<int, int> how often each status came
     */
    private function statuses(array $answers): array
    {
        $counts = array_count_values(array_map(static fn (ResponseInterface $a): int => $a->getStatusCode(), $answers));
        ksort($counts);

        return $counts;
    }
}

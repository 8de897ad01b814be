<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\User;
use App\Models\Watch;
use App\Watching\WatchCode;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Support\Facades\RateLimiter;
use Tests\Support\OpenApi;
use Tests\Support\Recording;
use Tests\TestCase;

/** Onlookers without an account: what they see by a code, what they cannot do, and how they are cut off. */
final class WatchTest extends TestCase
{
    use Recording;

    private User $teacher;

    private Bench $bench;

    private Experiment $experiment;

    protected function setUp(): void
    {
        parent::setUp();
        RateLimiter::clear('watch all');
        RateLimiter::clear('watch place 127.0.0.1');
        $this->teacher = $this->teacher();
        $this->bench = $this->connectedBenchOf($this->teacher, 'Hazel');
        $this->experiment = $this->experimentOf($this->teacher, $this->bench, 'sealed-bottle');
    }

    public function test_an_onlooker_sees_the_board_live_and_back_in_time_and_changes_nothing(): void
    {
        $code = $this->opened();
        $this->actingAs($this->teacher)->patchJson("/api/experiments/{$this->experiment->id}", ['plan' => ['rate' => 10, 'length' => 60, 'begin' => null, 'end' => null]])->assertOk();
        $run = $this->actingAs($this->teacher)->postJson("/api/experiments/{$this->experiment->id}/runs")->assertCreated()->json('made');
        $onlooker = $this->onlooker();
        $entered = $this->asked($onlooker, 'POST', '/api/watch', ['code' => ' '.strtolower(str_replace('-', ' ', $code))]);
        self::assertSame(200, $entered['status'], 'It may be typed as people type.');
        $watch = $entered['body']['watchId'];
        self::assertNull(OpenApi::document()->complaintAbout('Watched', $entered['text']));
        self::assertSame($this->experiment->title, $entered['body']['notebook']['title']);
        self::assertSame([], $entered['body']['notebook']['lines'], 'What is worked out is not given away.');
        self::assertSame($this->bench->id, $entered['body']['benchId']);
        self::assertSame(['p', 'th'], array_column($entered['body']['channels'], 'symbol'));

        self::assertSame(200, $this->asked($onlooker, 'GET', "/api/watch/{$watch}")['status']);
        $this->eventually(fn (): bool => count($this->asked($onlooker, 'GET', "/api/watch/{$watch}/runs/{$run}/points?columns=p&width=500")['body']['columns'][0]['times'] ?? []) > 5);
        self::assertSame([], $this->asked($onlooker, 'GET', "/api/watch/{$watch}/runs/{$run}")['body']['rows']);

        foreach ([['GET', "/api/experiments/{$this->experiment->id}"], ['GET', "/api/runs/{$run}"], ['POST', "/api/runs/{$run}/finish"], ['PATCH', "/api/experiments/{$this->experiment->id}"], ['GET', '/api/benches']] as [$method, $path]) {
            self::assertSame(401, $this->asked($onlooker, $method, $path)['status'], "{$method} {$path}");
        }
        self::assertSame('open', $this->experiment->runs()->firstOrFail()->state);
        $other = $this->experimentOf($this->teacher, $this->bench, 'blank');
        $elsewhere = $this->storedRunOf($other, 'finished')->id;
        self::assertSame(404, $this->asked($onlooker, 'GET', "/api/watch/{$watch}/runs/{$elsewhere}")['status'], 'Only runs of this experiment.');
        self::assertSame(404, $this->asked($onlooker, 'GET', "/api/watch/{$watch}/runs/{$elsewhere}/points?columns=p")['status']);
    }

    public function test_is_cut_off_when_the_teacher_closes_the_board(): void
    {
        $onlooker = $this->onlooker();
        $watch = $this->asked($onlooker, 'POST', '/api/watch', ['code' => $this->opened()])['body']['watchId'];
        $live = $onlooker->get("/live/watch-{$watch},bench-{$this->bench->id}", ['stream' => true, 'headers' => ['Accept' => 'text/event-stream']]);
        self::assertSame(200, $live->getStatusCode());
        self::assertSame($this->bench->id, json_decode($this->nextMessage($live->getBody()), true)['benchId']);
        $this->eventually(fn (): bool => $this->actingAs($this->teacher)->getJson("/api/experiments/{$this->experiment->id}/watch")->json('watch.onlookers') === 1);

        $this->actingAs($this->teacher)->deleteJson("/api/experiments/{$this->experiment->id}/watch")->assertNoContent();
        $said = [];
        $ended = false;
        $deadline = microtime(true) + 10.0;
        while (! $ended && microtime(true) < $deadline) {
            $said[] = $live->getBody()->read(4096);
            $ended = $live->getBody()->eof();
        }
        self::assertTrue($ended, 'The connection itself ends, whatever the browser does.');
        self::assertStringContainsString('"isClosed":true', implode('', $said));
        self::assertSame(['status' => 410, 'code' => 'board-closed'], $this->refused($this->asked($onlooker, 'GET', "/api/watch/{$watch}")));
        self::assertSame(403, $onlooker->get("/live/watch-{$watch},bench-{$this->bench->id}")->getStatusCode());
        $this->actingAs($this->teacher)->getJson("/api/experiments/{$this->experiment->id}/watch")->assertOk()->assertJsonPath('watch', null);
    }

    public function test_a_code_ends_with_the_lesson_and_stays_the_same_until_then(): void
    {
        $code = $this->opened();
        self::assertSame($code, $this->opened());
        $onlooker = $this->onlooker();
        $watch = $this->asked($onlooker, 'POST', '/api/watch', ['code' => $code])['body']['watchId'];
        Watch::query()->whereKey($watch)->update(['expires_at' => now()->subSecond()]);

        self::assertSame(410, $this->asked($onlooker, 'GET', "/api/watch/{$watch}")['status']);
        self::assertSame(['status' => 404, 'code' => 'no-such-code'], $this->refused($this->asked($this->onlooker(), 'POST', '/api/watch', ['code' => $code])));
        self::assertNotSame($code, $this->opened());
        self::assertNull(Watch::query()->findOrFail($watch)->code);
    }

    public function test_codes_cannot_be_guessed(): void
    {
        self::assertGreaterThan(28_000_000, WatchCode::count());
        self::assertCount(100, array_unique(array_map(static fn (): string => WatchCode::random(), range(1, 100))));
        $code = $this->opened();
        $guesser = $this->onlooker();
        for ($i = 0; $i < 20; $i++) {
            self::assertSame(404, $this->asked($guesser, 'POST', '/api/watch', ['code' => "PLUM-FERN-{$i}99"])['status']);
        }
        $answer = $this->asked($guesser, 'POST', '/api/watch', ['code' => $code]);
        self::assertSame(['status' => 429, 'code' => 'too-many-codes'], $this->refused($answer));
        self::assertMatchesRegularExpression('/Wait \d+ s and try again/', $answer['body']['detail']);
    }

    public function test_nobody_watches_who_was_not_let_in(): void
    {
        $this->opened();
        $watch = Watch::query()->where('experiment_id', $this->experiment->id)->firstOrFail()->id;
        $stranger = $this->onlooker();

        self::assertSame(['status' => 403, 'code' => 'not-let-in'], $this->refused($this->asked($stranger, 'GET', "/api/watch/{$watch}")));
        foreach (["watch-{$watch}", "watch-{$watch},bench-{$this->bench->id}"] as $channels) {
            self::assertSame(403, $stranger->get("/live/{$channels}")->getStatusCode());
        }
        self::assertSame(422, $this->asked($stranger, 'POST', '/api/watch', ['code' => ''])['status']);
    }

    public function test_an_onlooker_hears_only_of_what_is_on_the_board(): void
    {
        $onlooker = $this->onlooker();
        $watch = $this->asked($onlooker, 'POST', '/api/watch', ['code' => $this->opened()])['body']['watchId'];
        $another = $this->connectedBenchOf($this->teacher, 'Alder');
        $other = $this->experimentOf($this->teacher, $another);

        foreach (["watch-{$watch},bench-{$another->id}", "watch-{$watch},experiment-{$other->id}", "bench-{$this->bench->id},watch-{$watch}"] as $channels) {
            $answer = $onlooker->get("/live/{$channels}", ['headers' => ['Accept' => 'text/event-stream']]);
            self::assertStringNotContainsString('event-stream', $answer->getHeaderLine('Content-Type'), $channels);
        }
    }

    public function test_the_board_is_arranged_by_a_change_that_can_be_undone(): void
    {
        $this->actingAs($this->teacher);
        $path = "/api/experiments/{$this->experiment->id}";
        $board = ['arrangement' => 'two', 'tiles' => [['shows' => 'readout', 'columns' => ['p']], ['shows' => 'level', 'columns' => ['th'], 'from' => 0, 'to' => 60]]];
        $this->patchJson($path, ['board' => $board])->assertOk()->assertJsonPath('changed.0.value.board.arrangement', 'two')->assertJsonPath('undo', 'Arranged the board');
        $column = $this->experiment->columns()->where('symbol', 'p')->firstOrFail();
        $this->patchJson("{$path}/columns/{$column->id}", ['symbol' => 'P'])->assertOk();
        $this->getJson($path)->assertJsonPath('board.tiles.0.columns', ['P']);
        $this->patchJson($path, ['board' => ['arrangement' => 'two', 'tiles' => [['shows' => 'table']]]])->assertUnprocessable();
        $this->patchJson($path, ['board' => ['arrangement' => 'one', 'tiles' => [['shows' => 'table', 'columns' => ['nothing']]]]])->assertUnprocessable()->assertJsonPath('detail', '"nothing" is no column here, so the board cannot show it.');
        $this->postJson("{$path}/undo")->assertOk();
        $this->postJson("{$path}/undo")->assertOk();
        $this->getJson($path)->assertJsonPath('board.arrangement', 'three');
    }

    private function opened(): string
    {
        $answer = $this->actingAs($this->teacher)->postJson("/api/experiments/{$this->experiment->id}/watch")->assertCreated();
        self::assertMatchesRegularExpression('/^[A-Z]{3,8}-[A-Z]{3,8}-[1-9]\d\d$/', $answer->json('watch.code'));

        return $answer->json('watch.code');
    }

    /** A browser that has never been here. */
    private function onlooker(): Client
    {
        $client = new Client(['base_uri' => config()->string('app.url'), 'cookies' => new CookieJar, 'timeout' => 20, 'http_errors' => false]);
        $client->get('/api/session');

        return $client;
    }

    /**
     * @param  array<string, string>  $body
     * @return array{status: int, body: array<string, mixed>, text: string}
     */
    private function asked(Client $client, string $method, string $path, array $body = []): array
    {
        $jar = $client->getConfig('cookies');
        $token = urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue());
        $answer = $client->request($method, $path, ['headers' => ['X-XSRF-TOKEN' => $token, 'Accept' => 'application/json']] + ($method === 'GET' ? [] : ['json' => $body]));

        $text = (string) $answer->getBody();

        return ['status' => $answer->getStatusCode(), 'body' => (array) json_decode($text, true), 'text' => $text];
    }

    /**
     * @param  array{status: int, body: array<string, mixed>}  $answer
     * @return array{status: int, code: string}
     */
    private function refused(array $answer): array
    {
        return ['status' => $answer['status'], 'code' => $answer['body']['code']];
    }
}

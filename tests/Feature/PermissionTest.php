<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Calibration;
use App\Models\Figure;
use App\Models\Probe;
use App\Models\Reading;
use App\Models\SignIn;
use App\Models\Span;
use App\Models\User;
use App\Notebook\Journal;
use App\Notebook\Sender;
use App\Notebook\SpanBook;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Support\Str;
use Tests\TestCase;
use Welkion\Core\Calibration\Recipe;

/** Every route there is, asked by those it is not for. A new route is tested here without being named. */
final class PermissionTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->teacher();
    }

    public function test_another_teacher_is_turned_away_from_every_subject_and_changes_nothing(): void
    {
        $subjects = $this->subjects();
        $before = $this->rows($subjects);
        $this->actingAs($this->teacher());
        foreach ($this->routes() as [$method, $uri]) {
            if (! str_contains($uri, '{') || $this->isForOnlookers($uri)) {
                continue;
            }
            $this->json($method, $this->filled($uri, $subjects))->assertForbidden()->assertJsonPath('detail', 'This belongs to another teacher.');
        }

        self::assertSame($before, $this->rows($subjects));
    }

    public function test_nobody_who_is_signed_out_gets_anywhere(): void
    {
        $subjects = $this->subjects();
        foreach ($this->routes() as [$method, $uri]) {
            if (in_array($uri, ['api/session', 'api/live/authorize'], true) || $this->isForOnlookers($uri)) {
                continue;
            }
            $this->json($method, $this->filled($uri, $subjects))->assertUnauthorized()
                ->assertJsonPath('detail', 'Sign in to go on. What is stored stays stored.');
        }
    }

    public function test_what_is_not_there_is_said_so_on_every_route(): void
    {
        $this->actingAs($this->owner);
        foreach ($this->routes() as [$method, $uri]) {
            if (! str_contains($uri, '{')) {
                continue;
            }
            foreach (['999999999', 'nonsense'] as $id) {
                $answer = $this->json($method, (string) preg_replace('/\{\w+\}/', $id, $uri));
                self::assertContains($answer->status(), [404, 405], "{$method} {$uri}");
                self::assertIsString($answer->json('detail'), 'There is a sentence to show.');
            }
        }
    }

    public function test_lists_hold_only_what_is_ones_own(): void
    {
        $this->subjects();
        $this->actingAs($this->teacher());

        self::assertSame([], $this->getJson('/api/benches')->assertOk()->json());
        self::assertSame([], $this->getJson('/api/experiments')->assertOk()->json());
        self::assertSame([], $this->getJson('/api/shelf')->assertOk()->json());
    }

    /** @return list<array{string, string}> method and path of every route of the API */
    private function routes(): array
    {
        $routes = array_filter(
            Routes::getRoutes()->getRoutes(),
            static fn (Route $r): bool => str_starts_with($r->uri(), 'api/') && ! str_contains($r->uri(), '{any}'),
        );
        self::assertGreaterThan(40, count($routes));

        return array_values(array_map(static fn (Route $r): array => [$r->methods()[0], $r->uri()], $routes));
    }

    /** These need a code and no account (WatchTest). */
    private function isForOnlookers(string $uri): bool
    {
        return str_starts_with($uri, 'api/watch');
    }

    /** @param  array<string, int|string>  $subjects */
    private function filled(string $uri, array $subjects): string
    {
        return (string) preg_replace_callback('/\{(\w+)\}/', static fn (array $m): string => (string) ($subjects[$m[1]] ?? self::fail("Make a {$m[1]} for this test.")), $uri);
    }

    /** @return array<string, int|string> the id of one of everything, by its name in a path; all of one teacher */
    private function subjects(): array
    {
        $bench = $this->silentBenchOf($this->owner);
        $this->plugIn($bench, [[
            'name' => 'ph', 'kind' => 'ph-electrode', 'title' => 'pH electrode', 'serial' => Str::random(8), 'unit' => 'mV', 'resolution' => 0.1, 'fastestHz' => 10.0, 'stated' => null,
        ]]);
        $probe = Probe::query()->where('bench_id', $bench->id)->firstOrFail();
        $calibration = Calibration::query()->create([
            'probe_id' => $probe->id, 'user_id' => $this->owner->id, 'state' => Calibration::OPEN, 'recipe' => Recipe::Buffers, 'unit' => 'pH', 'standards' => [],
        ]);
        $zero = $probe->zeros()->create(['user_id' => $this->owner->id, 'raw' => 1.0, 'scatter' => 0.0, 'value_before' => 1.0, 'unit' => 'pH', 'taken_at' => 1.0]);
        $standard = $this->owner->shelf()->create(['kind' => 'ph-electrode', 'source' => 'typed', 'code' => '', 'label' => 'mine', 'value' => 7.0, 'uncertainty' => 0.1, 'unit' => 'pH']);
        $experiment = $this->experimentOf($this->owner, $bench);
        $run = $this->storedRunOf($experiment, 'open');
        $column = $experiment->columns()->where('kind', 'step')->firstOrFail();
        $journal = app(Journal::class);
        $sender = new Sender($this->owner, (string) Str::uuid());
        (new SpanBook($journal))->add($experiment, $column, 'the jump', 1.0, 2.0, $sender);
        $this->actingAs($this->owner);
        $protocol = $this->postJson("/api/experiments/{$experiment->id}/protocol")->assertCreated()->json('key');
        app('auth')->forgetGuards();
        $reading = $run->readings()->create(['row' => 1, 'request_key' => (string) Str::uuid(), 'step' => 0.0, 'taken_at' => 1.0, 'was_steady' => true]);

        $signIn = SignIn::query()->create(['id' => Str::random(40), 'user_id' => $this->owner->id, 'payload' => '', 'last_activity' => time()]);

        return [
            'signIn' => $signIn->fingerprint(), 'bench' => $bench->id, 'probe' => $probe->id, 'calibration' => $calibration->id, 'zero' => $zero->id, 'standard' => $standard->id,
            'experiment' => $experiment->id, 'run' => $run->id, 'marker' => $run->markers()->create(['at' => 1.0])->id, 'reading' => $reading->id, 'position' => 0, 'revision' => 0, 'protocol' => $protocol,
            'file' => $experiment->files()->create(['user_id' => $this->owner->id, 'request_key' => (string) Str::uuid(), 'name' => 'class.csv', 'bytes' => 3, 'place' => 'none'])->id,
            'entry' => $experiment->entries()->firstOrFail()->id, 'column' => $column->id, 'line' => $experiment->lines()->firstOrFail()->id,
            'span' => Span::query()->where('experiment_id', $experiment->id)->firstOrFail()->id, 'figure' => Figure::query()->where('experiment_id', $experiment->id)->firstOrFail()->id,
        ];
    }

    /**
     * @param  array<string, int|string>  $subjects
     * @return list<mixed> what a stranger might have changed
     */
    private function rows(array $subjects): array
    {
        return [
            Probe::query()->findOrFail($subjects['probe'])->getAttributes(),
            Calibration::query()->findOrFail($subjects['calibration'])->getAttributes(),
            Reading::query()->findOrFail($subjects['reading'])->getAttributes(),
            $this->owner->shelf()->count(),
            $this->owner->experiments()->firstOrFail()->getAttributes(),
        ];
    }
}

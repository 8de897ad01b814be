<?php

declare(strict_types=1);

namespace Tests\Support\Fuzz;

use App\Models\Calibration;
use App\Models\Column;
use App\Models\Entry;
use App\Models\Experiment;
use App\Models\Figure;
use App\Models\Line;
use App\Models\Reading;
use App\Models\Run;
use App\Models\Span;
use App\Models\User;
use App\Models\Zero;
use GuzzleHttp\Client;
use GuzzleHttp\Promise\Each;
use Psr\Http\Message\ResponseInterface;
use Tests\Support\Browsing;

/** Teachers with one of everything, nonsense sent in their name, and a look at all their pages afterwards. */
trait Fuzzing
{
    use Browsing;

    private const AT_A_TIME = 4;

    /** @return array{User, Client} */
    protected function furnishedTeacher(string $like): array
    {
        $teacher = $this->teacher();
        $bench = $this->connectedBenchOf($teacher, $like);
        $silent = $this->silentBenchOf($teacher);
        $kinds = ['ph-electrode', 'conductivity-cell', 'thermometer', 'pressure-sensor', 'plunger', 'grip-bulb', 'ecg-lead', 'breathing-belt', 'finger-pulse', 'any-quantity'];
        $this->plugIn($silent, array_map(static fn (string $kind): array => [
            'name' => $kind, 'kind' => $kind, 'title' => $kind, 'serial' => "{$kind}-{$silent->id}", 'unit' => 'V', 'resolution' => 0.001, 'fastestHz' => 20.0, 'stated' => ['slope' => 0.5, 'offset' => 0.1],
        ], $kinds));
        $experiment = $this->experimentOf($teacher, $bench);
        if ($like === 'Alder') {
            $run = $this->actingAs($teacher)->startedRun($experiment);
            foreach ([0.0, 0.5, 1.0] as $volume) {
                $this->take($run, $volume)->assertCreated();
            }
        }
        $this->actingAs($teacher)->postJson("/api/experiments/{$experiment->id}/protocol")->assertCreated();
        $columns = $experiment->columns()->where('kind', 'step')->pluck('id');
        $columns->isEmpty() || $this->postJson("/api/experiments/{$experiment->id}/spans", ['columnId' => $columns->first(), 'name' => 'the jump', 'from' => 1, 'to' => 2])->assertCreated();
        $this->experimentOf($teacher, $silent);
        foreach ($teacher->benches()->with('probes')->get()->flatMap->probes as $probe) {
            foreach ($probe->kind->value === 'finger-pulse' ? [] : [\Welkion\Core\Calibration\Recipe::for($probe->kind)[0]] as $recipe) {
                $this->actingAs($teacher)->postJson("/api/probes/{$probe->id}/calibrations", ['recipe' => $recipe->value])->assertCreated();
            }
        }
        $this->actingAs($teacher)->postJson('/api/shelf', ['kind' => 'ph-electrode', 'source' => 'buffer', 'code' => '7.00', 'label' => 'mine'])->assertCreated();

        return [$teacher, $this->signedIn($teacher)];
    }

    /**
     * @param  list<array{User, Client}>  $accounts
     * @return array{statuses: array<int, int>, wrong: list<string>} how often each status came, and what should not have
     */
    protected function sendNonsense(array $accounts, int $seed, int $count): array
    {
        $requests = new Requests($seed);
        $ids = array_map(fn (array $account): array => $this->idsOf($account[0]), $accounts);
        $statuses = [];
        $wrong = [];
        $send = function () use ($requests, $accounts, &$ids, $count, &$statuses, &$wrong): \Generator {
            for ($i = 0; $i < $count; $i++) {
                $who = $i % count($accounts);
                if ($i % 400 < count($accounts)) {
                    // What was made meanwhile is asked for, too.
                    $ids[$who] = $this->idsOf($accounts[$who][0]);
                }
                $request = $requests->next($ids[$who]);
                yield $accounts[$who][1]->requestAsync($request['method'], $request['uri'], [
                    'body' => $request['body'], 'headers' => ['Content-Type' => $request['type'], 'Accept' => 'application/json'],
                ])->then(static function (ResponseInterface $answer) use ($request, &$statuses, &$wrong): void {
                    $status = $answer->getStatusCode();
                    $statuses[$status] = ($statuses[$status] ?? 0) + 1;
                    $text = (string) $answer->getBody();
                    if ($status >= 500 || (in_array($status, [409, 422], true) && ! is_string(json_decode($text, true)['detail'] ?? null))) {
                        $wrong[] = "{$request['method']} {$request['uri']} {$status} ".substr($request['body'], 0, 300).' → '.substr($text, 0, 200);
                    }
                });
            }
        };
        Each::ofLimitAll($send(), self::AT_A_TIME)->wait();
        ksort($statuses);

        return ['statuses' => $statuses, 'wrong' => $wrong];
    }

    /** @return list<string> pages of a teacher that do not open any more */
    protected function closedPagesOf(User $teacher, Client $browser): array
    {
        $ids = $this->idsOf($teacher);
        $paths = ['/api/session', '/api/sign-ins', '/api/benches', '/api/shelf', '/api/experiments', '/api/protocols', '/api/methods'];
        foreach ($ids['bench'] as $id) {
            $paths[] = "/api/benches/{$id}";
        }
        foreach ($ids['probe'] as $id) {
            array_push($paths, "/api/probes/{$id}", "/api/probes/{$id}/runs", "/api/probes/{$id}/zeros", "/api/probes/{$id}/calibrations");
        }
        foreach ($ids['calibration'] as $id) {
            $paths[] = "/api/calibrations/{$id}";
        }
        foreach ($ids['experiment'] as $id) {
            array_push($paths, "/api/experiments/{$id}", "/api/experiments/{$id}/worked", "/api/experiments/{$id}/history");
        }
        foreach (Run::query()->whereKey($ids['run'])->where('thrown_away_at', null)->pluck('kind', 'id') as $id => $kind) {
            // What was typed hangs on no calibration.
            array_push($paths, "/api/runs/{$id}", "/api/runs/{$id}/rows.csv", "/api/runs/{$id}/".($kind === Run::TYPED ? 'rows?from=0&count=9' : 'comparison'));
        }

        return array_values(array_filter($paths, static fn (string $path): bool => $browser->get($path)->getStatusCode() !== 200));
    }

    /** @return array<string, list<int|string>> */
    private function idsOf(User $teacher): array
    {
        $benches = $teacher->benches()->with('probes')->get();
        $probes = $benches->flatMap->probes->pluck('id');
        $experiments = Experiment::query()->where('user_id', $teacher->id)->pluck('id');
        $runs = Run::query()->whereIn('experiment_id', $experiments)->pluck('id');
        $ids = [
            'bench' => $benches->pluck('id'), 'probe' => $probes, 'experiment' => $experiments, 'run' => $runs,
            'calibration' => Calibration::query()->whereIn('probe_id', $probes)->latest('id')->limit(60)->pluck('id'),
            'zero' => Zero::query()->whereIn('probe_id', $probes)->pluck('id'), 'reading' => Reading::query()->whereIn('run_id', $runs)->pluck('id'),
            'standard' => $teacher->shelf()->withTrashed()->pluck('id'),
            'protocol' => collect(['titration', 'blank'])->merge($teacher->protocols()->pluck('id')->map(static fn (int $id): string => "own-{$id}")),
        ];
        foreach ([Entry::class, Column::class, Line::class, Span::class, Figure::class] as $class) {
            $ids[strtolower(class_basename($class))] = $class::query()->whereIn('experiment_id', $experiments)->pluck('id');
        }

        return array_map(static fn ($list): array => array_values($list->all()), $ids) + ['position' => [0, 1, 2], 'revision' => [0, 1, 2, 5], 'signIn' => []];
    }
}

<?php

declare(strict_types=1);

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use App\Models\User;
use App\Recorder\RecorderClient;
use Database\Seeders\Larkfield;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/*
 * What a browser test begins with, made in one call: a teacher, benches in a room of their own, and what else of Larkfield is asked for.
 * One JSON text a line comes in, one goes out. It works on the copy that bin/test has started, beside its web server.
 */

require __DIR__.'/../../../vendor/autoload.php';

if (! str_contains((string) getenv('WELKION_VAR'), 'test')) {
    fwrite(STDERR, "This makes teachers in a copy that was started for tests, and in no other: run it through bin/test.\n");
    exit(1);
}
$app = require __DIR__.'/../../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const PASSWORD = 'sour-whey-2026';
const WARMED_BY_S = 60;
const WARM_WITHIN_S = 20.0;

// By their numbers: a search that changes what it finds would lock the benches of other tests, too.
$putAway = static fn (array $ids): int => $ids === [] ? 0 : Bench::query()->whereKey($ids)->update(['put_away_at' => now()]);

$teacher = static function (array $wanted) use ($putAway): array {
    $room = Str::lower(Str::random(10));
    $teacher = User::query()->create(['name' => 'Iris Fenwick', 'email' => "{$room}@larkfield.example", 'password' => PASSWORD])->refresh();
    $larkfield = new Larkfield($teacher, $room);
    $on = array_values((array) ($wanted['benches'] ?? []));
    $has = $wanted['has'] ?? null;
    $there = match ($has) {
        'all' => null,
        'whey' => array_values(array_unique(['Alder', ...$on])),
        null => $on,
    };
    $larkfield->shelf();
    $there === [] || $larkfield->benches($there);
    match ($has) {
        'all' => $larkfield->experiments(),
        'whey' => $larkfield->whey(),
        null => null,
    };
    // Each bench that is listened to takes its share of the machine.
    $putAway(Bench::query()->where('user_id', $teacher->id)->whereNotIn('name', $on)->pluck('id')->all());
    $ids = Bench::query()->where('user_id', $teacher->id)->pluck('id', 'name')->all();

    return [
        'id' => $teacher->id, 'email' => $teacher->email, 'password' => PASSWORD, 'benches' => (object) $ids,
        'runs' => (object) Run::query()->join('experiments', 'experiments.id', 'runs.experiment_id')->where('user_id', $teacher->id)->orderByDesc('runs.id')->pluck('runs.id', 'title')->all(),
        'probes' => (object) Probe::query()->whereIn('bench_id', array_values($ids))->pluck('id', 'serial')->all(),
        'experiments' => (object) Experiment::query()->where('user_id', $teacher->id)->pluck('id', 'title')->all(),
    ];
};

// A bench is as if it had stood there for a while: its probes are at rest when the first page is seen.
$warm = static function (array $made, array $names): array {
    $recorder = app(RecorderClient::class);
    foreach (Bench::query()->where('user_id', $made['id'])->whereIn('name', $names)->get() as $bench) {
        for ($deadline = microtime(true) + WARM_WITHIN_S; ; usleep(10_000)) {
            $answer = $recorder->ask('act', $bench, ['act' => 'go-on', 'seconds' => WARMED_BY_S]);
            if (! isset($answer['problem'])) {
                break;
            }
            microtime(true) < $deadline || throw new RuntimeException("Bench {$bench->name} was not reached: {$answer['problem']}");
        }
    }

    return $made;
};

// The recorder has to listen only to benches of tests that run.
$leave = static function (int $teacher) use ($putAway): array {
    $putAway(Bench::query()->where('user_id', $teacher)->pluck('id')->all());

    return [];
};

while (($line = fgets(STDIN)) !== false) {
    try {
        $asked = json_decode($line, true, flags: JSON_THROW_ON_ERROR);
        $answer = match ($asked['do'] ?? null) {
            // In one piece: each change by itself would wait for the disk.
            'teacher' => $warm(DB::transaction(static fn (): array => $teacher($asked)), (array) ($asked['benches'] ?? [])),
            'leave' => $leave((int) $asked['teacher']),
            'act' => app(RecorderClient::class)->act(Bench::query()->findOrFail((int) $asked['bench']), $asked['details']),
        };
    } catch (Throwable $failure) {
        $answer = ['problem' => $failure->getMessage()];
    }
    echo json_encode($answer, JSON_THROW_ON_ERROR), "\n";
}

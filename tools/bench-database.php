<?php

declare(strict_types=1);

// The database's side of bin/bench --screens: makes an experiment of 40 runs, each a copy of the longest finished run of the
// demo, and prints its number.

use App\Models\Experiment;
use App\Models\Reading;
use App\Models\Run;
use App\Notebook\ExperimentBook;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Str;

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const RUNS = 40;

$longest = Run::query()->where('state', Run::FINISHED)->withCount('readings')->get()->sortByDesc('readings_count')->firstOrFail();
$copy = $app->make(ExperimentBook::class)->copy($longest->experiment, (string) Str::uuid(), true);
$first = $copy->runs()->withCount('readings')->get()->sortByDesc('readings_count')->firstOrFail();
Run::query()->where('experiment_id', $copy->id)->whereKeyNot($first->id)->delete();
for ($number = 1; $number < RUNS; $number++) {
    $run = $first->replicate(['readings_count'])->fill(['number' => $first->number + $number, 'name' => '']);
    $run->save();
    $channels = [];
    foreach ($first->channels as $channel) {
        $made = $channel->replicate()->fill(['run_id' => $run->id]);
        $made->save();
        $channels[$channel->id] = $made->id;
    }
    foreach ($first->readings()->with('cells')->get() as $reading) {
        $taken = $reading->replicate()->fill(['run_id' => $run->id, 'request_key' => (string) Str::uuid()]);
        $taken->save();
        foreach ($reading->cells as $cell) {
            $taken->cells()->create(['run_channel_id' => $channels[$cell->run_channel_id]] + $cell->only(['mean', 'scatter', 'sample_count']));
        }
    }
}

echo json_encode(['experiment' => $copy->id, 'runs' => $copy->runs()->count(), 'readings' => Reading::query()->whereIn('run_id', $copy->runs()->select('id'))->count()]), "\n";

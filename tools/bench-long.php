<?php

declare(strict_types=1);

/*
 * What a very long run costs beside a short one: opened, zoomed, panned, its statistics and its line over a span, in MariaDB
 * as they are read for a screen; and statistics and line beside NumPy, which reads all of the same numbers. One JSON line a
 * task. Called by bench-long.mjs, with the memory of a web request.
 */

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Run;
use App\Models\RunChannel;
use App\Samples\Filing;
use App\Samples\SegmentIndex;
use App\Samples\StoredSamples;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Welkion\Core\Samples\LongSeries;
use Welkion\Core\Samples\Segment;

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const SHORT = 10_000;
const STEP_S = 0.001;
const BEGAN = 1.8e9;
const REPEATS = 41;

mt_srand(7);
$noise = static fn (): float => (mt_rand() + mt_rand() + mt_rand() + mt_rand()) / mt_getrandmax() - 2.0;
$file = tempnam(sys_get_temp_dir(), 'welkion-long-');
$experiment = Experiment::query()->firstOrFail();

/** A run of so many samples, and the same numbers in a file. */
$made = static function (int $count) use ($experiment, $noise, $file): RunChannel {
    $run = Run::query()->create([
        'experiment_id' => $experiment->id, 'kind' => Run::STEPWISE, 'number' => 1 + (int) Run::query()->where('experiment_id', $experiment->id)->max('number'),
        'state' => Run::FINISHED, 'started_at' => now(),
    ]);
    $channel = $run->channels()->create(['probe_id' => Bench::query()->firstOrFail()->probes()->firstOrFail()->id, 'role' => 'electrode']);
    $out = fopen($file, 'wb');
    for ($first = 0; $first < $count; $first += Segment::SAMPLES) {
        $values = $times = [];
        for ($i = $first, $end = min($count, $first + Segment::SAMPLES); $i < $end; $i++) {
            $values[] = 100.0 + 5.0 * sin($i * 1e-4) + 2e-7 * $i + 0.1 * $noise();
            $times[] = BEGAN + STEP_S * $i;
        }
        $segment = Segment::of($times, $values);
        DB::table('sample_segments')->insert(Filing::row($channel->id, $first + 1, $segment));
        $index = ($index ?? SegmentIndex::of($channel->id, DB::connection()))->with([$first + 1 => $segment]);
        fwrite($out, pack('e*', ...$values));
    }
    fclose($out);
    $index->write($channel->id, DB::connection());

    return RunChannel::query()->findOrFail($channel->id);
};

/** @return list<float> seconds, sorted */
$timed = static function (callable $do, int $repeats = REPEATS): array {
    $seconds = [];
    for ($i = 0; $i < $repeats + 3; $i++) {
        $began = hrtime(true);
        $do($i);
        $seconds[] = (hrtime(true) - $began) / 1e9;
    }
    $seconds = array_slice($seconds, 3);
    sort($seconds);

    return $seconds;
};
$at = static fn (RunChannel $channel, float $from, float $share): array => [
    BEGAN + $from * STEP_S * $channel->count, BEGAN + ($from + $share) * STEP_S * $channel->count,
];

$count = (int) ($argv[1] ?? 10_000_000);
$short = $made(SHORT);
$short->count = SHORT;
$began = microtime(true);
$long = $made($count);
$long->count = $count;
echo json_encode(['task' => 'long_run_made', 'n' => $count, 'seconds' => round(microtime(true) - $began, 1), 'segments' => DB::table('sample_segments')->where('run_channel_id', $long->id)->count(), 'short' => $short->run_id, 'long' => $long->run_id]), "\n";

$open = static fn (RunChannel $channel, callable $then): mixed => DB::transaction(static fn (): mixed => $then(StoredSamples::of($channel, DB::connection())));
$worked = static function (LongSeries $series, float $from, float $to): array {
    $moments = $series->moments($from, $to);

    return [$moments->count, $moments->meanValue, $moments->sd(), $moments->line()->slope, $moments->line()->at(0.0)];
};
$spot = static fn (int $i): float => fmod(0.618 * $i, 1.0);
$tasks = [
    'open' => static fn (RunChannel $c) => static function () use ($open, $c, $at): void {
        $open($c, static fn (LongSeries $s) => [$s->extent(), $s->picture(...$at($c, 0.0, 1.0), columns: 1000)]);
    },
    'zoom' => static fn (RunChannel $c) => static function (int $i) use ($open, $c, $at, $spot): void {
        $open($c, static fn (LongSeries $s) => $s->picture(...$at($c, 0.9 * $spot($i), 0.1 / (1 + $i % 7)), columns: 1000));
    },
    'pan' => static fn (RunChannel $c) => static function (int $i) use ($open, $c, $at, $spot): void {
        $open($c, static fn (LongSeries $s) => $s->picture(...$at($c, 0.7 * $spot($i), 0.3), columns: 1000));
    },
    'statistics_and_line' => static fn (RunChannel $c) => static function (int $i) use ($open, $c, $at, $spot, $worked): void {
        $open($c, static fn (LongSeries $s): array => $worked($s, ...$at($c, 0.15 * $spot($i), 0.8)));
    },
];
foreach ($tasks as $task => $of) {
    [$ofShort, $ofLong] = [$of($short), $of($long)];
    // In turn, so that other work on the machine falls on both.
    [$a, $b] = [[], []];
    for ($round = 0; $round < 5; $round++) {
        $a = [...$a, ...$timed($ofShort, 15)];
        $b = [...$b, ...$timed($ofLong, 15)];
    }
    sort($a);
    sort($b);
    echo json_encode(['task' => $task, 'short_ms' => round(1e3 * $a[intdiv(count($a), 2)], 2), 'long_ms' => round(1e3 * $b[intdiv(count($b), 2)], 2),
        'ratio' => round($b[intdiv(count($b), 2)] / $a[intdiv(count($a), 2)], 2)]), "\n";
}

[$from, $to] = [(int) (0.1 * $count) + 17, (int) (0.9 * $count) + 23];
$span = static fn (LongSeries $s): array => $worked($s, BEGAN + STEP_S * $from, BEGAN + STEP_S * $to);
$ours = $open($long, $span);
$seconds = $timed(static fn (): array => $open($long, $span));
$python = <<<'PYTHON'
import json, sys, time
import numpy
file, first, last, step = sys.argv[1], int(sys.argv[2]), int(sys.argv[3]), float(sys.argv[4])
times = []
for _ in range(7):
    began = time.perf_counter()
    v = numpy.fromfile(file, '<f8')[first:last + 1]
    t = step * numpy.arange(len(v), dtype=float)
    mean, sd = v.mean(), v.std(ddof=1)
    tt = t - t.mean()
    slope = (tt * (v - mean)).sum() / (tt * tt).sum()
    result = [len(v), float(mean), float(sd), float(slope), float(mean - slope * t.mean())]
    times.append(time.perf_counter() - began)
print(json.dumps({'result': result, 'seconds': sorted(times)[3]}))
PYTHON;
$other = json_decode((string) shell_exec('/usr/bin/python3 -c '.escapeshellarg($python).' '.escapeshellarg($file)." {$from} {$to} ".STEP_S), true);
$apart = array_map(static fn (float $a, float $b): float => abs($a - $b) / abs($b), array_map(floatval(...), $ours), array_map(floatval(...), $other['result']));
echo json_encode(['task' => 'beside_numpy', 'n' => $ours[0], 'core_s' => (float) sprintf('%.4g', $seconds[intdiv(count($seconds), 2)]), 'numpy_s' => (float) sprintf('%.4g', $other['seconds']),
    'ratio' => round($seconds[intdiv(count($seconds), 2)] / $other['seconds'], 4), 'apart' => ['count' => $apart[0], 'mean' => $apart[1], 'sd' => $apart[2], 'slope' => $apart[3], 'intercept' => $apart[4]],
    'peak_mb' => round(memory_get_peak_usage() / 1e6, 1)]), "\n";
unlink($file);

<?php

declare(strict_types=1);

/*
 * 100,000 samples a second over 8 benches and 48 channels, for ten minutes or so many seconds: whether every one is kept as it was
 * sent, and what the recorder needs for it. One JSON line a task. Called by bin/bench --samples, in a copy of its own.
 */

use App\Models\User;
use App\Recorder\RecorderClient;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Support\FastBenches;

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const BENCHES = 8;
const RATE = 100_000 / 48;
const LOOKED_EACH_S = 10;

$seconds = (int) ($argv[1] ?? 600);
$recorder = $app->make(RecorderClient::class);
$fast = new FastBenches(User::query()->firstOrFail(), (int) ($argv[2] ?? 8990));
/** Processor time of a process of this copy so far, s. */
$processor = static function (string $command): float {
    $most = 0.0;
    foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
        if (str_contains((string) @file_get_contents($file), "artisan\0{$command}") && str_contains((string) @file_get_contents(dirname($file).'/environ'), 'WELKION_VAR='.getenv('WELKION_VAR')."\0")) {
            $fields = explode(' ', (string) @file_get_contents(dirname($file).'/stat'));
            $most = max($most, ((int) $fields[13] + (int) $fields[14]) / 100.0);
        }
    }

    return $most;
};
try {
    $fast->start(BENCHES, RATE);
    $began = microtime(true);
    $before = $processor('welkion:record');
    $memory = [];
    $waiting = [];
    while (($left = $seconds - (microtime(true) - $began)) > 0) {
        usleep((int) (min($left, LOOKED_EACH_S) * 1e6));
        $memory[] = round($recorder->ask('health')['memory'] / 1e6, 1);
        $waiting[] = DB::table('sample_blocks')->count();
    }
    $after = $processor('welkion:record');
    $lasted = microtime(true) - $began;
    $fast->finish();
} finally {
    $fast->stop();
}
$kept = $fast->kept();
echo json_encode([
    'task' => 'samples_kept', 'seconds' => round($lasted, 1), 'per_s' => (int) round($kept['samples'] / max(1.0, $kept['shortest_s'])), 'of' => BENCHES * 6 * RATE,
] + $kept + [
    'recorder_mb_after_a_minute' => $memory[min(5, count($memory) - 1)], 'recorder_mb_last' => $memory[count($memory) - 1], 'recorder_mb_most' => max($memory), 'blocks_not_filed_most' => max($waiting),
    'recorder_of_a_core' => round(($after - $before) / $lasted, 2),
]), "\n";

<?php

declare(strict_types=1);

// The database's side of bin/bench --chaos: "prepare PORT" makes benches behind which hostile devices stand, "check RUN FILE"
// counts what is kept of a run beside what an independent listener heard and what was acknowledged; prints one JSON line.

use App\Models\Bench;
use App\Models\Reading;
use App\Models\User;
use App\Samples\SegmentValues;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Tests\Support\HostileMessages;

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

if ($argv[1] === 'prepare') {
    $teacher = User::query()->firstOrFail();
    foreach (array_keys(HostileMessages::all()) as $i => $way) {
        $teacher->benches()->create(['name' => "Hostile {$i}", 'link_name' => "hostile-{$i} chaos", 'host' => '127.0.0.1', 'port' => (int) $argv[2], 'is_simulated' => false]);
    }
    echo json_encode(['benches' => Bench::query()->count()]), "\n";
    exit(0);
}

$run = (int) $argv[2];
/** @var array{acknowledged: list<string>, heard: array<string, array<string, float>>} $told values of each channel by number */
$told = json_decode((string) file_get_contents($argv[3]), true);
$keys = Reading::query()->where('run_id', $run)->pluck('request_key');
$count = ['samples' => 0, 'missing' => 0, 'doubled' => 0, 'different' => 0, 'gaps' => 0];
foreach (DB::table('run_channels')->join('probes', 'probes.id', '=', 'probe_id')->where('run_id', $run)->get(['run_channels.id', 'channel']) as $channel) {
    $heard = $told['heard'][$channel->channel] ?? [];
    $kept = [];
    $next = null;
    $blocks = DB::table('sample_blocks')->where('run_channel_id', $channel->id)->select('first_seq', 'count', 'payload')
        ->unionAll(DB::table('sample_segments')->where('run_channel_id', $channel->id)->selectRaw('first_seq, `count`, '.SegmentValues::all().' AS payload'))->orderBy('first_seq');
    foreach ($blocks->cursor() as $block) {
        $count['gaps'] += $next !== null && $block->first_seq > $next ? 1 : 0;
        $count['doubled'] += $next === null ? 0 : max(0, $next - $block->first_seq);
        foreach (array_values((array) unpack('e*', $block->payload)) as $i => $value) {
            $kept[$block->first_seq + $i] = $value;
        }
        $next = $block->first_seq + $block->count;
    }
    $count['samples'] += count($kept);
    $first = array_key_first($kept);
    foreach ($heard as $seq => $value) {
        if ($seq >= $first && $seq < $next) {
            $count['missing'] += isset($kept[$seq]) ? 0 : 1;
            $count['different'] += isset($kept[$seq]) && $kept[$seq] !== (float) $value ? 1 : 0;
        }
    }
}
echo json_encode([
    'readings' => ['acknowledged' => count($told['acknowledged']), 'lost' => count(array_diff($told['acknowledged'], $keys->all())), 'doubled' => $keys->count() - $keys->unique()->count()],
    'samples' => $count + ['heard_by_listener' => array_sum(array_map(count(...), $told['heard']))],
]), "\n";

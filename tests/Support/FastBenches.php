<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Run;
use App\Models\User;
use App\Notebook\ColumnBook;
use App\Notebook\ExperimentStart;
use App\Notebook\ProtocolLibrary;
use App\Notebook\Sender;
use App\Recording\RunBook;
use App\Recording\RunStart;
use App\Samples\SegmentValues;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Welkion\Core\Samples\Packed;

/** Benches with fast channels whose readings follow from their numbers, and a run at each of them. */
final class FastBenches
{
    private const CHANNELS = 6;

    /** @var resource|null */
    private $process;

    /** @var list<Bench> */
    public array $benches = [];

    /** @var list<Run> */
    public array $runs = [];

    public function __construct(private readonly User $teacher, private readonly int $port)
    {
    }

    /** Starts them, and waits until the recorder hears them all. */
    public function start(int $benchCount, float $rate): void
    {
        $process = proc_open([PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=1054', '-d', 'opcache.jit_buffer_size=32M', base_path('standins/bin/generator.php'), "--port={$this->port}", '--channels='.self::CHANNELS, "--rate={$rate}"], [], $pipes);
        $this->process = is_resource($process) ? $process : throw new \RuntimeException('The generator could not be started.');
        $protocol = app(ProtocolLibrary::class)->find('blank')?->protocol ?? throw new \RuntimeException('There is no blank notebook.');
        for ($i = 1; $i <= $benchCount; $i++) {
            $name = 'Fast '.Str::random(6);
            $bench = $this->teacher->benches()->create(['name' => $name, 'link_name' => $name, 'host' => '127.0.0.1', 'port' => $this->port, 'is_simulated' => false])->refresh();
            $this->benches[] = $bench;
        }
        $this->waitUntil(fn (): bool => DB::table('probes')->whereIn('bench_id', $this->ids())->where('is_present', true)->count() === $benchCount * self::CHANNELS);
        foreach ($this->benches as $bench) {
            $sender = fn (): Sender => new Sender($this->teacher, (string) Str::uuid());
            $experiment = app(ExperimentStart::class)->begin($this->teacher, (string) Str::uuid(), "Signals of {$bench->name}", $protocol, $bench);
            app(ColumnBook::class)->add($experiment, ['kind' => 'measured', 'symbol' => 'S', 'name' => 'Signal', 'unit' => 'V', 'is_raw' => true], ['kind' => 'pressure-sensor'], $sender());
            $this->runs[] = app(RunStart::class)->start(Experiment::query()->with('bench', 'columns')->findOrFail($experiment->id), $bench, $sender());
        }
    }

    /** Ends the runs and the benches, and waits until all is filed. */
    public function finish(): void
    {
        foreach ($this->runs as $run) {
            app(RunBook::class)->finish($run->load('experiment', 'bench'), new Sender($this->teacher, (string) Str::uuid()));
        }
        $this->waitUntil(fn (): bool => ! DB::table('sample_blocks')->whereIn('run_channel_id', $this->channels())->exists(), 120.0);
    }

    public function stop(): void
    {
        if ($this->process !== null) {
            proc_terminate($this->process, SIGKILL);
            proc_close($this->process);
            $this->process = null;
        }
        Bench::query()->whereIn('id', $this->ids())->update(['link_name' => 'put away', 'port' => 1]);
    }

    /** @return array{channels: int, samples: int, gaps: int, doubled: int, different: int, shortest_s: float} what is kept, read number by number */
    public function kept(): array
    {
        $told = ['channels' => 0, 'samples' => 0, 'gaps' => 0, 'doubled' => 0, 'different' => 0, 'shortest_s' => INF];
        foreach ($this->channels() as $channel) {
            $next = null;
            $spans = [];
            foreach (DB::table('sample_segments')->where('run_channel_id', $channel)->orderBy('first_seq')->selectRaw('first_seq, `count`, t0, t1, '.SegmentValues::all().' AS payload')->lazy(20) as $segment) {
                $first = (int) $segment->first_seq;
                $told['gaps'] += $next !== null && $first > $next ? 1 : 0;
                $told['doubled'] += $next !== null && $first < $next ? $next - $first : 0;
                foreach (Packed::numbers($segment->payload) as $i => $value) {
                    $told['different'] += abs($value - ((($first + $i) % 4001 * 7919 % 4001) / 1000.0 - 2.0)) > 1e-9 ? 1 : 0;
                }
                $next = $first + (int) $segment->count;
                $told['samples'] += (int) $segment->count;
                array_push($spans, (float) $segment->t0, (float) $segment->t1);
            }
            $told['channels'] += $next === null ? 0 : 1;
            $told['shortest_s'] = min($told['shortest_s'], $spans === [] ? 0.0 : max($spans) - min($spans));
        }

        return $told;
    }

    /** @return list<int> */
    private function ids(): array
    {
        return array_map(static fn (Bench $b): int => $b->id, $this->benches);
    }

    /** @return list<int> run channels */
    private function channels(): array
    {
        return array_values(DB::table('run_channels')->whereIn('run_id', array_map(static fn (Run $r): int => $r->id, $this->runs))->orderBy('id')->pluck('id')->all());
    }

    private function waitUntil(\Closure $isTrue, float $withinS = 30.0): void
    {
        $deadline = microtime(true) + $withinS;
        while (! $isTrue()) {
            microtime(true) < $deadline || throw new \RuntimeException('It did not come to that in time.');
            usleep(100_000);
        }
    }
}

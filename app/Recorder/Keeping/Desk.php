<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

use App\Models\Bench;
use App\Models\Run;
use App\Notebook\Journal;
use App\Recorder\BenchState;
use App\Recorder\Link\ToldChannel;
use App\Recorder\ProbeRegister;
use App\Recorder\Timed\ToldRun;
use App\Samples\Filing;
use App\Storage\Outage;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\Expression;
use Illuminate\Database\QueryException;

/**
 * What the recorder asks MariaDB; runs in the clerk's process.
 *
 * @phpstan-import-type Row from Spool
 */
final readonly class Desk
{
    /** Columns of a block; "count" last, because the others are chosen by comparing it. */
    private const BLOCK = ['t0', 'dt', 'times', 'payload', 'count'];

    /** New blocks wait meanwhile, and after two seconds they would go to disk. */
    private const FILES_FOR_S = 0.3;

    public function __construct(private ConnectionInterface $database, private Journal $journal)
    {
    }

    /**
     * The benches a recorder listens to. One of a name takes those it was started for, unless another has them; what it had
     * before goes back. The one without a name listens to what nobody has taken.
     *
     * @param  list<string>  $names  of benches
     * @return list<Bench>
     */
    public function benches(?string $recorder, array $names): array
    {
        if ($recorder !== null) {
            Bench::query()->where('recorder', $recorder)->whereNotIn('name', $names)->update(['recorder' => null]);
            // While a run is recorded two would write down the same.
            Bench::query()->whereDoesntHave('openRuns')->whereDoesntHave('openRunsBeside')->where('recorder', null)->whereIn('name', $names)->update(['recorder' => $recorder]);
        }

        return array_values(Bench::query()->where('put_away_at', null)->where('recorder', $recorder)->get()->all());
    }

    /**
     * Writes down what is plugged in.
     *
     * @param  list<ToldChannel>  $channels
     * @return array{state: BenchState, left: list<int>} and the benches from which probes were carried here
     *
     * @throws ModelNotFoundException If the bench was removed.
     */
    public function note(int $benchId, array $channels): array
    {
        $left = ProbeRegister::note(Bench::query()->findOrFail($benchId), $channels);

        return ['state' => $this->state($benchId), 'left' => $left];
    }

    /** @throws ModelNotFoundException If the bench was removed. */
    public function state(int $benchId): BenchState
    {
        $bench = Bench::query()->with('probes.calibration', 'probes.lastZero')->findOrFail($benchId);
        $runs = $this->runs($benchId);
        $timed = array_values(array_filter($runs, static fn (Run $r): bool => $r->isTimed()));
        $isTimed = array_fill_keys(array_map(static fn (Run $r): int => $r->id, $timed), true);
        $last = fn (string $table): Builder => $this->database->table($table)->whereColumn('run_channel_id', 'run_channels.id')
            ->orderByDesc('first_seq')->limit(1)->selectRaw('first_seq + count - 1');
        $ids = array_merge([], ...array_map(static fn (Run $r): array => $r->channelsAt($benchId)->modelKeys(), $runs));
        $channels = $this->database->table('run_channels')->whereIn('id', $ids)->select('id', 'run_id', 'probe_id')
            ->selectSub($last('sample_blocks'), 'last_in_blocks')->selectSub($last('sample_segments'), 'last_filed')->get();

        return new BenchState($bench, array_values($channels->map(static fn (\stdClass $c): array => [
            'id' => (int) $c->id, 'probeId' => (int) $c->probe_id, 'lastSeq' => max((int) $c->last_in_blocks, (int) $c->last_filed),
            'isTimed' => isset($isTimed[(int) $c->run_id]),
        ])->all()), array_map(static fn (Run $r): ToldRun => TimedRunRow::told($r, $benchId), $timed));
    }

    /**
     * A timed run has begun: from here its time is counted.
     *
     * @param  array<int, float>  $zeros  clock of the bench, s, by run channel
     * @param  float|null  $error  standard uncertainty of them, of a bench beside, s
     */
    public function begun(int $runId, array $zeros, ?float $error): bool
    {
        return (new TimedRunRow($this->journal))->begun($runId, $zeros, $error);
    }

    /** A timed run has ended by itself. */
    public function ended(int $runId, float $endedS, string $by): bool
    {
        return (new TimedRunRow($this->journal))->ended($runId, $endedS, $by);
    }

    /** @return list<Run> those that are open, and timed ones that ended a moment ago */
    private function runs(int $benchId): array
    {
        return array_values(Run::query()->with(['channels' => static fn ($query) => $query->with(TimedRunRow::CHANNELS), 'experiment.columns'])->where('thrown_away_at', null)
            ->where(static fn ($query) => $query->where('bench_id', $benchId)->orWhere('beside_id', $benchId))
            ->where(static fn ($query) => $query->where('state', Run::OPEN)->orWhere(static fn ($or) => $or->where('kind', Run::TIMED)->where('finished_at', '>', now()->subSeconds(Run::LINGERS_S))))->get()->all());
    }

    /**
     * Puts blocks into MariaDB. One that is there already is kept once; the longer of two that begin alike wins.
     *
     * @param  list<Row>  $rows
     * @return list<array{runChannelId: int, firstSeq: int, count: int, reason: string}> those that were refused, and will always be
     */
    public function keep(array $rows): array
    {
        try {
            $this->insert($rows);

            return [];
        } catch (QueryException $failure) {
            if (Outage::isBehind($failure)) {
                throw $failure;
            }
            if (count($rows) === 1) {
                return [[
                    'runChannelId' => (int) $rows[0]['run_channel_id'], 'firstSeq' => (int) $rows[0]['first_seq'],
                    'count' => (int) $rows[0]['count'], 'reason' => (string) ($failure->errorInfo[2] ?? $failure->getCode()),
                ]];
            }
        }
        // One spoils the statement, not the others.
        $half = intdiv(count($rows), 2);

        return [...$this->keep(array_slice($rows, 0, $half)), ...$this->keep(array_slice($rows, $half))];
    }

    /** Puts blocks together into segments, for a moment; whether there is more to do. */
    public function file(): bool
    {
        return (new Filing($this->database))->file(self::FILES_FOR_S);
    }

    /** @param  list<Row>  $rows */
    private function insert(array $rows): void
    {
        if ($rows === []) {
            return;
        }
        $longer = array_map(static fn (string $c): Expression => new Expression("IF(VALUES(`count`) > `count`, VALUES(`{$c}`), `{$c}`)"), self::BLOCK);
        $this->database->table('sample_blocks')->upsert($rows, ['run_channel_id', 'first_seq'], array_combine(self::BLOCK, $longer));
    }
}

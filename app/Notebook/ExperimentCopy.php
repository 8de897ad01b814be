<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Experiment;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Copies the rows of an experiment, each pointing to the copies of what it pointed to. */
final class ExperimentCopy
{
    private const LONGEST_TITLE = 120;

    /** Columns of samples, which are copied without being read. */
    private const SAMPLES = [
        'sample_segments' => 'first_seq, count, t0, t1, dt, outline, envelope, moments, offsets, values_0, values_1, values_2, values_3, values_4, values_5, values_6, values_7',
        'sample_indexes' => 'heads',
        'sample_blocks' => 'first_seq, count, t0, dt, times, payload',
    ];

    /** @var array<string, array<int, int>> new id by old id, by table */
    private array $ids = [];

    public function __construct(private readonly Experiment $experiment)
    {
    }

    public function made(string $key, bool $withRuns): Experiment
    {
        $copy = Experiment::query()->create([
            'user_id' => $this->experiment->user_id, 'bench_id' => $this->experiment->bench_id, 'beside_id' => $this->experiment->beside_id, 'request_key' => $key,
            'title' => mb_substr("{$this->experiment->title}, copy", 0, self::LONGEST_TITLE), 'aim' => $this->experiment->aim, 'plan' => $this->experiment->plan,
        ])->refresh();
        $of = ['experiment_id' => $this->experiment->id];
        $to = ['experiment_id' => $copy->id];
        $this->rows('columns', $of, $to);
        $this->rows('entries', $of, $to);
        $this->rows('spans', $of, $to, ['column_id' => 'columns']);
        $this->rows('figures', $of, $to);
        $this->rows('lines', $of, $to, ['span_id' => 'spans']);
        // What somebody thinks a result is, stays with who thinks it.
        DB::table('lines')->where($to)->update(['options' => DB::raw("JSON_REMOVE(options, '$.guesses')")]);
        foreach (DB::table('line_inputs')->whereIn('line_id', array_keys($this->ids['lines'] ?? []))->orderBy('id')->get() as $input) {
            $this->insert('line_inputs', get_object_vars($input), [
                'line_id' => $this->ids['lines'][$input->line_id] ?? 0, 'source_id' => $this->ids[['column' => 'columns', 'entry' => 'entries', 'line' => 'lines'][$input->source_type] ?? ''][$input->source_id] ?? 0,
            ]);
        }
        if ($withRuns) {
            $this->runs($copy);
        }

        return $copy;
    }

    private function runs(Experiment $copy): void
    {
        foreach (Run::query()->where('experiment_id', $this->experiment->id)->where('thrown_away_at', null)->where('state', Run::FINISHED)->get()->sortBy('number') as $run) {
            $new = $this->insert('runs', $run->getRawOriginal(), ['experiment_id' => $copy->id, 'request_key' => null]);
            $this->ids['runs'][$run->id] = $new;
            $this->rows('run_channels', ['run_id' => $run->id], ['run_id' => $new]);
            $this->rows('reworkings', [], [], ['run_channel_id' => 'run_channels'], array_keys($this->ids['run_channels'] ?? []));
            $this->rows('readings', ['run_id' => $run->id], ['run_id' => $new]);
            $this->rows('cells', [], [], ['reading_id' => 'readings', 'run_channel_id' => 'run_channels'], array_keys($this->ids['readings'] ?? []));
            $this->rows('markers', ['run_id' => $run->id], ['run_id' => $new]);
            $this->rows('set_asides', ['run_id' => $run->id], ['run_id' => $new], ['column_id' => 'columns']);
            $this->rows('typed_columns', ['run_id' => $run->id], ['run_id' => $new], ['column_id' => 'columns'], array_keys($this->ids['columns'] ?? []));
            foreach (self::SAMPLES as $table => $columns) {
                $own = 'b.'.str_replace(', ', ', b.', $columns);
                DB::statement("INSERT INTO {$table} (run_channel_id, {$columns}) SELECT n.id, {$own} FROM {$table} b "
                    .'JOIN run_channels o ON o.id = b.run_channel_id JOIN run_channels n ON n.run_id = ? AND n.probe_id = o.probe_id WHERE o.run_id = ?', [$new, $run->id]);
            }
            foreach (['readings', 'cells', 'run_channels', 'reworkings'] as $done) {
                $this->ids[$done] = [];
            }
        }
        foreach (DB::table('entry_values')->whereIn('entry_id', array_keys($this->ids['entries'] ?? []))->get() as $value) {
            $this->insert('entry_values', get_object_vars($value), ['entry_id' => $this->ids['entries'][$value->entry_id] ?? 0, 'run_id' => $this->ids['runs'][$value->run_id] ?? 0]);
        }
    }

    /**
     * @param  array<string, int>  $of  which rows
     * @param  array<string, int>  $to  what they have instead
     * @param  array<string, string>  $points  table by column that points to it
     * @param  list<int>|null  $within  rows whose first pointer is one of these, instead of $of
     */
    private function rows(string $table, array $of, array $to, array $points = [], ?array $within = null): void
    {
        $query = DB::table($table)->where($of)->orderBy('id');
        if ($within !== null) {
            $query->whereIn((string) array_key_first($points), $within);
        }
        foreach ($query->get() as $row) {
            $values = get_object_vars($row);
            $instead = $to;
            foreach ($points as $column => $pointed) {
                $instead[$column] = $values[$column] === null ? null : $this->ids[$pointed][$values[$column]] ?? null;
            }
            $this->ids[$table][(int) $values['id']] = $this->insert($table, $values, $instead);
        }
        foreach ($table === 'readings' ? $this->ids['readings'] ?? [] : [] as $old => $new) {
            $replacedBy = DB::table('readings')->where('id', $old)->value('replaced_by_id');
            $replacedBy === null || DB::table('readings')->where('id', $new)->update(['replaced_by_id' => $this->ids['readings'][$replacedBy] ?? null]);
        }
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  array<string, mixed>  $instead
     */
    private function insert(string $table, array $values, array $instead): int
    {
        unset($values['id']);
        $values = $instead + $values;
        if ($table === 'readings') {
            $values = ['request_key' => (string) Str::uuid(), 'replaced_by_id' => null] + $values;
        }

        return (int) DB::table($table)->insertGetId($values);
    }
}

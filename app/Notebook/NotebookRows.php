<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Column;
use App\Models\Entry;
use App\Models\EntryValue;
use App\Models\Experiment;
use App\Models\Figure;
use App\Models\Line;
use App\Models\LineInput;
use App\Models\Run;
use App\Models\Span;
use App\Models\TypedColumn;
use Illuminate\Database\Eloquent\Collection;
use Welkion\Core\Notebook\ColumnKind;

/** All of a notebook as it is stored, but for what was recorded in its runs. */
final readonly class NotebookRows
{
    private const PLACE = [['position', 'asc'], ['id', 'asc']];

    /**
     * @param  Collection<int, Entry>  $entries
     * @param  Collection<int, EntryValue>  $entryValues
     * @param  Collection<int, Column>  $columns
     * @param  Collection<int, Span>  $spans
     * @param  Collection<int, Figure>  $figures
     * @param  Collection<int, Line>  $lines
     * @param  Collection<int, LineInput>  $lineInputs
     * @param  Collection<int, Run>  $runs
     */
    private function __construct(
        public Experiment $experiment,
        public Collection $entries,
        public Collection $entryValues,
        public Collection $columns,
        public Collection $spans,
        public Collection $figures,
        public Collection $lines,
        public Collection $lineInputs,
        public Collection $runs,
    ) {
    }

    public static function of(Experiment $experiment): self
    {
        return self::withColumns($experiment, self::columns($experiment));
    }

    /**
     * What columns of a run hang on. That of those which were measured or typed is the run itself, and no more is read: while a
     * hand moves, it is asked for again and again.
     *
     * @param  list<string>  $symbols
     */
    public static function below(Run $run, array $symbols): self
    {
        $columns = self::columns($run->experiment);
        $recorded = $columns->reject(static fn (Column $c): bool => $c->kind === ColumnKind::Derived)->pluck('symbol')->all();
        if (array_diff($symbols, $recorded) !== [] || $run->thrown_away_at !== null) {
            return self::withColumns($run->experiment, $columns);
        }

        $runs = self::read(new Collection([$run]));
        if ($run->isTyped()) {
            TypedColumn::readNumbers($run->typedColumns->whereIn('column_id', $columns->whereIn('symbol', $symbols)->modelKeys())->all());
        }

        return new self($run->experiment, new Collection, new Collection, $columns, new Collection, new Collection, new Collection, new Collection, $runs);
    }

    /** @return Collection<int, Column> */
    private static function columns(Experiment $experiment): Collection
    {
        return Column::query()->where('experiment_id', $experiment->id)->get()->sortBy(self::PLACE)->values();
    }

    /** @param  Collection<int, Column>  $columns */
    private static function withColumns(Experiment $experiment, Collection $columns): self
    {
        $id = $experiment->id;
        $entries = Entry::query()->where('experiment_id', $id)->get()->sortBy(self::PLACE)->values();
        $lines = Line::query()->where('experiment_id', $id)->get()->sortBy(self::PLACE)->values();
        $runs = Run::query()->with('bench', 'beside')->where('experiment_id', $id)->where('thrown_away_at', null)->withCount('readings')->get()->sortBy(static fn (Run $r): array => [$r->place(), $r->number])->values();
        $hasPerRun = $entries->contains(static fn (Entry $e): bool => $e->is_per_run);

        return new self(
            $experiment, $entries,
            $hasPerRun ? EntryValue::query()->where(static fn ($query) => $query->whereIn('entry_id', $entries->modelKeys()))->get() : new Collection,
            $columns,
            Span::query()->where('experiment_id', $id)->get()->sortBy('id')->values(),
            Figure::query()->where('experiment_id', $id)->get()->sortBy(self::PLACE)->values(),
            $lines,
            LineInput::query()->where(static fn ($query) => $query->whereIn('line_id', $lines->modelKeys()))->get()->sortBy('id')->values(),
            self::read($runs)->each(static fn (Run $r) => $r->setRelation('experiment', $experiment)),
        );
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return Collection<int, Run> with what tells their rows apart from others
     */
    private static function read(Collection $runs): Collection
    {
        // Only of these it matters when they began.
        $runs->filter(static fn (Run $r): bool => $r->isTimed())->loadMissing('channels');
        $runs->filter(static fn (Run $r): bool => $r->isTyped())->loadMissing('typedColumns', 'setAsides')->each(static fn (Run $r) => $r->setRelation('channels', new Collection));

        return $runs;
    }

    /** The column that is set from reading to reading. */
    public function stepColumn(): ?Column
    {
        return $this->columns->first(static fn (Column $c): bool => $c->kind === ColumnKind::Step);
    }

    /** @return array<string, string> symbol by slot: what a line uses */
    public function usesOf(Line $line): array
    {
        $uses = [];
        foreach ($this->lineInputs as $input) {
            if ($input->line_id === $line->id && ! str_starts_with($input->slot, LineInput::IN_FORMULA)) {
                $uses[$input->slot] = $this->symbolOf($input);
            }
        }

        return $uses;
    }

    /** @return list<string> all symbols in use */
    public function symbols(): array
    {
        return array_values([...$this->entries->pluck('symbol')->all(), ...$this->columns->pluck('symbol')->all(), ...$this->lines->pluck('symbol')->all()]);
    }

    private function symbolOf(LineInput $input): string
    {
        $source = match ($input->source_type) {
            LineInput::COLUMN => $this->columns->find($input->source_id),
            LineInput::ENTRY => $this->entries->find($input->source_id),
            default => $this->lines->find($input->source_id),
        };
        $symbol = $source === null ? '?' : $source->symbol;

        return $input->part === null ? $symbol : "{$symbol}.{$input->part}";
    }
}

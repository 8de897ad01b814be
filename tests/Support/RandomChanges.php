<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Exceptions\Refusal;
use App\Models\Column;
use App\Models\Entry;
use App\Models\Experiment;
use App\Models\Figure;
use App\Models\Line;
use App\Models\Run;
use App\Models\Span;
use App\Models\User;
use App\Notebook\ColumnBook;
use App\Notebook\EntryBook;
use App\Notebook\ExperimentBook;
use App\Notebook\FigureBook;
use App\Notebook\LineBook;
use App\Notebook\Sender;
use App\Notebook\SpanBook;
use App\Recording\ReadingBook;
use App\Recording\RunBook;
use App\Recording\SetAsideBook;
use App\Typing\CellBook;
use App\Typing\RowBook;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Str;
use Random\Randomizer;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\StepPlan;

/** Changes of a notebook as people might make them, one after the other; the same chance gives the same ones. */
final class RandomChanges
{
    private int $made = 0;

    public function __construct(private readonly Randomizer $chance, private readonly Experiment $experiment, private readonly User $user)
    {
    }

    /** Makes one change that is not refused. */
    public function makeOne(): void
    {
        $before = $this->experiment->refresh()->revision;
        for ($tries = 0; $this->experiment->refresh()->revision === $before && $tries < 200; $tries++) {
            try {
                $this->attempt($this->chance->getInt(0, 21), new Sender($this->user, (string) Str::uuid()));
            } catch (Refusal|CoreException) {
                // A rule forbids it; people would do something else then.
                continue;
            }
        }
    }

    private function attempt(int $kind, Sender $sender): void
    {
        $experiment = $this->experiment;
        $number = $this->chance->getInt(1, 2000) / 100;
        $name = 'thing '.(++$this->made);
        $symbol = 's'.$this->chance->getInt(1, 12);
        match ($kind) {
            0, 1 => $this->with(Entry::class, fn (Entry $e) => app(EntryBook::class)->type($experiment, $e, $e->is_words ? ['text' => $name] : ['typed' => "{$number} ± 0.1"], $e->is_per_run ? $this->run() : null, $sender)),
            2 => app(EntryBook::class)->add($experiment, ['symbol' => $symbol, 'name' => $name, 'unit' => 'g', 'is_per_run' => $number > 10.0, 'is_words' => false], null, null, $sender),
            3 => $this->with(Entry::class, static fn (Entry $e) => app(EntryBook::class)->change($experiment, $e, ['symbol' => $symbol, 'name' => $name], $sender)),
            4 => $this->with(Entry::class, static fn (Entry $e) => app(EntryBook::class)->remove($experiment, $e, $sender)),
            5 => app(ColumnBook::class)->add($experiment, ['kind' => 'derived', 'symbol' => $symbol, 'name' => $name, 'unit' => 'mL', 'formula' => "V * {$number}"], null, $sender),
            6 => $this->with(Column::class, static fn (Column $c) => app(ColumnBook::class)->change($experiment, $c, $c->formula === null ? ['symbol' => $symbol] : ['formula' => "{$symbol} + V", 'decimals' => 3], false, $sender)),
            7 => $this->with(Column::class, static fn (Column $c) => app(ColumnBook::class)->remove($experiment, $c, $sender)),
            8 => app(LineBook::class)->add($experiment, ['symbol' => $symbol, 'title' => $name, 'method' => 'formula', 'is_per_run' => $number > 5.0], ['texts' => ['formula' => "{$number} * c"], 'numbers' => []], $sender),
            9 => $this->with(Line::class, fn (Line $l) => app(LineBook::class)->change($experiment, $l, ['title' => $name, 'place' => $this->chance->getInt(1, 6)], [], $sender)),
            10 => $this->with(Line::class, static fn (Line $l) => app(LineBook::class)->change($experiment, $l, ['symbol' => $symbol], $l->method === 'formula' ? ['texts' => ['formula' => "V0 * {$number}"]] : [], $sender)),
            11 => $this->with(Line::class, static fn (Line $l) => app(LineBook::class)->copy($experiment, $l, $sender)),
            12 => $this->with(Line::class, static fn (Line $l) => app(LineBook::class)->remove($experiment, $l, $sender)),
            13 => $this->with(Column::class, static fn (Column $c) => app(SpanBook::class)->add($experiment, $c, $name, $number, $number + 3.0, $sender)),
            14 => $this->with(Span::class, static fn (Span $s) => $number > 8.0 ? app(SpanBook::class)->change($experiment, $s, ['from' => $number], $sender) : app(SpanBook::class)->remove($experiment, $s, $sender)),
            15 => $this->with(Figure::class, static fn (Figure $f) => app(FigureBook::class)->change($experiment, $f, $name, ['x' => 'V', 'panels' => [['y' => [$number > 10.0 ? 'T' : 'E']]]], $sender)),
            16 => app(ExperimentBook::class)->change($experiment, [$number > 10.0 ? 'conclusion' : 'title' => $name], $sender),
            17 => $this->aside($sender, $number),
            18, 19, 20 => $this->typed($sender, $number, $symbol),
            default => $this->ofRun($sender, $number, $name),
        };
    }

    private function aside(Sender $sender, float $number): void
    {
        $run = $this->run();
        $readings = array_values($run->readings()->get()->all());
        $some = $readings === [] ? [] : $this->chance->pickArrayKeys($readings, $this->chance->getInt(1, count($readings)));
        $some === [] || app(SetAsideBook::class)->set($run, array_map(static fn (int $i): int => $readings[$i]->row, $some), $number > 6.0 ? 'a bubble '.$number : null, $sender);
    }

    /** Cells and rows of a typed run, its columns and their units. */
    private function typed(Sender $sender, float $number, string $symbol): void
    {
        $run = $this->experiment->runs()->where('kind', Run::TYPED)->get()->first();
        $columns = $this->experiment->columns()->where('kind', ColumnKind::Typed)->get();
        if (! $run instanceof Run) {
            // Thrown away.
            return;
        }
        $run->setRelation('experiment', $this->experiment->load('columns'));
        $rows = $run->rowOrder()->rows();
        $row = fn (): int => $rows[$this->chance->getInt(0, count($rows) - 1)];
        $column = $columns->isEmpty() ? null : $columns[$this->chance->getInt(0, count($columns) - 1)];
        match (true) {
            $column === null => app(ColumnBook::class)->add($this->experiment, ['kind' => 'typed', 'symbol' => $symbol, 'name' => $symbol, 'unit' => 'mL', 'position' => 9], null, $sender),
            $rows === [] || $number > 14.0 => app(CellBook::class)->put($run, null, [$column->id], [[(string) $number], ['x'], [null]], $sender),
            $number > 8.0 => app(CellBook::class)->put($run, $row(), [$column->id], [["{$number}"], [$number > 11.0 ? '' : 'no number']], $sender),
            $number > 6.0 => app(RowBook::class)->insert($run, 2, $row(), $sender),
            $number > 4.0 => app(RowBook::class)->delete($run, $row(), $row(), $sender),
            $number > 2.0 => app(RowBook::class)->move($run, $row(), $row(), $row(), $sender),
            default => app(ColumnBook::class)->change($this->experiment, $column, ['unit' => $column->unit === 'mL' ? 'L' : 'mL'], $number > 1.0, $sender),
        };
    }

    private function ofRun(Sender $sender, float $number, string $name): void
    {
        $run = $this->run();
        $reading = $run->readings()->get()->first();
        match (true) {
            $number > 15.0 => app(RunBook::class)->describe($run, ['name' => $name, 'condition' => 'cold', 'trial' => 2], $sender),
            $number > 10.0 => app(RunBook::class)->throwAway($run, $sender),
            $number > 5.0 && $reading !== null => app(ReadingBook::class)->delete($reading->setRelation('run', $run), $sender),
            default => app(RunBook::class)->changeNextPlan($this->experiment->load('columns'), StepPlan::fromArray(['ranges' => [['from' => 0.0, 'to' => $number, 'step' => 0.5]]], RunBook::limits($this->experiment)), $sender),
        };
    }

    private function run(): Run
    {
        $run = $this->experiment->runs()->get()->first() ?? throw Refusal::nothingToUndo();

        return $run->setRelation('experiment', $this->experiment->load('columns', 'bench'));
    }

    /**
     * Does something with one of them, if there is one.
     *
     * @template T of Model
     *
     * @param  class-string<T>  $class
     * @param  \Closure(T): mixed  $do
     */
    private function with(string $class, \Closure $do): void
    {
        $all = array_values((new $class)->newQuery()->where('experiment_id', $this->experiment->id)->get()->sortBy('id')->all());
        $all === [] || $do($all[$this->chance->getInt(0, count($all) - 1)]);
    }
}

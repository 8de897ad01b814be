<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Uncertainty\Measured;

/**
 * The keys of columns and lines: each is a hash of a thing's own making and of the keys of what it uses, down to the revisions
 * of the recorded columns. Two equal keys stand for the same result, so that only what hangs on a change is worked out again.
 */
final class Keys
{
    /** Counted up when methods give other results for the same inputs. */
    private const EDITION = 6;

    /** @var array<string, string> */
    private array $known = [];

    public function __construct(private readonly Notebook $notebook, private readonly Graph $graph)
    {
    }

    /** Of a column's cells in a run. */
    public function column(string $symbol, int $run): string
    {
        $column = $this->notebook->columns[$symbol];

        return $this->known["{$symbol} {$run}"] ??= isset($this->graph->circles[$symbol]) ? 'circle'
            : self::hash([$symbol, $column->unit->symbol, $column->kind === ColumnKind::Derived
                ? [$column->formula, array_map(fn (string $s): string => $this->of($s, $run), $this->graph->uses[$symbol])]
                : [$column->origin, $this->notebook->runs[$run]->revisionOf($symbol)]]);
    }

    /** Of a line, for one run or for the experiment. */
    public function line(string $symbol, ?int $run): string
    {
        return $this->known["{$symbol} {$run}"] ??= isset($this->graph->circles[$symbol]) ? 'circle' : $this->lineKey($this->notebook->lines[$symbol], $run);
    }

    private function lineKey(Line $line, ?int $run): string
    {
        $run ??= $this->notebook->runNumbered($line->onlyRun)?->id;
        $runs = $run === null ? array_keys($this->notebook->runs) : [$run];
        $uses = [];
        foreach ($this->graph->uses[$line->symbol] as $used) {
            $isOfRuns = $run === null && $this->notebook->isPerRun($used);
            foreach ($isOfRuns || isset($this->notebook->columns[$used]) ? $runs : [$run] as $of) {
                $uses[] = [$used, $of, $isOfRuns && ($this->notebook->runs[$of] ?? null)?->aside !== null ? 'set aside' : $this->of($used, $of)];
            }
        }
        $span = $line->span;

        return self::hash([
            self::EDITION, $line->onlyRun, $line->method, $line->uses, $line->texts, array_map(self::measured(...), $line->numbers), $uses,
            $span === null ? null : [$span->column, $run === null ? [$span->from, $span->to] : [], array_map(fn (int $r): array => $this->stretch($span, $r), $runs)],
        ]);
    }

    /** @return array{float, float, string} where a span lies in a run, and along what */
    private function stretch(Span $span, int $run): array
    {
        $of = $this->notebook->runs[$run] ?? null;
        $there = $span->in($of);

        return [$there->from, $there->to, $of !== null && isset($this->notebook->columns[$span->column]) ? $this->column($span->column, $run) : ''];
    }

    private function of(string $symbol, ?int $run): string
    {
        return match (true) {
            isset($this->notebook->columns[$symbol]) => $run === null || ! isset($this->notebook->runs[$run]) ? 'no rows' : $this->column($symbol, $run),
            isset($this->notebook->lines[$symbol]) => $this->line($symbol, $this->notebook->lines[$symbol]->isPerRun ? $run : null),
            isset($this->notebook->entries[$symbol]) => $this->entry($this->notebook->entries[$symbol], $run),
            default => 'unknown',
        };
    }

    private function entry(Entry $entry, ?int $run): string
    {
        $value = $entry->valueOf($run);

        return self::hash([$this->notebook->worded($entry->name), $value === null ? null : self::measured($value)]);
    }

    /** @return array{float, float, string} */
    private static function measured(Measured $value): array
    {
        return [$value->value, $value->uncertainty, $value->unit->symbol];
    }

    private static function hash(mixed $of): string
    {
        return sha1(serialize($of));
    }
}

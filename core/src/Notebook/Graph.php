<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** Which columns and lines use which: in an order in which each comes after what it uses, and those that go round in a circle. */
final readonly class Graph
{
    /**
     * @param  list<string>  $order  symbols of derived columns and lines, without those in a circle
     * @param  array<string, string>  $circles  for a symbol that uses itself in the end: the way round
     * @param  array<string, list<string>>  $uses  by symbol
     */
    private function __construct(public array $order, public array $circles, public array $uses)
    {
    }

    public static function of(Notebook $notebook): self
    {
        $uses = [];
        foreach ($notebook->columns as $symbol => $column) {
            $uses[$symbol] = self::known($notebook, $column->kind === ColumnKind::Derived ? Symbols::in($column->formula) : []);
        }
        foreach ($notebook->lines as $symbol => $line) {
            $uses[$symbol] = self::known($notebook, [...array_values($line->uses), ...Symbols::in($line->texts['formula'] ?? '')]);
        }
        $order = [];
        $circles = [];
        foreach (array_keys($uses) as $symbol) {
            self::visit((string) $symbol, $uses, [], $order, $circles);
        }

        return new self(array_values(array_diff(array_map(strval(...), array_keys($order)), array_keys($circles))), $circles, $uses);
    }

    /** @return list<string> columns and lines that rest on a symbol, also through others */
    public function restingOn(string $symbol): array
    {
        $found = [$symbol => true];
        foreach ($this->order as $node) {
            if (array_intersect($this->uses[$node], array_map(strval(...), array_keys($found))) !== []) {
                $found[$node] = true;
            }
        }
        unset($found[$symbol]);

        return array_map(strval(...), array_keys($found));
    }

    /**
     * @param  list<string>  $symbols
     * @return list<string> the columns, entries and lines among them
     */
    private static function known(Notebook $notebook, array $symbols): array
    {
        $bases = array_map(Symbols::base(...), $symbols);

        return array_values(array_unique(array_filter($bases, static fn (string $s): bool => isset($notebook->columns[$s]) || isset($notebook->lines[$s]) || isset($notebook->entries[$s]))));
    }

    /**
     * @param  array<string, list<string>>  $uses
     * @param  list<string>  $way
     * @param  array<string, true>  $order
     * @param  array<string, string>  $circles
     */
    private static function visit(string $symbol, array $uses, array $way, array &$order, array &$circles): void
    {
        $met = array_search($symbol, $way, true);
        if ($met !== false) {
            $round = array_slice($way, $met);
            foreach ($round as $member) {
                $circles[$member] = implode(' → ', [...$round, $symbol]);
            }

            return;
        }
        if (isset($order[$symbol]) || isset($circles[$symbol])) {
            return;
        }
        foreach ($uses[$symbol] ?? [] as $used) {
            self::visit($used, $uses, [...$way, $symbol], $order, $circles);
        }
        if (isset($uses[$symbol]) && ! isset($circles[$symbol])) {
            $order[$symbol] = true;
        }
    }
}

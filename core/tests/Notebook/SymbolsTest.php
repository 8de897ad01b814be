<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Notebook\Entry;
use Welkion\Core\Notebook\Graph;
use Welkion\Core\Notebook\Symbols;
use Welkion\Core\Units\Unit;

final class SymbolsTest extends TestCase
{
    #[TestWith(['V'])]
    #[TestWith(['c_1'])]
    #[TestWith(['ΔT'])]
    #[TestWith(['κ'])]
    #[TestWith(['x₂'])]
    #[TestWith(['abcdefghijklmnopqrst'])]
    public function test_takes_what_a_formula_can_name(string $symbol): void
    {
        self::assertSame($symbol, Symbols::require($symbol));
        self::assertSame([$symbol], Symbols::in("2*{$symbol}"));
    }

    #[TestWith([''])]
    #[TestWith(['1V'])]
    #[TestWith(['a b'])]
    #[TestWith(['a.b'])]
    #[TestWith(['mean'])]
    #[TestWith(['log'])]
    #[TestWith(['abcdefghijklmnopqrstu'])]
    public function test_refuses_the_rest(string $symbol): void
    {
        $this->expectException(InvalidQuantity::class);
        Symbols::require($symbol);
    }

    public function test_a_new_name_is_written_into_formulas_and_nothing_else_changes(): void
    {
        self::assertSame('2 * W + V0 - mean( W )^2', Symbols::renamed('2 * V + V0 - mean( V )^2', 'V', 'W'));
        self::assertSame('jump.pH/jump + eq2', Symbols::renamed('eq.pH/eq + eq2', 'eq', 'jump'));
        self::assertSame('2 * (V', Symbols::renamed('2 * (V', 'V', 'W'), 'What cannot be read is left alone.');
        self::assertSame(['eq.pH', 'a'], Symbols::in('eq.pH*a'));
        self::assertSame([], Symbols::in('a +'));
    }

    public function test_one_symbol_a_notebook(): void
    {
        $this->expectExceptionMessage('The symbol "V" is used twice');
        Notebooks::of([Notebooks::entry('V', 1.0)], [Notebooks::column('V')]);
    }

    public function test_words_of_entries_stand_in_names(): void
    {
        $notebook = Notebooks::of([
            new Entry('analyte', 'Analyte', Unit::one(), text: 'lactic acid'), new Entry('sample', 'Sample', Unit::one(), text: '  '),
        ]);
        self::assertSame('Amount of lactic acid in the sample, {gone}', $notebook->worded('Amount of {analyte} in the {sample}, {gone}'));
    }

    public function test_knows_what_rests_on_what_and_what_goes_round(): void
    {
        $graph = Graph::of(Notebooks::of([Notebooks::entry('e', 1.0)], [Notebooks::column('x'), Notebooks::column('y', '', 'x*e')], [
            Notebooks::line('late', 'formula', formula: 'm*2'), Notebooks::line('m', 'statistics', ['column' => 'y']),
            Notebooks::line('a', 'formula', formula: 'b'), Notebooks::line('b', 'formula', formula: 'a'), Notebooks::line('self', 'formula', formula: 'self+1'), Notebooks::line('out', 'formula', formula: 'a+e'),
        ]));

        self::assertSame(['x', 'y', 'm', 'late', 'out'], $graph->order);
        self::assertSame(['a' => 'a → b → a', 'b' => 'a → b → a', 'self' => 'self → self'], $graph->circles);
        self::assertSame(['y', 'm', 'late', 'out'], $graph->restingOn('e'));
        self::assertSame(['late'], $graph->restingOn('m'));
        self::assertSame([], $graph->restingOn('late'));
    }
}

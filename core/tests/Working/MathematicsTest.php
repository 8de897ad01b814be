<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Working;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\Typeset;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\Mathematics as M;

final class MathematicsTest extends TestCase
{
    public function test_says_what_it_is_and_leaves_out_what_it_has_not(): void
    {
        self::assertSame(['kind' => 'symbol', 'text' => 'V'], M::symbol('V')->toArray());
        self::assertSame(['kind' => 'words', 'text' => 'balance'], M::words('balance')->toArray());
        self::assertSame(['kind' => 'number', 'text' => '2', 'unit' => 'mL'], M::number('2', 'mL')->toArray());
        self::assertSame(['kind' => 'number', 'text' => '10.45', 'unit' => 'mL'], M::value(Measured::of(10.4512, 0.02, Unit::parse('mL')))->toArray());
    }

    /** @return iterable<string, array{M, array<string, mixed>}> */
    public static function trees(): iterable
    {
        [$a, $b] = [M::symbol('a'), M::symbol('b')];
        $both = ['parts' => [['kind' => 'symbol', 'text' => 'a'], ['kind' => 'symbol', 'text' => 'b']]];
        yield 'equals' => [M::equals($a, $b), ['kind' => 'equals'] + $both];
        yield 'over' => [M::over($a, $b), ['kind' => 'over'] + $both];
        yield 'plus' => [M::plus($a, $b), ['kind' => 'plus'] + $both];
        yield 'minus' => [M::minus($a, $b), ['kind' => 'minus'] + $both];
        yield 'times' => [M::times($a, $b), ['kind' => 'times'] + $both];
        yield 'power' => [M::power($a, $b), ['kind' => 'power'] + $both];
        yield 'at' => [M::at($a, $b), ['kind' => 'at'] + $both];
        yield 'in' => [M::in($a, $b), ['kind' => 'in'] + $both];
        yield 'integral' => [M::integral($a, $b), ['kind' => 'integral'] + $both];
        yield 'derivative' => [M::derivative(2, $a, $b), ['kind' => 'derivative', 'text' => '2'] + $both];
        yield 'call' => [M::call('ln', $a, $b), ['kind' => 'call', 'text' => 'ln'] + $both];
        yield 'negative' => [M::negative($a), ['kind' => 'negative', 'parts' => [['kind' => 'symbol', 'text' => 'a']]]];
    }

    /** @param  array<string, mixed>  $expected */
    #[DataProvider('trees')]
    public function test_keeps_its_parts_in_order(M $tree, array $expected): void
    {
        self::assertSame($expected, $tree->toArray());
    }

    public function test_a_formula_is_typeset_with_symbols_or_with_numbers(): void
    {
        $formula = Formula::parse('-ln(c/2) + (V - 3)*k^2');
        $told = static fn (M $m): string => (string) json_encode($m->toArray());
        $plain = Typeset::formula($formula)->toArray();

        self::assertSame(['plus', 'negative', 'times'], [$plain['kind'], $plain['parts'][0]['kind'], $plain['parts'][1]['kind']]);
        self::assertStringContainsString('{"kind":"call","text":"ln","parts":[{"kind":"over","parts":[{"kind":"symbol","text":"c"},{"kind":"number","text":"2"', $told(Typeset::formula($formula)));
        self::assertStringContainsString('{"kind":"minus","parts":[{"kind":"symbol","text":"V"},', $told(Typeset::formula($formula)));
        self::assertStringContainsString('{"kind":"power","parts":[{"kind":"symbol","text":"k"},', $told(Typeset::formula($formula)));
        $put = $told(Typeset::formula($formula, ['c' => Measured::of(0.1, 0.001, Unit::parse('mol/L'))]));
        self::assertStringContainsString('{"kind":"number","text":"0.1000","unit":"mol\/L"}', $put);
        self::assertStringContainsString('"text":"V"', $put, 'What has no value stays a symbol.');
        self::assertStringNotContainsString('"text":"c"', $put);
    }
}

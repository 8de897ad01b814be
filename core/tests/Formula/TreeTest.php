<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formula;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\Node\FunctionName;
use Welkion\Core\Formula\Node\Name;
use Welkion\Core\Formula\Node\Node;
use Welkion\Core\Formula\Spelling;
use Welkion\Core\Formula\Text;
use Welkion\Core\Formula\Tree;

/** Trees are built without what changes nothing, and written with no more brackets than they need. */
final class TreeTest extends TestCase
{
    /** @return iterable<string, array{string, string}> formula, its derivative by x; worked out by hand */
    public static function derivatives(): iterable
    {
        yield 'a factor' => ['a*x', 'a'];
        yield 'a factor behind' => ['x*a', 'a'];
        yield 'a sign' => ['-x', '-1'];
        yield 'a difference' => ['a - x', '-1'];
        yield 'a sign around a product' => ['-(a*x)', '-a'];
        yield 'a factor of minus one' => ['x*-1', '-1'];
        yield 'a divisor' => ['x/a', '1/a'];
        yield 'a dividend' => ['a/x', '-(a/x/x)'];
        yield 'a square' => ['x^2', '2*x'];
        yield 'the first power' => ['x^1', '1'];
        yield 'a power' => ['x^a', 'a*x^(a - 1)'];
        yield 'an exponential' => ['a^x', 'a^x*ln(a)'];
        yield 'three factors' => ['a*b*x', 'a*b'];
        yield 'twice the same' => ['x*x', 'x + x'];
        yield 'a line' => ['2*x + 3', '2'];
        yield 'a product of sums' => ['(x + a)*(x - a)', 'x - a + (x + a)'];
        yield 'a constant' => ['a^2', '0'];
        yield 'a constant alone' => ['5', '0'];
    }

    #[DataProvider('derivatives')]
    public function test_a_derivative_is_written_as_a_person_would(string $text, string $derivative): void
    {
        self::assertSame($derivative, Formula::parse($text)->derivative('x')->text);
    }

    /** @return iterable<string, array{Node, string}> */
    public static function written(): iterable
    {
        [$a, $b, $minus, $x] = [new Name('a'), new Name('b'), Tree::number(-2.0), new Name('x')];
        $powerLog = Tree::call(FunctionName::PowerLog, $a, $x);
        yield 'a negative base' => [Tree::power($minus, $x), '(-2)^x'];
        yield 'a base' => [Tree::power(Tree::number(2.0), $x), '2^x'];
        yield 'a negative exponent' => [Tree::power($x, $minus), 'x^(-2)'];
        yield 'a power of a power' => [Tree::power(Tree::power($a, $b), $x), '(a^b)^x'];
        yield 'a power as exponent' => [Tree::power($a, Tree::power($b, $x)), 'a^b^x'];
        yield 'a sign before a sum' => [Tree::negated(Tree::plus($a, $b)), '-(a + b)'];
        yield 'a sign before a product' => [Tree::negated(Tree::times($a, $b)), '-(a*b)'];
        yield 'a sign before a power' => [Tree::negated(Tree::power($a, $b)), '-a^b'];
        yield 'a power of a sign' => [Tree::power(Tree::negated($a), $b), '(-a)^b'];
        yield 'a product of sums' => [Tree::times(Tree::plus($a, $b), $x), '(a + b)*x'];
        yield 'a product taken away' => [Tree::minus($a, Tree::times($b, $x)), 'a - b*x'];
        yield 'a sum taken away' => [Tree::minus($a, Tree::plus($b, $x)), 'a - (b + x)'];
        yield 'a divisor of two' => [Tree::over($a, Tree::times($b, $x)), 'a/(b*x)'];
        yield 'a power times its logarithm' => [$powerLog, 'a^x*ln(a)'];
        yield 'divided by it' => [Tree::over($b, $powerLog), 'b/(a^x*ln(a))'];
        yield 'a function as base' => [Tree::power(Tree::call(FunctionName::Sin, $a), $b), 'sin(a)^b'];
        yield 'nothing added' => [Tree::plus(Tree::number(0.0), Tree::plus($a, Tree::number(0.0))), 'a'];
        yield 'a negative added' => [Tree::plus($a, Tree::negated($b)), 'a - b'];
        yield 'nothing taken away' => [Tree::minus($a, Tree::number(0.0)), 'a'];
        yield 'taken from nothing' => [Tree::minus(Tree::number(0.0), $a), '-a'];
        yield 'a negative taken away' => [Tree::minus($a, Tree::negated($b)), 'a + b'];
        yield 'times nothing' => [Tree::plus($b, Tree::times($a, Tree::number(0.0))), 'b'];
        yield 'nothing times' => [Tree::times(Tree::number(0.0), $a), '0'];
        yield 'times one' => [Tree::times($a, Tree::times(Tree::number(1.0), $b)), 'a*b'];
        yield 'times minus one' => [Tree::times(Tree::number(-1.0), $a), '-a'];
        yield 'two signs' => [Tree::times(Tree::negated($a), Tree::negated($b)), 'a*b'];
        yield 'nothing divided' => [Tree::over(Tree::number(0.0), $a), '0'];
        yield 'divided by one' => [Tree::over($a, Tree::number(1.0)), 'a'];
        yield 'a sign divided' => [Tree::over(Tree::negated($a), $b), '-(a/b)'];
        yield 'to the power nothing' => [Tree::power($a, Tree::number(0.0)), '1'];
        yield 'a sign of a sign' => [Tree::negated(Tree::negated($a)), 'a'];
        yield 'a negative number' => [Tree::negated(Tree::number(3.0)), '-3'];
        yield 'numbers worked out' => [Tree::plus(Tree::number(2.0), Tree::times(Tree::number(3.0), Tree::number(4.0))), '14'];
        yield 'numbers without a result' => [Tree::over(Tree::number(2.0), Tree::minus(Tree::number(3.0), Tree::number(3.0))), '2/0'];
    }

    #[DataProvider('written')]
    public function test_is_written_with_the_brackets_it_needs_and_reads_back(Node $tree, string $text): void
    {
        self::assertSame($text, str_replace('.0', '', Text::of($tree)));
        self::assertSame($text, str_replace('.0', '', Text::of(Formula::parse($text)->tree)));
    }

    public function test_a_whole_column_is_looked_at_where_a_function_does_somewhere(): void
    {
        $several = static fn (string $text): bool => Tree::looksAtSeveralRows(Formula::parse($text)->tree);
        foreach (['mean(x)', '-mean(x)', '2*mean(x)', 'mean(x)*2', 'abs(mean(x))', 'mean(abs(x))', 'shift(x, 1)', 'area(y, x)'] as $text) {
            self::assertTrue($several($text), $text);
        }
        foreach (['x', '-x', '2*x', 'abs(x)', 'ln(x) + exp(y)', '3'] as $text) {
            self::assertFalse($several($text), $text);
        }
    }

    /** @return iterable<string, array{string, list<string>, string|null}> typed, known, meant */
    public static function slips(): iterable
    {
        yield 'one in three letters' => ['tmp', ['temp'], 'temp'];
        yield 'two in three letters' => ['xyz', ['abz'], null];
        yield 'two in four letters' => ['abcd', ['abxy'], 'abxy'];
        yield 'three' => ['abcdef', ['abcxyz'], null];
        yield 'the nearer one, wherever it stands' => ['abcdef', ['abcdxy', 'abcdez'], 'abcdez'];
        yield 'the first of two as near' => ['abcd', ['abcx', 'abxy', 'abcy'], 'abcx'];
        yield 'a letter too many' => ['V1', ['V'], 'V'];
        yield 'a letter for another' => ['V', ['P'], null];
        yield 'the case' => ['TEMP', ['tamp', 'temp'], 'temp'];
        yield 'nothing known' => ['V', [], null];
    }

    /** @param  list<string>  $known */
    #[DataProvider('slips')]
    public function test_names_what_was_probably_meant(string $typed, array $known, ?string $meant): void
    {
        self::assertSame($meant, Spelling::nearest($typed, $known));
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Formats\TableReader;
use Welkion\Core\Formats\Trials;

final class TrialsTest extends TestCase
{
    public function testNineTrialsOfThreeStrengthsAreFound(): void
    {
        $heads = ['Time (s)'];
        foreach (['full strength', 'half strength', '2 % brine'] as $condition) {
            foreach ([1, 2, 3] as $trial) {
                $heads[] = "{$condition} trial {$trial} (°C)";
            }
        }
        $table = self::read(implode(';', $heads)."\n0;1;2;3;4;5;6;7;8;9\n10;2;3;4;5;6;7;8;9;10\n");
        $found = Trials::in($table);

        self::assertCount(9, $found);
        self::assertSame(['full strength', 1], [$found[0]->condition, $found[0]->trial]);
        self::assertSame(['half strength', 2], [$found[4]->condition, $found[4]->trial]);
        self::assertSame(['2 % brine', 3, [9.0, 10.0]], [$found[8]->condition, $found[8]->trial, $found[8]->column->values]);
        self::assertSame(['Time'], array_map(static fn (TableColumn $c): string => $c->name, Trials::common($table)));
    }

    /** @return iterable<string, array{string, list<array{string, int}>}> heads, and what they say */
    public static function heads(): iterable
    {
        yield 'without a condition' => ['t;trial 1;trial 2', [['', 1], ['', 2]]];
        yield 'by numbers that stand apart' => ['t;cellar 1;cellar 2;kitchen 1', [['cellar', 1], ['cellar', 2], ['kitchen', 1]]];
        yield 'in other words' => ['t;warm, run 1;warm - Run no. 2;warm_try_3', [['warm', 1], ['warm', 2], ['warm', 3]]];
        yield 'with a hash' => ['t;oven #1;oven #12', [['oven', 1], ['oven', 12]]];
        yield 'two thermometers are no trials' => ['t;T1;T2', []];
        yield 'one alone is none' => ['t;cellar 1;place', []];
        yield 'the same twice is in doubt' => ['t;cellar 1;cellar 1', []];
        yield 'two units are two quantities' => ['t;cellar trial 1 (°C);cellar trial 2 (kPa)', []];
        yield 'a year is no trial' => ['t;harvest 2030;harvest 2031', []];
    }

    /** @param  list<array{string, int}>  $expected */
    #[DataProvider('heads')]
    public function testHeadsSayWhichTrialTheyAre(string $heads, array $expected): void
    {
        $width = count(explode(';', $heads));
        $rows = implode("\n", array_map(static fn (int $i): string => implode(';', array_fill(0, $width, "{$i}.5")), range(1, 5)));
        $table = self::read("{$heads}\n{$rows}\n");

        self::assertSame($expected, array_map(static fn (Trials $t): array => [$t->condition, $t->trial], Trials::in($table)));
        self::assertCount($width - count($expected), Trials::common($table));
    }

    public function testAColumnOfWordsIsNoTrial(): void
    {
        self::assertSame([], Trials::in(self::read("t;remark 1;remark 2\n0;a;b\n1;c;d\n")));
    }

    private static function read(string $text): Table
    {
        return (new TableReader)->read([$text]);
    }
}

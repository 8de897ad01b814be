<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\SpanNumbers;
use Welkion\Core\Notebook\WorkedLine;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

final class SpanNumbersTest extends TestCase
{
    public function test_a_span_tells_its_numbers_before_a_line_is_kept(): void
    {
        $told = SpanNumbers::of($this->notebook(), 1, 't', 'p', 4.0, 1.0);

        // Of 3, 5, 9 and 7 at 1, 2, 3 and 4 s: what lies outside, or is set aside, does not count.
        self::assertCount(6, $told);
        $value = static fn (int $line, string $name): float => ($told[$line]->outcome->values[$name] ?? self::fail("There is no {$name}."))->value;
        self::assertSame([4.0, 6.0, 3.0, 9.0, 6.0], [$value(0, 'n'), $value(0, 'mean'), $value(0, 'min'), $value(0, 'max'), $value(0, 'median')]);
        self::assertEqualsWithDelta(sqrt(20.0 / 3.0), $value(0, 'sd'), 1e-12);
        self::assertSame([3.0, 7.0, 4.0, 3.0], [$value(1, 'start'), $value(1, 'end'), $value(1, 'change'), $value(1, 'over')]);
        // Deviations of x: -1.5 -0.5 0.5 1.5; of y: -3 -1 3 1. Slope: (4.5 + 0.5 + 1.5 + 1.5) / 5.
        self::assertEqualsWithDelta(1.6, $value(2, 'slope'), 1e-12);
        // Trapezia: 4 + 7 + 8; less 3 * 3; less 3 * 5.
        self::assertSame([19.0, 10.0, 4.0], [$value(3, 'area'), $value(4, 'area'), $value(5, 'area')]);
        self::assertSame('kPa s', $told[3]->outcome?->values['area']->unit->symbol);
    }

    public function test_what_cannot_be_told_of_so_few_points_says_why_and_the_rest_is_told(): void
    {
        $told = SpanNumbers::of($this->notebook(), 1, 't', 'p', 0.9, 1.1);

        self::assertSame(3.0, $told[0]->outcome?->values['mean']->value);
        self::assertSame(0.0, $told[0]->outcome->values['sd']->value);
        self::assertStringContainsString('A change from start to end', (string) $told[1]->problem);
        self::assertNotNull($told[2]->problem);
    }

    public function test_no_point_and_no_column_are_problems_and_nothing_is_kept(): void
    {
        foreach ([...SpanNumbers::of($this->notebook(), 1, 't', 'p', 20.0, 30.0), ...SpanNumbers::of($this->notebook(), 1, 't', 'gone', 1.0, 2.0)] as $line) {
            self::assertNotNull($line->problem);
            self::assertNull($line->outcome);
        }
    }

    /** Rows along x are cut out at once where they rise; upside down each is looked at. The same ones count. */
    public function test_rows_in_any_order_tell_the_same(): void
    {
        $random = new Randomizer(new Mt19937(31));
        $float = static fn (float $from, float $to): float => $from + ($to - $from) * $random->getInt(0, 10_000) / 10_000;
        for ($trial = 0; $trial < 40; $trial++) {
            $n = $random->getInt(4, 30);
            $pick = static fn (int $most): array => array_fill_keys(array_map(static fn (): int => $random->getInt(0, $n - 1), range(0, $random->getInt(0, $most))), 'wild');
            $x = array_map(static fn (int $i): float => $i + $float(0.0, 0.9), range(0, $n - 1));
            $y = array_map(static fn (): float => $float(-5.0, 5.0), $x);
            $blanks = $trial % 4 === 0 ? $pick(3) : [];
            $y = array_map(static fn (float $v, int $row): float => isset($blanks[$row]) ? NAN : $v, $y, array_keys($y));
            [$aside, $asideOf] = [$trial % 3 === 0 ? [] : $pick(4), $trial % 5 < 3 ? [] : ['y' => $pick(3), 'z' => $pick(3)]];
            [$from, $to] = [$float(-1.0, $n / 3), $float($n / 2, $n + 1.0)];
            $turn = static fn (array $by): array => array_combine(array_map(static fn (int $row): int => $n - 1 - $row, array_keys($by)), array_values($by));
            $told = self::told($x, $y, $aside, $asideOf, $from, $to);
            self::assertEqualsWithDelta($told, self::told(array_reverse($x), array_reverse($y), $turn($aside), array_map($turn, $asideOf), $from, $to), 1e-9, "Trial {$trial}");
            $rows = array_filter(array_keys($x), static fn (int $row): bool => $x[$row] >= $from && $x[$row] <= $to && ! isset($aside[$row]) && ! isset($asideOf['y'][$row]) && ! isset($blanks[$row]));
            self::assertSame(count($rows) === 0 ? null : (float) count($rows), $told[0]['n'] ?? null, "Trial {$trial}");
        }
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  array<int, string>  $aside
     * @param  array<string, array<int, string>>  $asideOf
     * @return list<array<string, float>|null> values of each line
     */
    private static function told(array $x, array $y, array $aside, array $asideOf, float $from, float $to): array
    {
        $data = new RunData(count($x), ['x' => new ColumnInput('x', Unit::one(), $x), 'y' => new ColumnInput('y', Unit::one(), $y), 'z' => new ColumnInput('z', Unit::one(), $x)], $aside, $asideOf);
        $run = new Run(1, 1, 'Run 1', null, null, '1a', static fn (): RunData => $data);
        $in = new WorkedNotebook(Notebooks::of([], array_map(Notebooks::column(...), ['x', 'y', 'z']), [], $run));

        return array_map(static fn (WorkedLine $line): ?array => $line->outcome === null ? null : array_map(static fn (Measured $m): float => $m->value, $line->outcome->values), SpanNumbers::of($in, 1, 'x', 'y', $from, $to));
    }

    private function notebook(): WorkedNotebook
    {
        $rows = ['t' => new ColumnInput('t', Unit::parse('s'), [0.0, 1.0, 2.0, 2.5, 3.0, 4.0, 5.0]), 'p' => new ColumnInput('p', Unit::parse('kPa'), [100.0, 3.0, 5.0, 77.0, 9.0, 7.0, 50.0])];

        return new WorkedNotebook(Notebooks::of([], [Notebooks::column('t', 's'), Notebooks::column('p', 'kPa')], [], Notebooks::run(1, $rows, [3 => 'a bubble'])));
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Notebook\Protocol;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

final class ProtocolTest extends TestCase
{
    private const FALLING = [
        'title' => 'Falling', 'sentence' => 'How far a ball falls.',
        'entries' => [['symbol' => 'g', 'name' => 'Gravity', 'unit' => 'm/s^2'], ['symbol' => 'h0', 'name' => 'Start', 'unit' => 'm', 'value' => 2, 'uncertainty' => 0.01]],
        'columns' => [
            ['symbol' => 't', 'name' => 'Time', 'unit' => 's', 'kind' => 'step', 'least' => 0, 'most' => 10, 'finest' => 0.1, 'decimals' => 1],
            ['symbol' => 'h', 'name' => 'Height', 'unit' => 'm', 'kind' => 'derived', 'formula' => 'h0 - g*t^2/2'],
        ],
        'run' => ['kind' => 'stepwise', 'plan' => ['ranges' => [['from' => 0, 'to' => 1, 'step' => 0.5]]]],
        'figures' => [['x' => 't', 'panels' => [['y' => ['h']]]]],
        'spans' => [['name' => 'start', 'column' => 't', 'from' => 0, 'to' => 0.6]],
        'lines' => [['symbol' => 'fall', 'title' => 'Fall', 'method' => 'difference', 'perRun' => true, 'uses' => ['x' => 't', 'y' => 'h', 'from' => 'zero', 'to' => 'end']],
            ['symbol' => 'zero', 'title' => 'From', 'method' => 'formula', 'formula' => '0 [s]'], ['symbol' => 'end', 'title' => 'To', 'method' => 'formula', 'formula' => '0.5 [s]'],
            ['symbol' => 'avg', 'title' => 'Mean', 'method' => 'statistics', 'perRun' => true, 'span' => 'start', 'uses' => ['column' => 'h']]],
    ];

    public function test_begins_a_notebook_of_data_alone(): void
    {
        $protocol = Protocol::of(self::FALLING);
        $worked = new WorkedNotebook($protocol->notebook(['g' => Measured::of(10.0, 0.1, Unit::parse('m/s^2'))], [Notebooks::run(1, ['t' => new ColumnInput('t', Unit::parse('s'), [0.0, 0.5, 1.0])])]));

        self::assertEqualsWithDelta(-1.25, $worked->line('fall', 1)->result()?->value, 1e-12);
        self::assertEqualsWithDelta(0.0125, $worked->line('fall', 1)->result()?->uncertainty, 1e-9, 'The start cancels; gravity stays.');
        self::assertEqualsWithDelta(1.375, $worked->line('avg', 1)->result()?->value, 1e-12, 'Over the span alone.');
        self::assertSame([true, false], [$worked->notebook->lines['fall']->isPerRun, $worked->notebook->lines['zero']->isPerRun]);
        self::assertSame([1, null], [$worked->notebook->columns['t']->decimals, $worked->notebook->columns['h']->decimals]);
        self::assertSame([0.0, 10.0, 0.1, 1], [$protocol->stepLimits()?->least, $protocol->stepLimits()?->most, $protocol->stepLimits()?->finest, $protocol->stepLimits()?->decimals]);
        self::assertSame('Type the gravity.', (new WorkedNotebook($protocol->notebook([], [Notebooks::run(1, ['t' => new ColumnInput('t', Unit::parse('s'), [0.0])])])))->line('fall', 1)->needs);
    }

    public function test_a_line_keeps_the_numbers_that_are_typed_into_it(): void
    {
        $data = self::FALLING;
        $data['lines'][0] = ['symbol' => 'fall', 'title' => 'Fall', 'method' => 'difference', 'perRun' => true, 'uses' => ['x' => 't', 'y' => 'h'],
            'numbers' => ['from' => ['value' => 0, 'unit' => 's'], 'to' => ['value' => 500, 'uncertainty' => 10, 'unit' => 'ms']]];
        $run = Notebooks::run(1, ['t' => new ColumnInput('t', Unit::parse('s'), [0.0, 0.5, 1.0])]);
        $worked = new WorkedNotebook(Protocol::of($data)->notebook(['g' => Measured::of(10.0, 0.0, Unit::parse('m/s^2'))], [$run]));

        self::assertEqualsWithDelta(-1.25, $worked->line('fall', 1)->result()?->value, 1e-12);
        self::assertEqualsWithDelta(0.01, $worked->notebook->lines['fall']->numbers['to']->in(Unit::parse('s'))->uncertainty, 1e-12);
    }

    /** @return iterable<string, array{string, mixed, string}> place, what is written there, sentence */
    public static function misfits(): iterable
    {
        yield 'no title' => ['title', '', 'It has no title.'];
        yield 'no unit' => ['entries.0.unit', 'furlong', 'In entry 1: '];
        yield 'a symbol twice' => ['columns.1.symbol', 'g', 'In column 2: The symbol "g" is used twice'];
        yield 'no symbol' => ['lines.0.symbol', '2x', 'In line 1: "2x" cannot be a symbol'];
        yield 'no method' => ['lines.0.method', 'magic', 'In line 1: there is no method "magic".'];
        yield 'no such input' => ['lines.0.uses.q', 't', 'In line 1: difference takes no input "q".'];
        yield 'uses nothing' => ['lines.0.uses.x', 'gone', 'In line 1: "gone" is no entry, column or line.'];
        yield 'a number that is none of its inputs' => ['lines.0.numbers', ['q' => ['value' => 1]], 'In line 1: difference takes no number "q".'];
        yield 'a number in no unit' => ['lines.0.numbers', ['from' => ['value' => 1, 'unit' => 'furlong']], 'In line 1: "furlong" is not a unit'];
        yield 'needs a column' => ['lines.3.uses', [], 'In line 4: statistics needs "column"'];
        yield 'no formula' => ['columns.1.formula', 'h0 -', 'In column 2: at character 5'];
        yield 'unknown in a formula' => ['columns.1.formula', 'h0 - q', 'In column 2: "q" is no entry, column, line or constant.'];
        yield 'no kind' => ['columns.0.kind', 'odd', 'In column 1: there is no kind of column "odd".'];
        yield 'no role' => ['columns.0.kind', 'measured', 'In column 1: it is measured, so it names one of the roles.'];
        yield 'no probe' => ['roles', [['role' => 'a', 'kind' => 'crystal-ball']], 'In role 1: there is no kind of probe "crystal-ball".'];
        yield 'a bad plan' => ['run.plan.ranges.0.step', 0, 'In the plan: The step must lie between 0.1 and 10 s'];
        yield 'a figure of nothing' => ['figures.0.panels.0.y', ['z'], 'In figure 1: "z" is no column.'];
        yield 'in a circle' => ['lines.1.formula', '2*end', '']; // below
    }

    #[DataProvider('misfits')]
    public function test_says_what_does_not_fit_and_where(string $place, mixed $written, string $sentence): void
    {
        $data = self::FALLING;
        $at = &$data;
        foreach (explode('.', $place) as $step) {
            $at = &$at[$step];
        }
        $at = $written;
        if ($sentence === '') {
            $data['lines'][2]['formula'] = 'zero';
            $sentence = '"zero" uses itself: zero → end → zero.';
        }
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage($sentence);
        Protocol::of($data);
    }

    public function test_a_file_holds_one_object(): void
    {
        self::assertSame('Falling', Protocol::read((string) json_encode(self::FALLING))->data->text('title'));
        $this->expectExceptionMessage('This is no protocol file: it must hold one JSON object.');
        Protocol::read('[1, 2]');
    }
}

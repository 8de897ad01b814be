<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

final class RunDataTest extends TestCase
{
    public function test_a_column_is_read_when_it_is_asked_for_and_once(): void
    {
        $reads = [];
        $column = static function (string $symbol) use (&$reads): \Closure {
            return static function () use ($symbol, &$reads): ColumnInput {
                $reads[] = $symbol;

                return new ColumnInput($symbol, Unit::one(), [1.0, 2.0]);
            };
        };
        $data = new RunData(2, ['t' => $column('t'), '1' => $column('1'), 'T' => new ColumnInput('T', Unit::one(), [5.0, 6.0])]);

        self::assertSame(['t', '1', 'T'], $data->symbols());
        self::assertSame([], $reads);
        self::assertSame([1.0, 2.0], $data->column('t')?->values);
        self::assertSame($data->column('t'), $data->column('t'));
        self::assertSame([5.0, 6.0], $data->column('T')?->values);
        self::assertNull($data->column('gone'));
        self::assertSame(['t'], $reads);
    }
}

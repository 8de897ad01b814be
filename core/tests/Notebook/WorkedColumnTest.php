<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Notebook;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Notebook\WorkedColumn;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;

final class WorkedColumnTest extends TestCase
{
    /** @param  list<float>  $values */
    #[TestWith([[1.0, -2.0], true])]
    #[TestWith([[1.0, NAN, 2.0], false])]
    #[TestWith([[1.0, INF], false])]
    #[TestWith([[1e308, 1.7e308], true], 'a sum that is too large')]
    #[TestWith([[1e308, 1.7e308, NAN], false])]
    #[TestWith([[], true])]
    public function test_is_whole_where_each_row_has_a_number(array $values, bool $isWhole): void
    {
        $column = WorkedColumn::of(new ColumnInput('T', Unit::one(), $values));

        self::assertSame([$isWhole, $isWhole], [$column->isWhole(), $column->isWhole()]);
    }

    public function test_what_cannot_be_worked_out_is_not_whole(): void
    {
        self::assertFalse(WorkedColumn::problem('It uses itself.')->isWhole());
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Formats\CellText;
use Welkion\Core\Units\Unit;

final class CellTextTest extends TestCase
{
    #[DataProvider('cells')]
    public function test_a_cell_is_a_number_a_blank_or_no_number(string $typed, string $unit, float|string|null $read): void
    {
        self::assertSame($read, CellText::read($typed, $unit === '' ? Unit::one() : Unit::parse($unit)));
    }

    /** @return iterable<string, array{string, string, float|string|null}> */
    public static function cells(): iterable
    {
        yield 'a number' => ['12.5', 'mL', 12.5];
        yield 'blanks around it' => [" 12.0\u{A0}", 'mL', 12.0];
        yield 'decimal comma' => ['4,45', 'min', 4.45];
        yield 'a true minus' => ['−3,2', 'degC', -3.2];
        yield 'in powers of ten' => ['1.2e-3', '', 0.0012];
        yield 'thousands parted' => ['2 588,86', 'Pa', 2588.86];
        yield 'in another unit' => ['25 mL', 'L', 0.025];
        yield 'in its own unit' => ['25 mL', 'mL', 25.0];
        yield 'nothing' => [" \t", 'mL', null];
        yield 'a letter behind' => ['4.45x', 'min', '4.45x'];
        yield 'a unit of something else' => ['25 g', 'mL', '25 g'];
        yield 'with its own doubt' => ['25.0 ± 0.1', 'mL', '25.0 ± 0.1'];
        yield 'words' => ['forgotten', 'mL', 'forgotten'];
        yield 'too large for a number' => ['1e999', '', '1e999'];
        yield 'endless' => [str_repeat('x', 5000), '', str_repeat('x', 200)];
    }

    #[DataProvider('remedies')]
    public function test_what_was_meant_is_offered_with_a_decimal_point(string $typed, ?string $meant): void
    {
        self::assertSame($meant, CellText::remedy($typed));
    }

    /** @return iterable<string, array{string, string|null}> */
    public static function remedies(): iterable
    {
        yield 'a letter behind' => ['4.45x', '4.45'];
        yield 'the letter O' => ['O.12', '0.12'];
        yield 'decimal comma' => ['4,45?', '4.45'];
        yield 'thousands and a point' => ['1,234.5x', '1,234.5'];
        yield 'words with a comma' => ['none, sorry', null];
        yield 'a bound' => ['< 0.5', null];
        yield 'words' => ['forgotten', null];
    }

    public function test_the_digits_that_were_typed_are_known(): void
    {
        self::assertSame([1, 2, 0, 0, 3, 0], array_map(CellText::decimals(...), ['12.0', ' 4,45 ', '7', '1.2e-3', '−1 200.125', 'x.25']));
    }
}

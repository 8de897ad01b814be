<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Formats\TypedValue;
use Welkion\Core\Units\Unit;

final class TypedValueTest extends TestCase
{
    #[TestWith(['25,0', 25.0, null])]
    #[TestWith([' 25.0 ', 25.0, null])]
    #[TestWith(['1.2e-3', 0.0012, null])]
    #[TestWith(['1,2E+3', 1200.0, null])]
    #[TestWith(['-0,5', -0.5, null])]
    #[TestWith(['−3', -3.0, null])]
    #[TestWith(['.5', 0.5, null])]
    #[TestWith(['25.0 ± 0.1', 25.0, 0.1])]
    #[TestWith(['25,0 +- 0,1 mL', 25.0, 0.1])]
    #[TestWith(['25 +/- 1', 25.0, 1.0])]
    #[TestWith(['25 mL', 25.0, null])]
    #[TestWith(['25mL', 25.0, null])]
    #[TestWith(['1.234,5', 1234.5, null])]
    #[TestWith(['1,234.5', 1234.5, null])]
    #[TestWith(['1,234,567', 1234567.0, null])]
    #[TestWith(['1.234.567', 1234567.0, null])]
    #[TestWith(['1.234.567,5', 1234567.5, null])]
    #[TestWith(['1,234,567.5', 1234567.5, null])]
    #[TestWith(['2 588,86', 2588.86, null])]
    public function test_reads_what_people_type(string $typed, float $value, ?float $uncertainty): void
    {
        $read = TypedValue::read($typed, Unit::parse('mL'));

        self::assertSame([$value, $uncertainty, null], [$read->value, $read->uncertainty, $read->said]);
    }

    public function test_converts_another_unit_and_says_so(): void
    {
        $mass = TypedValue::read('0,5 ± 0,001 g', Unit::parse('mg'));
        self::assertSame([500.0, 1.0, '0.5 g is 500 mg.'], [$mass->value, $mass->uncertainty, $mass->said]);
        $warm = TypedValue::read('20 ± 0.5 °C', Unit::parse('K'));
        self::assertSame([293.15, 0.5], [$warm->value, $warm->uncertainty], 'A ± is a difference.');
        self::assertSame([0.05, null], [TypedValue::read('5 %', Unit::one())->value, TypedValue::read('5', Unit::one())->said]);
    }

    #[TestWith(['', 'is no number'])]
    #[TestWith(['ten', 'is no number'])]
    #[TestWith(['25 ± ', 'is no number'])]
    #[TestWith(['1e999', 'is no number'])]
    #[TestWith(['25 ± -1', 'The ± must be'])]
    #[TestWith(['25 furlongs', 'furlongs'])]
    #[TestWith(['25 g', 'measure different things'])]
    public function test_says_what_is_wrong(string $typed, string $sentence): void
    {
        $this->expectException(CoreException::class);
        $this->expectExceptionMessage($sentence);
        TypedValue::read($typed, Unit::parse('mL'));
    }
}

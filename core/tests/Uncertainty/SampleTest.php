<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Uncertainty;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Uncertainty\Sample;
use Welkion\Core\Uncertainty\StudentT;

final class SampleTest extends TestCase
{
    public function test_describes_repeats_as_a_textbook_does(): void
    {
        $sample = Sample::of([2.0, 4.0, 4.0, 4.0, 5.0, 5.0, 7.0, 9.0]);

        self::assertSame([8, 5.0, 4.5, 2.0, 9.0, 7.0, 3.5, 70.0], [$sample->n, $sample->mean, $sample->median, $sample->min, $sample->max, $sample->range(), $sample->halfRange(), $sample->percent()]);
        self::assertEqualsWithDelta(sqrt(32.0 / 7.0), $sample->sd, 1e-14);
        self::assertEqualsWithDelta(sqrt(32.0 / 7.0 / 8.0), $sample->standardError, 1e-14);
        // t(0.975, 7) = 2.364624.
        self::assertEqualsWithDelta(2.364624 * $sample->standardError, $sample->halfWidth(), 1e-6);
    }

    public function test_a_large_offset_costs_no_digits(): void
    {
        $offset = 1e12;
        $sample = Sample::of(array_map(static fn (float $v): float => $offset + $v, [0.1, 0.2, 0.3, 0.4]));

        // At 1e12 a double resolves 1.2e-4, so each value is off by at most 6e-5.
        self::assertEqualsWithDelta(0.1290994, $sample->sd, 1e-4);
        self::assertSame(1e16 + 2.0, Sample::of([1e16, 1.0, 1.0])->sum);
    }

    public function test_a_mean_that_had_to_be_rounded_spoils_no_scatter(): void
    {
        // Their mean, 1e16 + 1, is no number of this machine.
        self::assertEqualsWithDelta(M_SQRT2, Sample::of([1e16, 1e16 + 2.0])->sd, 1e-15);
    }

    public function test_one_value_has_no_scatter_and_none_no_mean(): void
    {
        self::assertNan(Sample::of([3.0])->sd);
        self::assertNan(Sample::of([3.0])->halfWidth());
        $this->expectException(NotEnoughPoints::class);
        Sample::of([]);
    }

    /** @return iterable<string, array{float, float, float}> probability, degrees of freedom, t: published tables (NIST/SEMATECH e-Handbook, 1.3.6.7.2) */
    public static function quantiles(): iterable
    {
        yield 'one degree' => [0.975, 1.0, 12.706];
        yield 'two degrees' => [0.975, 2.0, 4.303];
        yield 'ten degrees, one side' => [0.95, 10.0, 1.812];
        yield 'thirty degrees, 99.9 %' => [0.999, 30.0, 3.385];
        yield 'a hundred degrees' => [0.975, 100.0, 1.984];
        yield 'very many: the normal distribution' => [0.975, 1e7, 1.960];
        yield 'the lower side' => [0.05, 5.0, -2.015];
        yield 'the middle' => [0.5, 5.0, 0.0];
    }

    #[DataProvider('quantiles')]
    public function test_students_t_agrees_with_the_tables(float $probability, float $degrees, float $t): void
    {
        self::assertEqualsWithDelta($t, StudentT::quantile($probability, $degrees), 5.1e-4);
    }

    public function test_students_t_is_exact_where_it_has_a_closed_form(): void
    {
        foreach ([-30.0, -1.0, 0.3, 2.0, 500.0] as $t) {
            self::assertEqualsWithDelta(0.5 + atan($t) / M_PI, StudentT::probabilityBelow($t, 1.0), 1e-14);
            self::assertEqualsWithDelta(0.5 + $t / (2.0 * sqrt(2.0 + $t * $t)), StudentT::probabilityBelow($t, 2.0), 1e-14);
            self::assertEqualsWithDelta(1.0 - abs($t) / sqrt(2.0 + $t * $t), StudentT::twoSided($t, 2.0), 1e-14);
        }
        foreach ([0.6, 0.9, 0.999, 1.0 - 1e-9] as $p) {
            self::assertEqualsWithDelta($p, StudentT::probabilityBelow(StudentT::quantile($p, 3.7), 3.7), 1e-13);
        }
    }

    public function test_impossible_probabilities_are_refused(): void
    {
        foreach ([[1.0, 3.0], [0.0, 3.0], [0.5, 0.0], [NAN, 3.0]] as [$p, $degrees]) {
            try {
                StudentT::quantile($p, $degrees);
                self::fail('Accepted.');
            } catch (InvalidQuantity $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }
}

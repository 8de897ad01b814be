<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Formula\Node\Operator;

/**
 * Arithmetic on numbers and whole columns; a number beside a column counts for every row.
 *
 * One flat loop for each case: this is where fits spend their time. What has no result (1/0, NAN for a blank
 * cell) is NAN and stays so.
 *
 * @internal used by Program and Tree
 */
final class Arithmetic
{
    /**
     * @param  float|list<float>  $a
     * @param  float|list<float>  $b  same length as $a, when both are columns
     * @return float|list<float>
     */
    public static function apply(Operator $operator, float|array $a, float|array $b): float|array
    {
        if (is_float($a)) {
            return is_float($b) ? self::ofNumbers($operator, $a, $b) : match ($operator) {
                Operator::Times => self::timesNumber($b, $a),
                Operator::Plus => self::plusNumber($b, $a),
                Operator::Minus => self::numberMinus($a, $b),
                Operator::Over => self::numberOver($a, $b),
                Operator::Power => self::numberPower($a, $b),
            };
        }
        if (is_float($b)) {
            return match ($operator) {
                Operator::Times => self::timesNumber($a, $b),
                Operator::Plus => self::plusNumber($a, $b),
                Operator::Minus => self::plusNumber($a, -$b),
                Operator::Over => self::overNumber($a, $b),
                Operator::Power => self::powerNumber($a, $b),
            };
        }

        return match ($operator) {
            Operator::Times => self::times($a, $b),
            Operator::Plus => self::plus($a, $b),
            Operator::Minus => self::minus($a, $b),
            Operator::Over => self::over($a, $b),
            Operator::Power => self::power($a, $b),
        };
    }

    private static function ofNumbers(Operator $operator, float $a, float $b): float
    {
        return match ($operator) {
            Operator::Plus => $a + $b,
            Operator::Minus => $a - $b,
            Operator::Times => $a * $b,
            Operator::Over => $b === 0.0 ? NAN : $a / $b,
            Operator::Power => self::powerOf($a, $b),
        };
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function plus(array $a, array $b): array
    {
        foreach ($a as $i => $v) {
            $a[$i] = $v + $b[$i];
        }

        return $a;
    }

    /**
     * @param  list<float>  $a
     * @return list<float>
     */
    private static function plusNumber(array $a, float $b): array
    {
        foreach ($a as $i => $v) {
            $a[$i] = $v + $b;
        }

        return $a;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function minus(array $a, array $b): array
    {
        foreach ($a as $i => $v) {
            $a[$i] = $v - $b[$i];
        }

        return $a;
    }

    /**
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function numberMinus(float $a, array $b): array
    {
        foreach ($b as $i => $v) {
            $b[$i] = $a - $v;
        }

        return $b;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function times(array $a, array $b): array
    {
        foreach ($a as $i => $v) {
            $a[$i] = $v * $b[$i];
        }

        return $a;
    }

    /**
     * @param  list<float>  $a
     * @return list<float>
     */
    private static function timesNumber(array $a, float $b): array
    {
        foreach ($a as $i => $v) {
            $a[$i] = $v * $b;
        }

        return $a;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function over(array $a, array $b): array
    {
        foreach ($a as $i => $v) {
            $a[$i] = $b[$i] === 0.0 ? NAN : $v / $b[$i];
        }

        return $a;
    }

    /**
     * @param  list<float>  $a
     * @return list<float>
     */
    private static function overNumber(array $a, float $b): array
    {
        if ($b === 0.0) {
            return array_fill(0, count($a), NAN);
        }
        foreach ($a as $i => $v) {
            $a[$i] = $v / $b;
        }

        return $a;
    }

    /**
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function numberOver(float $a, array $b): array
    {
        foreach ($b as $i => $v) {
            $b[$i] = $v === 0.0 ? NAN : $a / $v;
        }

        return $b;
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function power(array $a, array $b): array
    {
        foreach ($a as $i => $v) {
            $a[$i] = self::powerOf($v, $b[$i]);
        }

        return $a;
    }

    /**
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function numberPower(float $a, array $b): array
    {
        foreach ($b as $i => $v) {
            $b[$i] = self::powerOf($a, $v);
        }

        return $b;
    }

    /**
     * @param  list<float>  $a
     * @return list<float>
     */
    private static function powerNumber(array $a, float $b): array
    {
        // Squares are so common in formulas that a call for each row would show.
        if ($b === 2.0) {
            foreach ($a as $i => $v) {
                $a[$i] = $v * $v;
            }

            return $a;
        }
        foreach ($a as $i => $v) {
            $a[$i] = self::powerOf($v, $b);
        }

        return $a;
    }

    private static function powerOf(float $a, float $b): float
    {
        return $a === 0.0 && $b < 0.0 ? NAN : $a ** $b;
    }
}

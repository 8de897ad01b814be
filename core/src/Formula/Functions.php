<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Formula\Node\FunctionName;
use Welkion\Core\Formula\Node\Operator;
use Welkion\Core\Uncertainty\Sample;

/**
 * The functions of formulas on numbers and columns. Blank cells are NAN and are passed over by whole-column ones.
 *
 * @internal used by Program alone
 */
final class Functions
{
    /**
     * @param  list<float|list<float>>  $arguments  as many as the function takes
     * @return float|list<float>
     */
    public static function apply(FunctionName $function, array $arguments): float|array
    {
        $first = $arguments[0];
        if ($function === FunctionName::Exp && is_array($first)) {
            // The function that fits call most.
            return array_map(exp(...), $first);
        }
        if ($function === FunctionName::PowerLog) {
            $power = Arithmetic::apply(Operator::Power, $first, $arguments[1]);
            $product = Arithmetic::apply(Operator::Times, $power, self::rowByRow(FunctionName::Ln, $first));

            return self::withZeros($product, $power);
        }
        if ($function->isRowByRow()) {
            return self::rowByRow($function, $first);
        }
        $column = is_float($first) ? [$first] : $first;
        if ($function->isOneNumber()) {
            return self::oneNumber($function, array_values(array_filter($column, is_finite(...))));
        }
        $second = $arguments[1] ?? 0.0;

        return match ($function) {
            FunctionName::Derivative => RowFunctions::derivative($column, self::column($second, $column)),
            FunctionName::SecondDerivative => RowFunctions::secondDerivative($column, self::column($second, $column)),
            FunctionName::RunningMean => RowFunctions::runningMean($column, self::whole($second)),
            FunctionName::Area => RowFunctions::area($column, self::column($second, $column)),
            FunctionName::Shift => RowFunctions::shift($column, self::whole($second)),
            default => RowFunctions::difference($column),
        };
    }

    /**
     * @param  float|list<float>  $argument
     * @return float|list<float>
     */
    private static function rowByRow(FunctionName $function, float|array $argument): float|array
    {
        $of = match ($function) {
            FunctionName::Exp => 'exp',
            FunctionName::Ln => 'log',
            FunctionName::Log10 => 'log10',
            FunctionName::Sqrt => 'sqrt',
            FunctionName::Abs => 'abs',
            FunctionName::Sin => 'sin',
            FunctionName::Cos => 'cos',
            FunctionName::Tan => 'tan',
            FunctionName::Arcsin => 'asin',
            FunctionName::Arccos => 'acos',
            FunctionName::Arctan => 'atan',
            default => static fn (float $v): float => is_nan($v) ? NAN : (float) ($v <=> 0.0),
        };

        return is_float($argument) ? (float) $of($argument) : array_map($of, $argument);
    }

    /**
     * @param  float|list<float>  $product
     * @param  float|list<float>  $power
     * @return float|list<float>
     */
    private static function withZeros(float|array $product, float|array $power): float|array
    {
        if (is_float($product) || is_float($power)) {
            return $power === 0.0 ? 0.0 : $product;
        }
        foreach ($product as $i => $value) {
            $product[$i] = $power[$i] === 0.0 ? 0.0 : $value;
        }

        return $product;
    }

    /** @param  list<float>  $cells  without blanks */
    private static function oneNumber(FunctionName $function, array $cells): float
    {
        if ($cells === []) {
            return $function === FunctionName::Count || $function === FunctionName::Sum ? 0.0 : NAN;
        }

        return match ($function) {
            FunctionName::Min => min($cells),
            FunctionName::Max => max($cells),
            FunctionName::Mean => Sample::of($cells)->mean,
            FunctionName::Sd => count($cells) < 2 ? NAN : Sample::of($cells)->sd,
            FunctionName::Sum => array_sum($cells),
            default => (float) count($cells),
        };
    }

    /**
     * @param  float|list<float>  $value
     * @param  list<float>  $like
     * @return list<float>
     */
    private static function column(float|array $value, array $like): array
    {
        return is_float($value) ? array_fill(0, count($like), $value) : $value;
    }

    /** @param  float|list<float>  $value */
    private static function whole(float|array $value): int
    {
        return (int) round(is_float($value) ? $value : ($value[0] ?? 0.0));
    }
}

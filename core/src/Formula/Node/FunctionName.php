<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Node;

/** The functions a formula knows, as they are typed. Angles without a unit are in radians. */
enum FunctionName: string
{
    case Exp = 'exp';
    case Ln = 'ln';
    case Log10 = 'log10';
    case Sqrt = 'sqrt';
    case Abs = 'abs';
    case Sin = 'sin';
    case Cos = 'cos';
    case Tan = 'tan';
    case Arcsin = 'arcsin';
    case Arccos = 'arccos';
    case Arctan = 'arctan';
    /** Sign of a number: the derivative of abs. */
    case Sign = 'sign';

    /** a^b ln(a), which is 0 at a = 0: the slope of a power by its exponent. No one can type this name. */
    case PowerLog = '^ln';

    // Of a whole column: one number.
    case Min = 'min';
    case Max = 'max';
    case Mean = 'mean';
    case Sd = 'sd';
    case Sum = 'sum';
    case Count = 'count';

    // From row to row: a column.
    case Difference = 'difference';
    case Derivative = 'derivative';
    case SecondDerivative = 'second_derivative';
    case RunningMean = 'running_mean';
    case Area = 'area';
    case Shift = 'shift';

    /** How many arguments it takes. */
    public function argumentCount(): int
    {
        return match ($this) {
            self::Derivative, self::SecondDerivative, self::RunningMean, self::Area, self::Shift, self::PowerLog => 2,
            default => 1,
        };
    }

    /** How it is called, for messages. */
    public function usage(): string
    {
        return match ($this) {
            self::Derivative => 'derivative(y, x)',
            self::SecondDerivative => 'second_derivative(y, x)',
            self::RunningMean => 'running_mean(y, 5)',
            self::Area => 'area(y, x)',
            self::Shift => 'shift(y, 1)',
            default => $this->value.'(y)',
        };
    }

    /** Whether a row of the result rests on that row alone, so that it has a derivative in the usual sense. */
    public function isRowByRow(): bool
    {
        return match ($this) {
            self::Exp, self::Ln, self::Log10, self::Sqrt, self::Abs, self::Sin, self::Cos, self::Tan,
            self::Arcsin, self::Arccos, self::Arctan, self::Sign, self::PowerLog => true,
            default => false,
        };
    }

    /** Whether the result is one number for a whole column. */
    public function isOneNumber(): bool
    {
        return match ($this) {
            self::Min, self::Max, self::Mean, self::Sd, self::Sum, self::Count => true,
            default => false,
        };
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

/** The relations that have a name: curves school science meets again and again. */
enum Relation: string
{
    case Proportional = 'proportional';
    case Linear = 'linear';
    /** Through the origin, as of a fall from rest. */
    case Quadratic = 'quadratic';
    case Parabola = 'parabola';
    case Cubic = 'cubic';
    case Inverse = 'inverse';
    case InverseOffset = 'inverse_offset';
    case InverseSquare = 'inverse_square';
    case SquareRoot = 'square_root';
    case Logarithmic = 'logarithmic';
    case Power = 'power';
    case ExponentialGrowth = 'exponential_growth';
    /** Towards a limit, from above or from below. */
    case ExponentialDecay = 'exponential_decay';
    case GaussianOnLine = 'gaussian_on_line';
    case Sine = 'sine';
    case DampedOscillation = 'damped_oscillation';
    case Logistic = 'logistic';
    case MichaelisMenten = 'michaelis_menten';
    /** Straight when 1/y is plotted against x, as of a reaction of second order. */
    case InverseOfLine = 'inverse_of_line';
    /** Straight when y^2 is plotted against x. */
    case RootOfLine = 'root_of_line';

    /** What it is called. */
    public function title(): string
    {
        return match ($this) {
            self::Proportional => 'Proportional',
            self::Linear => 'Straight line',
            self::Quadratic => 'Square',
            self::Parabola => 'Parabola',
            self::Cubic => 'Cubic',
            self::Inverse => 'Inverse',
            self::InverseOffset => 'Inverse with an added part',
            self::InverseSquare => 'Inverse square',
            self::SquareRoot => 'Square root',
            self::Logarithmic => 'Logarithm',
            self::Power => 'Power',
            self::ExponentialGrowth => 'Exponential',
            self::ExponentialDecay => 'Exponential to a limit',
            self::GaussianOnLine => 'Bell-shaped peak on a line',
            self::Sine => 'Sine',
            self::DampedOscillation => 'Damped oscillation',
            self::Logistic => 'Growth to a limit',
            self::MichaelisMenten => 'Michaelis and Menten',
            self::InverseOfLine => 'One over a line',
            self::RootOfLine => 'Root of a line',
        };
    }

    /** In x and the constants. */
    public function formula(): string
    {
        return match ($this) {
            self::Proportional => 'a*x',
            self::Linear => 'a*x + b',
            self::Quadratic => 'a*x^2',
            self::Parabola => 'a*x^2 + b*x + c',
            self::Cubic => 'a*x^3 + b*x^2 + c*x + d',
            self::Inverse => 'a/x',
            self::InverseOffset => 'a/x + b',
            self::InverseSquare => 'a/x^2',
            self::SquareRoot => 'a*sqrt(x)',
            self::Logarithmic => 'a*ln(x) + b',
            self::Power => 'a*x^b',
            self::ExponentialGrowth => 'a*exp(b*x)',
            self::ExponentialDecay => 'a*exp(-b*x) + c',
            self::GaussianOnLine => 'a*exp(-0.5*((x - m)/s)^2) + b*x + c',
            self::Sine => 'a*sin(2*pi*x/T + p) + c',
            self::DampedOscillation => 'a*exp(-k*x)*sin(2*pi*x/T + p) + c',
            self::Logistic => 'a/(1 + exp(-k*(x - m)))',
            self::MichaelisMenten => 'a*x/(k + x)',
            self::InverseOfLine => '1/(a*x + b)',
            self::RootOfLine => 'sqrt(a*x + b)',
        };
    }

    /** @return array<string, string> what each constant of its formula is, by its name */
    public function constants(): array
    {
        return match ($this) {
            self::Proportional => ['a' => 'slope'],
            self::Linear => ['a' => 'slope', 'b' => 'intercept'],
            self::Quadratic, self::SquareRoot, self::Inverse, self::InverseSquare => ['a' => 'factor'],
            self::Parabola => ['a' => 'factor of the square', 'b' => 'slope at zero', 'c' => 'value at zero'],
            self::Cubic => ['a' => 'factor of the cube', 'b' => 'factor of the square', 'c' => 'slope at zero', 'd' => 'value at zero'],
            self::InverseOffset => ['a' => 'factor', 'b' => 'added part'],
            self::Logarithmic => ['a' => 'change each time by e', 'b' => 'value at one'],
            self::Power => ['a' => 'factor', 'b' => 'exponent'],
            self::ExponentialGrowth => ['a' => 'value at zero', 'b' => 'rate'],
            self::ExponentialDecay => ['a' => 'distance from the limit at zero', 'b' => 'rate', 'c' => 'limit'],
            self::GaussianOnLine => ['a' => 'height', 'm' => 'centre', 's' => 'width, as standard deviation', 'b' => 'slope of the ground', 'c' => 'ground at zero'],
            self::Sine => ['a' => 'amplitude', 'T' => 'period', 'p' => 'phase', 'c' => 'middle'],
            self::DampedOscillation => ['a' => 'amplitude at zero', 'k' => 'damping', 'T' => 'period', 'p' => 'phase', 'c' => 'middle'],
            self::Logistic => ['a' => 'limit', 'k' => 'rate', 'm' => 'half way'],
            self::MichaelisMenten => ['a' => 'limit', 'k' => 'half way'],
            self::InverseOfLine => ['a' => 'slope of the inverse', 'b' => 'inverse at zero'],
            self::RootOfLine => ['a' => 'slope of the square', 'b' => 'square at zero'],
        };
    }

    /** How the sentence "y ..." goes on. */
    public function meaning(): string
    {
        return match ($this) {
            self::Proportional => 'y is proportional to x',
            self::Linear => 'y changes evenly with x',
            self::Quadratic => 'y is proportional to the square of x',
            self::Parabola => 'y follows a parabola in x',
            self::Cubic => 'y follows a cubic in x',
            self::Inverse => 'y is inversely proportional to x',
            self::InverseOffset => 'y is a constant plus a part inversely proportional to x',
            self::InverseSquare => 'y is inversely proportional to the square of x',
            self::SquareRoot => 'y is proportional to the square root of x',
            self::Logarithmic => 'y changes evenly each time x is multiplied by the same factor',
            self::Power => 'y is proportional to a power of x',
            self::ExponentialGrowth => 'y is multiplied by the same factor in equal steps of x',
            self::ExponentialDecay => 'the distance of y from a limit shrinks by the same factor in equal steps of x',
            self::GaussianOnLine => 'y is a bell-shaped peak on a sloping ground',
            self::Sine => 'y swings evenly about a middle',
            self::DampedOscillation => 'y swings about a middle, less and less',
            self::Logistic => 'y grows fast at first and levels off at a limit',
            self::MichaelisMenten => 'y rises with x and levels off, half way at x = k',
            self::InverseOfLine => 'the inverse of y changes evenly with x',
            self::RootOfLine => 'the square of y changes evenly with x',
        };
    }

    /** The same as a sentence, in the symbols of two columns. */
    public function meaningOf(string $x, string $y): string
    {
        $meaning = $this->meaning();

        // A symbol keeps its case: t is a time and T a temperature.
        return self::about(str_starts_with($meaning, 'y ') ? $meaning : ucfirst($meaning), $x, $y).'.';
    }

    /** A text about x and y, in the symbols of two columns. */
    public static function about(string $text, string $x, string $y): string
    {
        return preg_replace_callback('/\b[xy]\b/', static fn (array $m): string => $m[0] === 'x' ? $x : $y, $text) ?? $text;
    }

    /** Of relations that differ only by an added part b the one that has it; null for all others. */
    public function withHeight(): ?self
    {
        return match ($this) {
            self::Proportional, self::Linear => self::Linear,
            self::Inverse, self::InverseOffset => self::InverseOffset,
            default => null,
        };
    }

    /** The other one of such a pair. */
    public function sibling(): ?self
    {
        return match ($this) {
            self::Proportional => self::Linear,
            self::Linear => self::Proportional,
            self::Inverse => self::InverseOffset,
            self::InverseOffset => self::Inverse,
            default => null,
        };
    }

    /** How one goes over to the sibling, in words. */
    public function toSibling(): string
    {
        return match ($this) {
            self::Proportional => 'leave the intercept free',
            self::Linear => 'draw it through the origin',
            self::Inverse => 'leave an added part free',
            self::InverseOffset => 'leave the added part out',
            default => '',
        };
    }

    /** Whether it is a straight line, with or without an intercept. */
    public function isOfLine(): bool
    {
        return $this === self::Proportional || $this === self::Linear;
    }

    /** Whether a zero of x that is none, as that of °C, makes it mean nothing. */
    public function needsZeroOfX(): bool
    {
        return match ($this) {
            self::Proportional, self::Quadratic, self::Inverse, self::InverseOffset, self::InverseSquare, self::SquareRoot,
            self::Logarithmic, self::Power, self::MichaelisMenten => true,
            default => false,
        };
    }

    /** The same for y. */
    public function needsZeroOfY(): bool
    {
        return match ($this) {
            self::Linear, self::Parabola, self::Cubic, self::InverseOffset, self::Logarithmic, self::ExponentialDecay,
            self::GaussianOnLine, self::Sine, self::DampedOscillation => false,
            default => true,
        };
    }

    /** The relation as a curve to fit. */
    public function curve(): Curve
    {
        return Curve::typed($this->formula(), match ($this) {
            self::Sine, self::DampedOscillation => ['T'],
            default => [],
        }, $this->value);
    }
}

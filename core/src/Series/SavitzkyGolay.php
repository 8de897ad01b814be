<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Linear\LeastSquares;

/**
 * Smoothing and derivatives of evenly spaced samples: a polynomial fitted to a moving window, taken at its middle.
 *
 * Savitzky and Golay, Analytical Chemistry 36 (1964) 1627; near the ends the polynomial of the first or last window
 * is taken off its middle (Gorry, Analytical Chemistry 62 (1990) 570).
 */
final readonly class SavitzkyGolay
{
    /** @var list<list<float>> weights of the samples of a window, for each place in it */
    private array $weights;

    /**
     * @param  int  $window  samples, odd
     * @param  int  $degree  of the polynomial, below the window
     * @param  int  $order  0 smooths, 1 is the slope, 2 the curvature; at most the degree
     *
     * @throws InvalidQuantity If window, degree and order do not go together.
     */
    public function __construct(public int $window, public int $degree, public int $order)
    {
        if ($window % 2 === 0 || $degree < 0 || $degree >= $window || $order < 0 || $order > $degree) {
            throw new InvalidQuantity("A window of {$window} samples, a polynomial of degree {$degree} and a derivative of order {$order} do not go together. Take an odd window above the degree, and an order up to it.");
        }
        $half = intdiv($window, 2);
        $weights = [];
        // The polynomial through a single one at place j tells the weight of sample j.
        for ($j = -$half; $j <= $half; $j++) {
            $columns = [];
            for ($k = 0; $k <= $degree; $k++) {
                $columns[] = array_map(static fn (int $i): float => (float) $i ** $k, range(-$half, $half));
            }
            $impulse = array_map(static fn (int $i): float => $i === $j ? 1.0 : 0.0, range(-$half, $half));
            $polynomial = LeastSquares::solve($columns, $impulse)->constants ?? [];
            for ($at = -$half; $at <= $half; $at++) {
                $weights[$at + $half][] = self::derivativeAt($polynomial, (float) $at, $order);
            }
        }
        $this->weights = array_values($weights);
    }

    /**
     * @param  list<float>  $y  samples in even steps
     * @param  float  $step  between two samples; derivatives are per its unit
     * @return list<float> as many as samples
     *
     * @throws NotEnoughPoints If there are fewer samples than the window.
     * @throws InvalidQuantity If the step is not above zero.
     */
    public function of(array $y, float $step = 1.0): array
    {
        $n = count($y);
        if ($n < $this->window) {
            throw NotEnoughPoints::need('This window', $this->window, $n);
        }
        if (is_nan($step) || $step <= 0.0) {
            throw InvalidQuantity::mustBePositive('step between samples', $step, '');
        }
        $scale = 1.0 / $step ** $this->order;
        $half = intdiv($this->window, 2);
        $result = [];
        for ($i = 0; $i < $half; $i++) {
            $result[] = $scale * self::dot($this->weights[$i], $y, 0);
        }
        $result = $this->middle($y, $scale, $result);
        for ($i = $half + 1; $i < $this->window; $i++) {
            $result[] = $scale * self::dot($this->weights[$i], $y, $n - $this->window);
        }

        return $result;
    }

    /**
     * The middle of the window: its weights mirror each other, so samples are paired first.
     *
     * @param  list<float>  $y
     * @param  list<float>  $result
     * @return list<float>
     */
    private function middle(array $y, float $scale, array $result): array
    {
        $half = intdiv($this->window, 2);
        $weights = [];
        for ($k = 0; $k <= $half; $k++) {
            $weights[] = $this->weights[$half][$half + $k] * $scale;
        }
        $sign = $this->order % 2 === 0 ? 1.0 : -1.0;
        $centre = $weights[0];
        for ($i = $half, $n = count($y) - $half; $i < $n; $i++) {
            $sum = $centre * $y[$i];
            for ($k = 1; $k <= $half; $k++) {
                $sum += $weights[$k] * ($y[$i + $k] + $sign * $y[$i - $k]);
            }
            $result[] = $sum;
        }

        return $result;
    }

    /**
     * @param  list<float>  $weights
     * @param  list<float>  $y
     */
    private static function dot(array $weights, array $y, int $from): float
    {
        $sum = 0.0;
        foreach ($weights as $k => $weight) {
            $sum += $weight * $y[$from + $k];
        }

        return $sum;
    }

    /** @param  list<float>  $polynomial  constants, the lowest power first */
    private static function derivativeAt(array $polynomial, float $x, int $order): float
    {
        $sum = 0.0;
        foreach ($polynomial as $k => $constant) {
            if ($k >= $order) {
                $factor = $order === 0 ? 1.0 : (float) array_product(range($k - $order + 1, $k));
                $sum += $constant * $factor * $x ** ($k - $order);
            }
        }

        return $sum;
    }
}

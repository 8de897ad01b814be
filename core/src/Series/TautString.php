<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Welkion\Core\Exception\UnequalLengths;

/**
 * A string pulled taut between an upper and a lower limit about every point: of all curves that pass between the limits
 * its slope has the fewest tops and hollows (Davies and Kovac, Annals of Statistics 29 (2001) 1-65). What its slope still
 * shows is in the points and not in their scatter.
 */
final readonly class TautString
{
    /**
     * @param  list<int>  $knots  indices of points where the slope changes, the first and the last point included
     * @param  list<float>  $slopes  between each two knots, in y per x
     */
    private function __construct(public array $knots, public array $slopes)
    {
    }

    /**
     * @param  Series  $points  at least two
     * @param  list<float>  $within  how far the string may pass from each point, in y; it begins and ends at a point
     *
     * @throws UnequalLengths If there is not one limit for each point.
     */
    public static function through(Series $points, array $within): self
    {
        $n = $points->count();
        if (count($within) !== $n) {
            throw UnequalLengths::between($n, count($within));
        }
        [$x, $y] = [$points->x, $points->y];
        $within = [...array_slice($within, 0, -1), 0.0];
        $knots = [0];
        $heights = [$y[0]];
        $from = 0;
        while ($from < $n - 1) {
            [$from, $height] = self::next($x, $y, $within, $from, $heights[count($heights) - 1]);
            $knots[] = $from;
            $heights[] = $height;
        }
        $slopes = [];
        for ($k = 1; $k < count($knots); $k++) {
            $slopes[] = ($heights[$k] - $heights[$k - 1]) / ($x[$knots[$k]] - $x[$knots[$k - 1]]);
        }

        return new self($knots, $slopes);
    }

    /** @return list<int> indices of slopes that are greater than those before and after them; the ends do not count */
    public function tops(): array
    {
        $tops = [];
        for ($k = 1, $n = count($this->slopes); $k < $n - 1; $k++) {
            if ($this->slopes[$k] > $this->slopes[$k - 1] && $this->slopes[$k] > $this->slopes[$k + 1]) {
                $tops[] = $k;
            }
        }

        return $tops;
    }

    /** The greater of the smallest slopes before and after a top, as far as nothing is greater than the top. */
    public function saddle(int $top): float
    {
        $lowest = [];
        foreach ([-1, 1] as $side) {
            $least = $this->slopes[$top];
            for ($k = $top + $side; isset($this->slopes[$k]) && $this->slopes[$k] <= $this->slopes[$top]; $k += $side) {
                $least = min($least, $this->slopes[$k]);
            }
            $lowest[] = $least;
        }

        return max($lowest);
    }

    /**
     * Where the string touches a limit next.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<float>  $within
     * @return array{int, float} index and height
     */
    private static function next(array $x, array $y, array $within, int $from, float $height): array
    {
        [$steepest, $flattest] = [-INF, INF];
        [$low, $high] = [$from, $from];
        for ($i = $from + 1, $n = count($x); $i < $n; $i++) {
            $run = $x[$i] - $x[$from];
            $down = ($y[$i] - $within[$i] - $height) / $run;
            $up = ($y[$i] + $within[$i] - $height) / $run;
            if ($down > $flattest) {
                return [$high, $y[$high] + $within[$high]];
            }
            if ($up < $steepest) {
                return [$low, $y[$low] - $within[$low]];
            }
            if ($down >= $steepest) {
                [$steepest, $low] = [$down, $i];
            }
            if ($up <= $flattest) {
                [$flattest, $high] = [$up, $i];
            }
        }

        return [$n - 1, $y[$n - 1]];
    }
}

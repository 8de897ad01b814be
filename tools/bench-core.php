<?php

declare(strict_types=1);

/*
 * How fast the core computes: one JSON line a task, {"task","n","repeats","median_s"}. Called by bin/bench.
 *
 *   --data DIR     read the inputs from files there: x,y columns as CSV with a header, samples as little-endian doubles
 *   --only A,B     these tasks alone
 */

use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Linear\StraightLine;
use Welkion\Core\Samples\Segment;
use Welkion\Core\Series\SavitzkyGolay;

require __DIR__.'/../vendor/autoload.php';

$options = getopt('', ['data:', 'only:']);
$folder = $options['data'] ?? null;
$normal = (static function (): Closure {
    mt_srand(101);

    return static fn (): float => sqrt(-2.0 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) * cos(2.0 * M_PI * mt_rand() / mt_getrandmax());
})();

/** @return array{list<float>, list<float>} the two columns of a file, or what the function makes of n */
$columns = static function (string $task, int $n, callable $make) use ($folder): array {
    $x = [];
    $y = [];
    if ($folder === null) {
        for ($i = 0; $i < $n; $i++) {
            [$x[], $y[]] = $make($i, $n);
        }

        return [$x, $y];
    }
    $file = fopen("{$folder}/{$task}.csv", 'r');
    for (fgets($file); ($line = fgets($file)) !== false;) {
        [$a, $b] = explode(',', $line);
        $x[] = (float) $a;
        $y[] = (float) $b;
    }

    return [$x, $y];
};

$samples = static function (int $n) use ($folder, $normal): array {
    $values = [];
    if ($folder !== null) {
        $file = fopen("{$folder}/minmax_downsample_10m_to_2000.f64le", 'rb');
        while (($bytes = fread($file, 800_000)) !== false && $bytes !== '') {
            foreach (unpack('e*', $bytes) as $value) {
                $values[] = $value;
            }
        }

        return $values;
    }
    for ($i = 0; $i < $n; $i++) {
        $values[] = 5.0 * sin($i * 2.0 * M_PI * 7.0 / $n) + $normal();
    }

    return $values;
};

$exponential = static function (string $task, int $n) use ($columns, $normal): Closure {
    [$x, $y] = $columns($task, $n, static function (int $i, int $n) use ($normal): array {
        $x = 10.0 * $i / ($n - 1);

        return [$x, 5.0 * exp(-0.7 * $x) + 1.2 + 0.05 * $normal()];
    });
    $curve = Curve::typed('a*exp(-k*x) + c');
    $fitter = new CurveFitter;

    return static function () use ($fitter, $curve, $x, $y): void {
        $fit = $fitter->fit($curve, $x, $y, ['a' => 1.0, 'k' => 1.0, 'c' => 1.0]);
        $fit->hasConverged() || throw new RuntimeException('The fit did not converge.');
    };
};

/** Task to size, warm-up, repeats, and what makes the timed call from the size. */
$tasks = [
    'fit_exponential_200' => [200, 200, 501, static fn (int $n): Closure => $exponential('fit_exponential_200', $n)],
    'fit_exponential_100k' => [100_000, 3, 21, static fn (int $n): Closure => $exponential('fit_exponential_100k', $n)],
    'linear_fit_1m' => [1_000_000, 3, 21, static function (int $n) use ($columns, $normal): Closure {
        [$x, $y] = $columns('linear_fit_1m', $n, static fn (int $i): array => [0.001 * $i, 0.37 * 0.001 * $i + 12.5 + 1.5 * $normal()]);

        return static fn (): StraightLine => StraightLine::through($x, $y);
    }],
    'savgol_first_derivative_100k' => [100_000, 5, 41, static function (int $n) use ($columns, $normal): Closure {
        [, $y] = $columns('savgol_first_derivative_100k', $n, static fn (int $i): array => [
            0.01 * $i, sin(M_PI * 0.01 * $i) + 0.3 * sin(6.2 * M_PI * 0.01 * $i) + 0.02 * $normal(),
        ]);

        return static fn (): array => (new SavitzkyGolay(11, 3, 1))->of($y, 0.01);
    }],
    // Segment by segment, as filing does it.
    'segments_made_10m' => [10_000_000, 0, 3, static function (int $n) use ($samples): Closure {
        $pieces = array_chunk($samples($n), Segment::SAMPLES);

        return static function () use ($pieces): void {
            foreach ($pieces as $values) {
                $segment = Segment::of(array_map(static fn (int $i): float => 0.001 * $i, array_keys($values)), $values);
                $segment->envelope();
                $segment->moments();
            }
        };
    }],
];

$wanted = isset($options['only']) ? explode(',', $options['only']) : array_keys($tasks);
foreach ($wanted as $task) {
    if (! isset($tasks[$task])) {
        fwrite(STDERR, "There is no task {$task}. The tasks are: ".implode(', ', array_keys($tasks)).".\n");
        exit(2);
    }
    [$n, $warmUp, $repeats, $make] = $tasks[$task];
    $call = $make($n);
    for ($i = 0; $i < $warmUp; $i++) {
        $call();
    }
    $seconds = [];
    for ($i = 0; $i < $repeats; $i++) {
        $began = hrtime(true);
        $call();
        $seconds[] = (hrtime(true) - $began) / 1e9;
    }
    sort($seconds);
    echo json_encode(['task' => $task, 'n' => $n, 'repeats' => $repeats, 'median_s' => (float) sprintf('%.6g', $seconds[intdiv($repeats, 2)])]), "\n";
    unset($call);
}

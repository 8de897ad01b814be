<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Fitting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\CurveFitter;
use Welkion\Core\Fitting\Fit;

/** Regressions with certified answers: NIST Statistical Reference Datasets. */
final class NistTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> set, and which start */
    public static function nonlinear(): iterable
    {
        foreach (self::sets() as $name => $set) {
            if ($set['start1'] !== []) {
                yield "{$name}, far start" => [$name, 'start1'];
                yield "{$name}, near start" => [$name, 'start2'];
            }
        }
    }

    /** @return iterable<string, array{string}> */
    public static function linear(): iterable
    {
        foreach (self::sets() as $name => $set) {
            if ($set['start1'] === []) {
                yield $name => [$name];
            }
        }
    }

    #[DataProvider('nonlinear')]
    public function test_nonlinear_sets_to_eight_digits_from_both_starts(string $name, string $start): void
    {
        $set = self::sets()[$name];
        $fit = self::fit($set, array_combine(self::names($set), array_map(floatval(...), $set[$start])));

        self::assertTrue($fit->hasConverged());
        // Certified to 11 digits; 7 are asked for. The search stops where the tenth digit of a constant no longer moves.
        self::assertGreaterThan(8.5, self::digits($fit, $set, errors: false));
        self::assertGreaterThan(8.5, self::digits($fit, $set, errors: true));
    }

    public function test_the_search_gets_there_in_few_steps(): void
    {
        $steps = ['start1' => 0, 'start2' => 0];
        foreach (self::nonlinear() as [$name, $start]) {
            $set = self::sets()[$name];
            $steps[$start] += self::fit($set, array_combine(self::names($set), array_map(floatval(...), $set[$start])))->iterations;
        }

        // 27 sets each; a search that damps too much, or goes on when nothing moves any more, needs more.
        self::assertLessThanOrEqual(800, $steps['start1']);
        self::assertLessThanOrEqual(335, $steps['start2']);
    }

    #[DataProvider('linear')]
    public function test_linear_sets_to_eleven_digits(string $name): void
    {
        $set = self::sets()[$name];
        $fit = self::fit($set, []);

        self::assertSame(1, $fit->iterations);
        self::assertGreaterThanOrEqual(11.0, self::digits($fit, $set, errors: false));
        self::assertGreaterThanOrEqual(11.0, self::digits($fit, $set, errors: true));
        self::assertEqualsWithDelta($set['certified']['residualStandardDeviation'], $fit->residualStandardDeviation(),
            1e-11 * $set['certified']['residualStandardDeviation']);
    }

    public function test_exact_data_leave_residuals_of_exactly_zero(): void
    {
        $fit = self::fit(self::sets()['Wampler1'], []);

        self::assertSame(array_fill(0, 21, 0.0), $fit->residuals);
        self::assertSame([1.0, 1.0, 1.0, 1.0, 1.0, 1.0], $fit->values());
    }

    /** @return iterable<string, array{string}> those with few enough constants to be guessed */
    public static function guessed(): iterable
    {
        foreach (['Misra1a', 'Chwirut2', 'DanWood', 'BoxBOD', 'Eckerle4', 'Rat42'] as $name) {
            yield $name => [$name];
        }
    }

    #[DataProvider('guessed')]
    public function test_finds_the_answer_without_any_starting_values(string $name): void
    {
        $set = self::sets()[$name];

        self::assertGreaterThan(8.5, self::digits(self::fit($set, []), $set, errors: false));
    }

    /**
     * @param  array<string, mixed>  $set
     * @param  array<string, float>  $start
     */
    private static function fit(array $set, array $start): Fit
    {
        return (new CurveFitter)->fit(Curve::typed($set['model']), array_map(floatval(...), $set['x']), array_map(floatval(...), $set['y']), $start);
    }

    /** @param  array<string, mixed>  $set */
    private static function digits(Fit $fit, array $set, bool $errors): float
    {
        $fewest = 11.0;
        foreach (self::names($set) as $k => $name) {
            $constant = $fit->constant($name);
            self::assertNotNull($constant);
            $got = $errors ? $constant->standardError : $constant->value;
            $certified = (float) $set['certified'][$errors ? 'standardErrors' : 'parameters'][$k];
            $error = $certified === 0.0 ? abs($got) : abs($got - $certified) / abs($certified);
            $fewest = min($fewest, -log10(max($error, 1e-11)));
        }

        return $fewest;
    }

    /**
     * @param  array<string, mixed>  $set
     * @return list<string>
     */
    private static function names(array $set): array
    {
        return array_map(static fn (int $k): string => "b{$k}", range(1, count($set['certified']['parameters'])));
    }

    /** @return array<string, array<string, mixed>> */
    private static function sets(): array
    {
        static $sets = [];
        foreach ($sets === [] ? glob(__DIR__.'/../reference/nist/*.json') ?: [] : [] as $file) {
            $set = json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR);
            $sets[$set['name']] = $set;
        }

        return $sets;
    }
}

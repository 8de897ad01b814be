<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\Watching;
use Carbon\CarbonImmutable;
use Carbon\FactoryImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Route as Routes;
use Symfony\Component\Clock\NativeClock;
use Tests\Support\OpenApi;
use Tests\TestCase;

final class FoundationTest extends TestCase
{
    public function test_the_replaced_packages_are_not_missed(): void
    {
        self::assertSame('2026-11-24', CarbonImmutable::parse('2026-11-23')->addDay()->toDateString());
        self::assertInstanceOf(\DateTimeImmutable::class, (new FactoryImmutable)->now());
        self::assertSame('UTC', (new NativeClock('Europe/Vienna'))->withTimeZone('UTC')->now()->getTimezone()->getName());
        self::assertSame([1, 3, null], [array_first([1, 2, 3]), array_last([1, 2, 3]), array_last([])]);
    }

    public function test_every_route_of_the_api_is_described_and_every_description_has_a_route(): void
    {
        $routes = collect(Routes::getRoutes()->getRoutes())
            ->filter(static fn (Route $route): bool => str_starts_with($route->uri(), 'api/') && ! str_contains($route->uri(), '{any}'))
            ->map(static fn (Route $route): string => $route->methods()[0].' /'.$route->uri())->sort()->values()->all();
        $described = OpenApi::document()->operations();
        sort($described);

        self::assertSame($described, $routes);
    }

    public function test_every_route_with_a_subject_asks_its_policy_and_has_a_rate_limit(): void
    {
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if (! str_starts_with($route->uri(), 'api/') || str_contains($route->uri(), '{any}')) {
                continue;
            }
            $middleware = implode(' ', $route->gatherMiddleware());
            self::assertStringContainsString('throttle:', $middleware, $route->uri());
            if (str_starts_with($route->uri(), 'api/watch/')) {
                self::assertStringContainsString(Watching::class, $middleware, 'Onlookers have a code instead of an account.');
            } elseif (str_contains($route->uri(), '{')) {
                self::assertStringContainsString('can:use,', $middleware, $route->uri());
            }
        }
    }

    public function test_data_of_an_older_way_to_store_are_refused_with_the_way_to_begin_afresh(): void
    {
        self::assertSame(0, Artisan::call('welkion:upgrade'));
        DB::beginTransaction();
        DB::table('migrations')->insert(['migration' => '2020_01_01_000001_from_long_ago', 'batch' => 1]);
        try {
            self::assertSame(1, Artisan::call('welkion:upgrade'));
            self::assertSame('Refused: the data of this copy were made by an older version, whose experiments are stored otherwise. '
                .'Begin afresh, without these data, with: bin/start --fresh', trim(Artisan::output()));
        } finally {
            DB::rollBack();
        }
    }

    public function test_types_of_the_screens_are_those_of_the_description(): void
    {
        $fresh = (string) tempnam(sys_get_temp_dir(), 'schema');
        exec('cd '.escapeshellarg(base_path()).' && npx openapi-typescript docs/openapi.yaml -o '.escapeshellarg($fresh).' 2>&1', $output, $code);

        self::assertSame(0, $code, implode("\n", $output));
        self::assertFileEquals(base_path('resources/js/lib/api/schema.d.ts'), $fresh, 'Run "npm run types".');
        unlink($fresh);
    }

    public function test_the_database_takes_any_text_for_a_value_and_one_statement_at_a_time(): void
    {
        foreach (["\\' OR 1=1; -- ", "\"'`\\", "\x00\x1a\n\r", '😀 2 588,86 — ½', '0', ''] as $text) {
            self::assertSame($text, DB::selectOne('SELECT ? AS said', [$text])->said);
        }
        self::assertSame([7, null], array_values((array) DB::selectOne('SELECT ? AS seven, ? AS nothing', [7, null])));
        $numbers = [0.1 + 0.2, 1.0 / 3.0, -2.5e-300, 1.7e308, 6.02214076e23];
        foreach ($numbers as $number) {
            self::assertSame($number, DB::selectOne('SELECT CAST(? AS DOUBLE) AS number', [$number])->number);
        }

        $this->expectException(QueryException::class);
        DB::select('SELECT 1; SELECT 2');
    }

    public function test_php_fpm_runs_with_opcache_and_jit(): void
    {
        $probe = base_path('public/jit-'.bin2hex(random_bytes(6)).'.php');
        file_put_contents($probe, '<?php $s = opcache_get_status(false); echo json_encode([$s["opcache_enabled"], $s["jit"]["on"], (int) ini_get("opcache.jit_max_exit_counters") > 100000]);');
        try {
            // The framework alone uses up the limit PHP begins with, and then no loop of the core is compiled.
            self::assertSame([true, true, true], Http::get(config()->string('app.url').'/up')->ok() ? $this->askFpm($probe) : null);
        } finally {
            unlink($probe);
        }
    }

    public function test_the_health_command_says_when_the_recorder_is_away(): void
    {
        config(['welkion.sockets' => '/dev/null']);

        self::assertSame(1, Artisan::call('welkion:health'));
        self::assertStringContainsString('The recorder is starting again', Artisan::output());
    }

    /** @return array<mixed> what a script prints when php-fpm runs it, asked as the web server asks */
    private function askFpm(string $script): array
    {
        $record = static fn (int $type, string $content): string => pack('CCnnCC', 1, $type, 1, strlen($content), 0, 0).$content;
        $pair = static fn (string $name, string $value): string => chr(strlen($name)).pack('N', strlen($value) | 0x80000000).$name.$value;
        $socket = stream_socket_client('unix://'.config()->string('welkion.sockets').'/php-fpm.sock');
        self::assertIsResource($socket);
        fwrite($socket, $record(1, pack('nCx5', 1, 0)).$record(4, $pair('SCRIPT_FILENAME', $script).$pair('REQUEST_METHOD', 'GET')).$record(4, '').$record(5, ''));
        preg_match('/\[[a-z,]+\]/', (string) stream_get_contents($socket), $match);

        return json_decode($match[0] ?? 'null', true);
    }
}

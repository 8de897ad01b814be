<?php

declare(strict_types=1);

namespace Welkion\Core\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ArchitectureTest extends TestCase
{
    /** @return iterable<string, array{string, string}> folder, and what it may never mention */
    public static function forbidden(): iterable
    {
        yield 'the core knows no framework and no one above it' => ['core/src', '/\b(Illuminate|App|React|Symfony|Welkion\\\\(Standins|Cli))\\\\/'];
        yield 'the core reads no clock and no randomness of its own' => ['core/src', '/\b(time|microtime|hrtime|date|rand|mt_rand|random_int)\(|new \\\\?DateTime/'];
        yield 'the core does no input or output' => ['core/src', '/\b(file_get_contents|file_put_contents|fopen|curl_init|echo|print)\b\s*\(/'];
        yield 'the command line knows the core alone' => ['cli/src', '/\b(Illuminate|App|React|Symfony|Welkion\\\\Standins)\\\\/'];
        yield 'stand-ins know the core alone' => ['standins/src', '/\b(Illuminate|App)\\\\/'];
        yield 'a gateway speaks the link and knows nothing else' => ['gateway/src', '/\b(Illuminate|App|React|Symfony|Welkion\\\\(Core|Standins\\\\(World|Chemistry)))\\\\/'];
    }

    #[DataProvider('forbidden')]
    public function test_dependencies_point_one_way(string $folder, string $pattern): void
    {
        $root = dirname(__DIR__, 2);
        $files = new \RegexIterator(
            new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("{$root}/{$folder}")), '/\.php$/',
        );
        $offenders = [];
        $count = 0;
        foreach ($files as $file) {
            $count++;
            if (preg_match($pattern, (string) file_get_contents((string) $file), $match) === 1) {
                $offenders[] = "{$file}: {$match[0]}";
            }
        }

        self::assertGreaterThan(3, $count);
        self::assertSame([], $offenders);
    }

    public function test_one_mode_of_jit_is_asked_for_everywhere(): void
    {
        $root = dirname(__DIR__, 2);
        $modes = [];
        foreach (['bin/*', 'deploy/lib/*', 'deploy/templates/*', 'tools/*', 'standins/bin/*', 'tests/Support/*', 'app/Console/Commands/*'] as $files) {
            foreach (array_filter(glob("{$root}/{$files}") ?: [], is_file(...)) as $file) {
                preg_match_all('/opcache\.jit=(\w+)/', (string) file_get_contents($file), $found);
                $modes = [...$modes, ...$found[1]];
            }
        }

        // Decision 7: with register allocation loops were worked out wrongly.
        self::assertSame(['1054'], array_values(array_unique($modes)));
        self::assertGreaterThan(3, count($modes));
    }

    public function test_no_comparison_is_negated(): void
    {
        $root = dirname(__DIR__, 2);
        $found = [];
        foreach (['core/src', 'app', 'cli/src', 'standins/src', 'gateway/src'] as $folder) {
            foreach (new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("{$root}/{$folder}")), '/\.php$/') as $file) {
                foreach (file((string) $file) ?: [] as $i => $line) {
                    preg_match('/! \((?![^()]*static fn)[^&|]* (<|>|<=|>=) [^&|]*\)/', $line) === 1 && $found[] = "{$file}:".($i + 1);
                }
            }
        }

        // The optimizer of PHP 8.2 takes !(a > b) for a <= b, which is another answer where one of them is NAN (decision 7).
        self::assertSame([], $found);
    }

    /** @return iterable<string, array{string, string}> folder, and the namespace of what is in it */
    public static function houses(): iterable
    {
        yield 'core' => ['core/src', 'Welkion\\\\Core'];
        yield 'application' => ['app', 'App'];
    }

    #[DataProvider('houses')]
    public function test_no_folder_uses_one_that_uses_it(string $folder, string $namespace): void
    {
        $uses = [];
        foreach (glob(dirname(__DIR__, 2)."/{$folder}/*", GLOB_ONLYDIR) ?: [] as $room) {
            $uses[basename($room)] = self::roomsUsedIn($room, $namespace);
        }
        self::assertGreaterThan(8, count($uses));
        // A room that nothing else uses, or that uses nothing else, is in no circle; what is left over is.
        do {
            $before = count($uses);
            $uses = array_filter($uses, static fn (array $used): bool => array_intersect($used, array_keys($uses)) !== []);
        } while (count($uses) < $before);

        self::assertSame([], array_map(array_values(...), $uses));
    }

    /** @return list<string> */
    private static function roomsUsedIn(string $room, string $namespace): array
    {
        $used = [];
        foreach (new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($room)), '/\.php$/') as $file) {
            preg_match_all("/\\b{$namespace}\\\\(\w+)\\\\/", (string) file_get_contents((string) $file), $found);
            $used = [...$used, ...$found[1]];
        }

        return array_values(array_diff(array_unique($used), [basename($room)]));
    }
}

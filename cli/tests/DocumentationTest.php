<?php

declare(strict_types=1);

namespace Welkion\Cli\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The examples of docs/core.md, run. */
final class DocumentationTest extends TestCase
{
    /** Numbers are written with four digits or more. */
    private const SHOWN = 6e-4;

    /** @return iterable<string, array{string, string}> command and what it prints */
    public static function commands(): iterable
    {
        preg_match_all('/^```console\n\$ ([^\n]+)\n(.*?)^```$/msu', self::page(), $blocks, PREG_SET_ORDER);
        foreach ($blocks as [, $command, $output]) {
            yield $command => [$command, $output];
        }
    }

    /** @return iterable<int, array{string, string}> code and what it prints */
    public static function programs(): iterable
    {
        preg_match_all('/^```php\n(.*?)^```\n```text\n(.*?)^```$/msu', self::page(), $blocks, PREG_SET_ORDER);
        foreach ($blocks as [, $code, $output]) {
            yield [$code, $output];
        }
    }

    public function test_every_block_of_the_page_is_found(): void
    {
        self::assertSame(substr_count(self::page(), "```console\n"), count(iterator_to_array(self::commands())));
        self::assertSame(substr_count(self::page(), "```php\n"), count(iterator_to_array(self::programs())));
    }

    #[DataProvider('commands')]
    public function test_a_command_prints_what_the_page_shows(string $command, string $expected): void
    {
        exec('cd '.escapeshellarg(self::root())." && {$command} 2>&1", $printed);
        $at = 0;
        foreach (array_filter(explode("\n", $expected), static fn (string $line): bool => ! in_array(trim($line), ['', '...'], true)) as $line) {
            while ($at < count($printed) && ! self::isSame($line, $printed[$at])) {
                $at++;
            }
            self::assertLessThan(count($printed), $at, "\"{$line}\" is not printed, or not in this order:\n".implode("\n", $printed));
            $at++;
        }
    }

    #[DataProvider('programs')]
    public function test_a_program_prints_what_the_page_shows(string $code, string $expected): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'welkion');
        file_put_contents($file, "<?php\nrequire '".self::root()."/vendor/autoload.php';\n".$code);
        exec(PHP_BINARY.' '.escapeshellarg($file).' 2>&1', $printed);
        unlink($file);

        self::assertSame(trim($expected), trim(implode("\n", $printed)));
    }

    /** Same words, and numbers that agree as far as they are written. */
    private static function isSame(string $line, string $printed): bool
    {
        $number = '/-?\d+(?:\.\d+)?(?:[eE][-+]?\d+)?/';
        preg_match_all($number, $line, $left);
        preg_match_all($number, $printed, $right);
        if (preg_replace($number, '#', trim($line)) !== preg_replace($number, '#', trim($printed)) || count($left[0]) !== count($right[0])) {
            return false;
        }
        foreach ($left[0] as $i => $value) {
            if (abs((float) $value - (float) $right[0][$i]) > self::SHOWN * abs((float) $value)) {
                return false;
            }
        }

        return true;
    }

    private static function page(): string
    {
        return (string) file_get_contents(self::root().'/docs/core.md');
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Golden;

use PHPUnit\Framework\TestCase;

/**
 * What twelve titrations came to before the working became general, written down by the code of that time (and again when
 * jumps were told more exactly, by at most a tenth of an uncertainty): a redesign must not change a result. (Whether the
 * results are right is asked elsewhere, of the truth.)
 */
final class TitrationsTest extends TestCase
{
    public function test_the_working_says_what_it_said(): void
    {
        $golden = json_decode((string) file_get_contents(__DIR__.'/titrations.json'), true, flags: JSON_THROW_ON_ERROR);
        self::assertCount(12, $golden);
        $now = Titrations::workings();
        self::assertSame(array_keys($golden), array_keys($now));
        foreach ($golden as $file => $lines) {
            foreach ($lines as $i => $line) {
                $where = "{$file}, {$line['line']}";
                self::assertSame([$line['line'], $line['unit']], [$now[$file][$i]['line'], $now[$file][$i]['unit']], $where);
                self::assertSame($line['value'] === null, $now[$file][$i]['value'] === null, $where);
                // Sums in another order differ in the last digits.
                self::assertEqualsWithDelta($line['value'] ?? 0.0, $now[$file][$i]['value'] ?? 0.0, 1e-11 * abs($line['value'] ?? 0.0), $where);
                self::assertEqualsWithDelta($line['uncertainty'] ?? 0.0, $now[$file][$i]['uncertainty'] ?? 0.0, 1e-11 * abs($line['value'] ?? 0.0), $where);
            }
        }
    }
}

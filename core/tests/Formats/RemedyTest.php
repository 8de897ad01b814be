<?php

declare(strict_types=1);

namespace Welkion\Core\Tests\Formats;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Formats\DecimalMark;
use Welkion\Core\Formats\Remedy;

final class RemedyTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> what stands there, and what was meant */
    public static function slips(): iterable
    {
        foreach ([
            '4.45x' => '4.45', 'O.12' => '0.12', '1O1.8' => '101.8', '1OO' => '100', 'l2.5' => '12.5', '-l2.5' => '-12.5', '3.I4' => '3.14', '3.l' => '3.1', '24.1?' => '24.1', '24.1 *' => '24.1',
            '7.2 mL' => '7.2', '12 m/s' => '12', '21.5 °C' => '21.5', '~45' => '45', 'ca. 45' => '45', 'c. 45' => '45', '3..2' => '3.2', '3.,2' => '3.2', '4,45' => '4.45', '4 .45' => '4.45', '4. 45' => '4.45',
            '4.45.' => '4.45', '45,' => '45', "\u{2212}4.45x" => '-4.45', "'12" => '12', '1e5x' => '1e5', ' 12.0 ' => '12.0',
        ] as $text => $meant) {
            yield (string) $text => [(string) $text, $meant];
        }
    }

    #[DataProvider('slips')]
    public function test_a_slip_is_put_right(string $text, string $meant): void
    {
        self::assertSame($meant, Remedy::of($text, DecimalMark::Point));
    }

    public function test_with_a_decimal_comma_too(): void
    {
        self::assertSame(['6,02', '4,45', '4,45', '2 588,86'], array_map(static fn (string $t): ?string => Remedy::of($t, DecimalMark::Comma), ['6,O2', '4.45', '4,45x', '2 588,86 g']));
    }

    /** @return iterable<string, array{string}> */
    public static function riddles(): iterable
    {
        foreach (['', '?', 'OL', 'overload', 'about 45', 'door opened at 80 s', '< 0.5', '>14', '3 or 4', '3-4', '1.2.3', '12:30', 'x4.45', 'Error 5', '1/2', 'lol', '4.45 4.46'] as $text) {
            yield "\"{$text}\"" => [$text];
        }
    }

    #[DataProvider('riddles')]
    public function test_what_nobody_can_tell_is_left_alone(string $text): void
    {
        self::assertNull(Remedy::of($text, DecimalMark::Point));
    }
}

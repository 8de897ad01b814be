<?php

declare(strict_types=1);

namespace Tests\Unit\Storage;

use App\Storage\AwayMark;
use App\Storage\Outage;
use App\Storage\StorageAway;
use Illuminate\Database\QueryException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class OutageTest extends TestCase
{
    /** @return iterable<string, array{int, bool, bool}> number of the error, whether waiting helps, whether nobody answers */
    public static function errors(): iterable
    {
        yield 'connection refused' => [2002, true, true];
        yield 'gone away' => [2006, true, true];
        yield 'lost during a query' => [2013, true, true];
        yield 'shutting down' => [1053, true, true];
        yield 'too many connections' => [1040, true, true];
        yield 'full disk' => [1021, true, false];
        yield 'lock held by another' => [1205, true, false];
        yield 'deadlock' => [1213, true, false];
        yield 'data too long' => [1406, false, false];
        yield 'out of range' => [1264, false, false];
        yield 'no such run any more' => [1452, false, false];
        yield 'duplicate key' => [1062, false, false];
        yield 'no such table' => [1146, false, false];
    }

    #[DataProvider('errors')]
    public function test_tells_what_passes_from_what_never_will(int $number, bool $isBehind, bool $isUnreachable): void
    {
        $error = new \PDOException('SQLSTATE');
        $error->errorInfo = ['HY000', $number, 'as the server says it'];
        $query = new QueryException('mariadb', 'select 1', [], $error);

        self::assertSame([$isBehind, $isUnreachable], [Outage::isBehind($query), Outage::isUnreachable($query)]);
        self::assertSame([$isBehind, $isUnreachable], [Outage::isBehind($error), Outage::isUnreachable($error)]);
    }

    public function test_every_number_of_the_list_of_errors_that_tells_of_waiting_is_known(): void
    {
        // MariaDB Error Code Reference: connections, shutdown, network; then full, locked, limited, read-only, interrupted.
        $gone = [1040, 1053, 1129, 1152, 1158, 1159, 1160, 1161, 1184, 1203, 1927, 2002, 2003, 2006, 2012, 2013, 2055];
        $busy = [1021, 1028, 1114, 1205, 1206, 1213, 1226, 1290, 1317, 1836, 3024, 3100];
        foreach (range(1000, 4200) as $number) {
            $error = new \PDOException;
            $error->errorInfo = ['HY000', $number, ''];
            self::assertSame(in_array($number, $gone, true), Outage::isUnreachable($error), (string) $number);
            self::assertSame(in_array($number, [...$gone, ...$busy], true), Outage::isBehind($error), (string) $number);
        }
    }

    public function test_an_error_while_connecting_has_its_number_in_the_code(): void
    {
        self::assertTrue(Outage::isUnreachable(new QueryException('mariadb', 'select 1', [], new \PDOException('SQLSTATE[HY000] [2002] Connection refused', 2002))));
        self::assertFalse(Outage::isBehind(new \RuntimeException('something else', 2002)));
    }

    public function test_a_mark_holds_for_a_second(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'mark');
        $mark = new AwayMark($file);
        $mark->set();
        try {
            $mark->check();
            self::fail('Just set, it holds.');
        } catch (StorageAway) {
            file_put_contents($file, (string) (microtime(true) - 1.1));
        }
        $mark->check();
        unlink($file);
        $mark->check();
        self::assertFileDoesNotExist($file);
    }
}

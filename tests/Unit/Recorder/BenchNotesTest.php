<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Keeping\Standing;
use App\Recorder\Live\BenchNotes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What screens say when something is in danger: how much, for how long, what to do. */
final class BenchNotesTest extends TestCase
{
    private const NOW = 1_795_000_000.0;

    /** @return iterable<string, array{Standing, list<array{string, string}>}> codes, and a piece of what is said */
    public static function standings(): iterable
    {
        yield 'all is well' => [new Standing(false, 0, 0, null, 0, null, null), []];
        yield 'away, nothing recorded' => [new Standing(true, 0, 0, null, 0, null, null), [['storage-away', 'Live values go on; what is recorded waits on disk, nothing is lost. Readings can be taken once it is back.']]];
        yield 'away' => [new Standing(true, 1234, 0, null, 0, null, null), [['storage-away', '1,234 samples of this run wait on disk, nothing is lost.']]];
        yield 'back' => [new Standing(false, 1, 0, null, 0, null, null), [['catching-up', 'The database is back; 1 sample that waited on disk is being written.']]];
        yield 'in danger' => [new Standing(true, 5, 90, self::NOW - 130.0, 0, null, null), [['samples-in-danger', '90 samples of the last 2 min are in memory alone. Leave this computer on, and make room on its disk']]];
        yield 'lost' => [new Standing(false, 0, 0, null, 1, self::NOW - 100.0, self::NOW - 60.0 * 90), [['samples-lost', '1 sample of this run could be kept nowhere and is lost']]];
        yield 'lost and in danger' => [new Standing(true, 0, 7, self::NOW - 0.2, 2500, self::NOW - 50.0, self::NOW - 12.0), [
            ['samples-lost', '2,500 samples of this run could be kept nowhere and are lost: over 38 s, the last 12 s ago.'], ['samples-in-danger', '7 samples of the last 1 s are in memory alone.'],
        ]];
    }

    /** @param  list<array{string, string}>  $said */
    #[DataProvider('standings')]
    public function test_says_the_gravest_first(Standing $standing, array $said): void
    {
        $notes = BenchNotes::ofStorage($standing, self::NOW);

        self::assertSame(array_column($said, 0), array_column($notes, 'code'));
        foreach ($said as $i => [$code, $piece]) {
            self::assertStringContainsString($piece, $notes[$i]['sentence']);
            self::assertSame(str_starts_with($code, 'samples') ? 'red' : 'amber', $notes[$i]['tone']);
        }
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Standins\Tests;

use PHPUnit\Framework\TestCase;
use Random\Randomizer;
use Welkion\Standins\Link\Building;
use Welkion\Standins\Link\Clock;
use Welkion\Standins\Link\Device;
use Welkion\Standins\World\Alder;

final class BuildingTest extends TestCase
{
    public function test_the_same_bench_stands_in_every_room_and_what_is_done_in_one_nobody_else_meets(): void
    {
        $building = new Building(self::room(), self::room(...));

        self::assertTrue($building->has('Alder@7'));
        self::assertSame($building->bench('Alder@7'), $building->bench('Alder@7'));
        $building->bench('Alder@7')->answer('{"do":"act","act":"dispense","volume":3}', 0.0);
        $summary = static fn (string $name): array => $building->bench($name)->answer('{"do":"tell"}', 0.0)[0]['world']['summary'];
        self::assertContains('burette at 3.00 mL', $summary('Alder@7'));
        self::assertContains('burette at 0.00 mL', $summary('Alder'));
        self::assertContains('burette at 0.00 mL', $summary($building->has('Alder@8') ? 'Alder@8' : ''));
    }

    public function test_a_bench_that_is_nowhere_has_no_room_either(): void
    {
        self::assertFalse((new Building(self::room(), self::room(...)))->has('Cedar@7'));
        self::assertFalse((new Building(self::room()))->has('Alder@7'), 'Where there is but one room.');
        self::assertSame('Alder', (new Building(self::room()))->first());
    }

    public function test_in_a_bench_nobody_asked_for_no_time_passes(): void
    {
        $building = new Building(self::room(), self::room(...));
        self::assertSame([], $building->benches());
        $building->has('Alder@7');
        self::assertSame([], $building->benches());
        $bench = $building->bench('Alder@7');

        self::assertSame(['Alder@7' => $bench], $building->benches());
    }

    public function test_a_room_is_cleared_a_while_after_the_last_listener_has_left_and_the_shared_one_never(): void
    {
        $building = new Building(self::room(), self::room(...), keptS: 120.0);
        foreach (['Alder', 'Alder@7', 'Alder@8'] as $name) {
            self::assertTrue($building->has($name));
            $building->bench($name);
        }
        $building->clear(['Alder', 'Alder@7', 'Alder@8'], 1000.0);
        $building->clear(['Alder@8'], 1120.0);
        self::assertSame(['Alder', 'Alder@7', 'Alder@8'], array_keys($building->benches()));
        $building->clear(['Alder@8'], 1120.1);

        self::assertSame(['Alder', 'Alder@8'], array_keys($building->benches()));
        self::assertTrue($building->has('Alder@7'), 'It is furnished anew.');
    }

    public function test_a_room_whose_listener_was_gone_at_once_is_cleared_too(): void
    {
        $building = new Building(self::room(), self::room(...), keptS: 120.0);
        $building->bench('Alder@7');
        $building->clear([], 1000.0);
        $building->clear([], 1120.0);
        self::assertSame(['Alder@7'], array_keys($building->benches()));
        $building->clear([], 1120.1);

        self::assertSame([], $building->benches());
    }

    public function test_there_are_only_so_many_rooms(): void
    {
        $building = new Building(self::room(), self::room(...));
        for ($room = 1; $room <= 200; $room++) {
            self::assertTrue($building->has("Alder@{$room}"));
        }
        self::assertFalse($building->has('Alder@201'));
        self::assertTrue($building->has('Alder@200'));
    }

    /** @return array<string, Device> */
    private static function room(): array
    {
        return ['Alder' => new Device(new Alder(new Randomizer), new Clock(0.0), 0.0)];
    }
}

<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Link\DeviceFault;
use App\Recorder\Link\ToldChannel;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Welkion\Core\Calibration\ProbeKind;

final class ToldChannelTest extends TestCase
{
    private const GOOD = [
        'name' => 'ph', 'kind' => 'ph-electrode', 'title' => 'pH electrode', 'serial' => 'Alder-1', 'unit' => 'mV', 'resolution' => 0.1,
        'fastestHz' => 10, 'stated' => ['slope' => -59.16, 'offset' => 0],
    ];

    public function test_reads_a_channel_as_the_probe_link_describes_it(): void
    {
        [$channel] = ToldChannel::allIn([self::GOOD]);

        self::assertSame(
            ['ph', ProbeKind::PhElectrode, 'pH electrode', 'Alder-1', 'mV', 0.1, 10.0, -59.16, 0.0],
            [$channel->name, $channel->kind, $channel->title, $channel->serial, $channel->unit, $channel->resolution, $channel->fastestHz, $channel->statedSlope, $channel->statedOffset],
        );
    }

    public function test_what_may_be_left_out_has_its_usual_value(): void
    {
        [$channel] = ToldChannel::allIn([['name' => 'ph', 'kind' => 'ph-electrode', 'serial' => 'A']]);

        self::assertSame(['ph', '', 0.0, 1.0, null, null], [$channel->title, $channel->unit, $channel->resolution, $channel->fastestHz, $channel->statedSlope, $channel->statedOffset]);
        self::assertNull(ToldChannel::allIn([['stated' => null] + self::GOOD])[0]->statedSlope);
    }

    public function test_takes_the_smallest_and_the_largest_that_is_allowed(): void
    {
        [$channel] = ToldChannel::allIn([['stated' => ['slope' => -1e-9, 'offset' => -1e9], 'fastestHz' => 1e6, 'resolution' => 0, 'title' => str_repeat('ë', 80), 'unit' => str_repeat('m', 20)] + self::GOOD]);

        self::assertSame([-1e-9, -1e9, 1e6, 0.0], [$channel->statedSlope, $channel->statedOffset, $channel->fastestHz, $channel->resolution]);
        self::assertCount(64, ToldChannel::allIn(array_map(static fn (int $i): array => ['name' => "c{$i}", 'serial' => "s{$i}"] + self::GOOD, range(1, 64))));
    }

    public function test_a_kind_that_is_not_known_here_is_any_quantity(): void
    {
        $channels = ToldChannel::allIn([['kind' => 'balance', 'name' => 'mass', 'serial' => 'B'], self::GOOD]);

        self::assertSame([['mass', ProbeKind::AnyQuantity, null], ['ph', ProbeKind::PhElectrode, null]], array_map(static fn (ToldChannel $c): array => [$c->name, $c->kind, $c->statedUnit], $channels));
        self::assertSame('g', ToldChannel::allIn([['kind' => 'any-quantity', 'name' => 'mass', 'serial' => 'B', 'quantityUnit' => 'g']])[0]->statedUnit);
        self::assertSame([], ToldChannel::allIn([]));
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function faults(): iterable
    {
        yield 'no list' => ['channels', 'told of no list of channels, or of more than 64'];
        yield 'named channels' => [['ph' => self::GOOD], 'told of no list of channels, or of more than 64'];
        yield 'too many' => [array_fill(0, 65, self::GOOD), 'told of no list of channels, or of more than 64'];
        yield 'a text for a channel' => [['ph'], 'told of a channel that is no JSON object'];
        yield 'no name' => [[['name' => ''] + self::GOOD], 'told of a channel whose name is no text of 1 to 40 letters'];
        yield 'a name of 100 kB' => [[['name' => str_repeat('x', 100_000)] + self::GOOD], 'told of a channel whose name is no text of 1 to 40 letters'];
        yield 'a name of two lines' => [[['name' => "p\nh"] + self::GOOD], 'told of a channel whose name is no text of 1 to 40 letters'];
        yield 'a title too long' => [[['title' => str_repeat('ë', 81)] + self::GOOD], 'told of a channel whose title is no text of 1 to 80 letters'];
        yield 'a number for a serial' => [[['serial' => 17] + self::GOOD], 'told of a channel whose serial is no text of 1 to 80 letters'];
        yield 'a unit too long' => [[['unit' => str_repeat('m', 21)] + self::GOOD], 'told of a channel whose unit is no text of 1 to 20 letters'];
        yield 'a resolution below nothing' => [[['resolution' => -0.1] + self::GOOD], 'told of a channel whose resolution is no number from 0 to 1e9'];
        yield 'a resolution beyond all measure' => [[['resolution' => INF] + self::GOOD], 'told of a channel whose resolution is no number from 0 to 1e9'];
        yield 'never read' => [[['fastestHz' => 0] + self::GOOD], 'told of a channel whose fastestHz is no number from 1e-6 to 1e9'];
        yield 'read too fast' => [[['fastestHz' => 2e6] + self::GOOD], 'told of a channel that is read more than a million times a second'];
        yield 'a line in words' => [[['stated' => 'good'] + self::GOOD], 'states a line of "ph" that is no JSON object'];
        yield 'a slope of nothing' => [[['stated' => ['slope' => 0]] + self::GOOD], 'states a slope of "ph" that is as good as nothing, so that its signal would mean nothing'];
        yield 'a slope of almost nothing' => [[['stated' => ['slope' => 1e-320]] + self::GOOD], 'states a slope of "ph" that is as good as nothing, so that its signal would mean nothing'];
        yield 'a slope just too small' => [[['stated' => ['slope' => 9e-10]] + self::GOOD], 'states a slope of "ph" that is as good as nothing, so that its signal would mean nothing'];
        yield 'an offset beyond all measure' => [[['stated' => ['slope' => 1, 'offset' => 1e300]] + self::GOOD], 'told of a channel whose offset is no number from -1e9 to 1e9'];
        yield 'the same name twice' => [[self::GOOD, ['serial' => 'other'] + self::GOOD], 'told of two channels with the same name'];
        yield 'the same serial twice' => [[self::GOOD, ['name' => 'other'] + self::GOOD], 'told of two channels with the same serial'];
    }

    #[DataProvider('faults')]
    public function test_what_is_described_otherwise_is_a_fault_in_words(mixed $told, string $what): void
    {
        $this->expectExceptionMessage("It {$what}.");
        $this->expectException(DeviceFault::class);

        ToldChannel::allIn($told);
    }
}

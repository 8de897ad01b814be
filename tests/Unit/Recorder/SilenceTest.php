<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\Silence;
use PHPUnit\Framework\TestCase;

/** When what is known of a channel is old, and when a whole device has fallen silent. */
final class SilenceTest extends TestCase
{
    private Silence $silence;

    protected function setUp(): void
    {
        $this->silence = new Silence;
        $this->silence->expect(1, 10.0);
        $this->silence->expect(2, 0.5);
    }

    public function test_a_channel_is_silent_after_three_seconds_or_three_of_its_readings(): void
    {
        self::assertTrue($this->silence->isOf(1, 100.0), 'It has said nothing yet.');
        $this->silence->heard(1, 100.0);
        $this->silence->heard(2, 100.0);
        self::assertFalse($this->silence->isOf(1, 103.0));
        self::assertTrue($this->silence->isOf(1, 103.1));
        self::assertFalse($this->silence->isOf(2, 106.0), 'Every other second a reading: three may be missed.');
        self::assertTrue($this->silence->isOf(2, 106.1));
        self::assertTrue($this->silence->isOf(3, 103.1));
        $this->silence->begin();
        self::assertTrue($this->silence->isOf(1, 100.1), 'Another line.');
    }

    public function test_a_device_is_silent_when_all_that_spoke_on_this_line_are(): void
    {
        $this->silence->heard(1, 100.0);
        self::assertNull($this->looked([2], 120.0), 'It has not spoken on this line: it may never do.');
        self::assertSame(100.0, $this->looked([1, 2], 120.0));
        $this->silence->heard(2, 101.0);
        self::assertNull($this->looked([1, 2], 104.0));
        self::assertSame(101.0, $this->looked([1, 2], 107.1));
        self::assertSame(100.0, $this->looked([1], 107.1));
        self::assertNull($this->looked([], 107.1), 'With no plug in, nothing is to come.');
        $this->silence->begin();
        self::assertNull($this->looked([1, 2], 200.0));
    }

    public function test_who_was_held_up_has_not_listened(): void
    {
        $this->silence->heard(1, 100.0);
        self::assertNull($this->silence->look([1], 110.0), 'The first look.');
        self::assertSame(100.0, $this->silence->look([1], 110.9));
        self::assertNull($this->silence->look([1], 112.0), 'What came meanwhile waits to be read.');
        self::assertSame(100.0, $this->silence->look([1], 112.4));
    }

    /** @param  list<int>  $probeIds */
    private function looked(array $probeIds, float $now): ?float
    {
        $this->silence->look($probeIds, $now - 0.4);

        return $this->silence->look($probeIds, $now);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Unit\Recorder;

use App\Recorder\MissedReadings;
use PHPUnit\Framework\TestCase;

/** What overtakes missed readings is held back until they come. */
final class MissedReadingsTest extends TestCase
{
    private const PROBE = 7;

    private MissedReadings $missed;

    protected function setUp(): void
    {
        $this->missed = new MissedReadings;
    }

    public function test_nothing_is_held_back_of_what_was_not_asked_for(): void
    {
        $this->missed->ask(8);

        self::assertFalse($this->missed->areAwaited(self::PROBE));
        self::assertFalse($this->missed->holdBack(self::PROBE, 0.0));
        self::assertTrue($this->missed->areAwaited(8));
    }

    public function test_what_streams_in_before_the_answer_is_held_back_and_the_pack_after_it_taken(): void
    {
        $this->missed->ask(self::PROBE);
        self::assertTrue($this->missed->holdBack(self::PROBE, 100.0));
        self::assertTrue($this->missed->holdBack(self::PROBE, 101.0));
        $this->missed->answered(self::PROBE);
        self::assertTrue($this->missed->areAwaited(self::PROBE), 'They are said to come, and are not here.');
        self::assertFalse($this->missed->holdBack(self::PROBE, 101.1));
        self::assertFalse($this->missed->areAwaited(self::PROBE));
    }

    public function test_a_device_that_streams_on_and_does_not_answer_has_nothing_to_say(): void
    {
        $this->missed->ask(self::PROBE);
        self::assertTrue($this->missed->holdBack(self::PROBE, 100.0));
        self::assertTrue($this->missed->holdBack(self::PROBE, 104.9));
        self::assertFalse($this->missed->holdBack(self::PROBE, 105.0));
        self::assertFalse($this->missed->areAwaited(self::PROBE));
        self::assertFalse($this->missed->holdBack(self::PROBE, 105.1), 'And from then on it is taken as it comes.');
    }

    /** Busy for half a minute with something else, a recorder finds a pack and behind it the answer. */
    public function test_the_time_a_recorder_did_not_listen_does_not_count(): void
    {
        $this->missed->ask(self::PROBE);
        self::assertTrue($this->missed->holdBack(self::PROBE, 130.0));
        $this->missed->answered(self::PROBE);
        self::assertFalse($this->missed->holdBack(self::PROBE, 130.0));
    }

    public function test_asked_again_they_are_awaited_anew(): void
    {
        $this->missed->ask(self::PROBE);
        $this->missed->holdBack(self::PROBE, 100.0);
        $this->missed->answered(self::PROBE);
        $this->missed->ask(self::PROBE);

        self::assertTrue($this->missed->holdBack(self::PROBE, 104.0));
        self::assertTrue($this->missed->holdBack(self::PROBE, 108.9));
    }
}

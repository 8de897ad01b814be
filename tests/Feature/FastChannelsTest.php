<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exceptions\RecorderUnavailable;
use App\Recorder\RecorderClient;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\FastBenches;
use Tests\Support\Recording;
use Tests\TestCase;

/** Many fast channels at once; bin/bench --samples does it for ten minutes. */
#[Group('shakes')]
final class FastChannelsTest extends TestCase
{
    use Recording;

    private const RATE = 500.0;

    private const SECONDS = 6.0;

    public function test_forty_eight_fast_channels_are_kept_to_the_last_sample_though_the_recorder_is_killed(): void
    {
        $fast = new FastBenches($this->teacher(), $this->freePort());
        try {
            $fast->start(8, self::RATE);
            usleep((int) (self::SECONDS / 2 * 1e6));
            $this->killRecorder();
            $this->eventually(static function (): bool {
                try {
                    return count(app(RecorderClient::class)->ask('health')['benches'] ?? []) >= 8;
                } catch (RecorderUnavailable) {
                    return false;
                }
            }, 20.0);
            usleep((int) (self::SECONDS / 2 * 1e6));
            $fast->finish();
        } finally {
            $fast->stop();
        }
        $kept = $fast->kept();

        self::assertSame(['channels' => 48, 'gaps' => 0, 'doubled' => 0, 'different' => 0], array_intersect_key($kept, ['channels' => 0, 'gaps' => 0, 'doubled' => 0, 'different' => 0]));
        self::assertGreaterThan(48 * self::RATE * self::SECONDS * 0.9, $kept['samples']);
        self::assertGreaterThan(self::SECONDS * 0.9, $kept['shortest_s']);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\Support\Fuzz\Fuzzing;
use Tests\TestCase;

/** Nonsense in every field of every route; `bin/bench --fuzz` sends more of it. */
final class FuzzTest extends TestCase
{
    use Fuzzing;

    public function test_nonsense_is_refused_in_words_and_every_page_still_opens_afterwards(): void
    {
        $count = (int) (getenv('WELKION_FUZZ') ?: (getenv('WELKION_THOROUGH') === false ? 400 : 10_000));
        $seed = (int) (getenv('WELKION_FUZZ_SEED') ?: (getenv('WELKION_THOROUGH') === false ? false : getenv('WELKION_SEED')) ?: 20261127);
        $accounts = array_map($this->furnishedTeacher(...), ['Alder', 'Birch', 'Hazel', 'Rowan']);
        $began = microtime(true);
        ['statuses' => $statuses, 'wrong' => $wrong] = $this->sendNonsense($accounts, $seed, $count);
        if (getenv('WELKION_FUZZ') !== false) {
            fwrite(STDOUT, json_encode(['task' => 'fuzz', 'seed' => $seed, 'requests' => $count, 'seconds' => round(microtime(true) - $began, 1), 'statuses' => $statuses, 'wrong' => count($wrong)])."\n");
        }

        self::assertSame([], array_slice($wrong, 0, 20), count($wrong).' answers were wrong.');
        self::assertGreaterThan($count / 5, $statuses[200] + ($statuses[201] ?? 0) + ($statuses[204] ?? 0), 'Much of it is right enough to be done.');
        self::assertGreaterThan($count / 10, $statuses[422] ?? 0, 'Much of it is not.');
        foreach ($accounts as [$teacher, $browser]) {
            self::assertSame([], $this->closedPagesOf($teacher, $browser));
        }
    }
}

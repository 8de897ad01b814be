<?php

declare(strict_types=1);

namespace App\Watching;

use App\Exceptions\Refusal;
use App\Models\Watch;
use Illuminate\Contracts\Session\Session;
use Illuminate\Support\Facades\RateLimiter;

/** Lets onlookers in by code, and remembers in their session what they may see. Wrong codes are counted, right ones are not. */
final readonly class WatchDoor
{
    public const SESSION_KEY = 'watching';

    /** Slips of one place, which may be a whole class behind one address. */
    private const WRONG_PER_MINUTE_FROM_ONE_PLACE = 20;

    /** Of everyone together: with ten boards open, machines that guess find one in 800 hours on average, and a board is open for four. */
    private const WRONG_PER_MINUTE = 60;

    public function __construct(private Session $session, private WatchBook $book)
    {
    }

    /** @throws Refusal If no board is open under it, or too many wrong ones were tried. */
    public function enter(string $typed, string $place): Watch
    {
        $counts = ["watch place {$place}" => [self::WRONG_PER_MINUTE_FROM_ONE_PLACE, 60], 'watch all' => [self::WRONG_PER_MINUTE, 60]];
        foreach ($counts as $key => [$most]) {
            if (RateLimiter::tooManyAttempts($key, $most)) {
                throw Refusal::tooManyCodes(RateLimiter::availableIn($key));
            }
        }
        $code = WatchCode::typed($typed);
        $watch = $code === null ? null : $this->book->behind($code);
        if ($watch === null) {
            foreach ($counts as $key => [, $within]) {
                RateLimiter::hit($key, $within);
            }
            throw Refusal::noSuchCode();
        }
        $this->session->put(self::SESSION_KEY, array_values(array_unique([...$this->watching(), $watch->id])));

        return $watch;
    }

    /** Whether this browser was let in, and the board is still open. */
    public function isLetIn(Watch $watch): bool
    {
        return $watch->isOpen() && in_array($watch->id, $this->watching(), true);
    }

    public function wasLetIn(Watch $watch): bool
    {
        return in_array($watch->id, $this->watching(), true);
    }

    /** @return list<int> */
    private function watching(): array
    {
        $ids = $this->session->get(self::SESSION_KEY, []);

        return is_array($ids) ? array_values(array_filter($ids, is_int(...))) : [];
    }
}

<?php

declare(strict_types=1);

namespace App\Watching;

use App\Live\ChangeNotice;
use App\Models\Experiment;
use App\Models\Watch;
use Illuminate\Support\Facades\DB;

/** Opens the board of an experiment to onlookers, and closes it again. */
final readonly class WatchBook
{
    /** A long lesson and the break after it. */
    private const OPEN_FOR_HOURS = 4;

    public function __construct(private ChangeNotice $notice)
    {
    }

    public function openOf(Experiment $experiment): ?Watch
    {
        return Watch::query()->where('experiment_id', $experiment->id)->where('code', '!=', null)->where('expires_at', '>', now())->latest('id')->get()->first();
    }

    /** The same again while it is open, so that asking twice gives one code. */
    public function open(Experiment $experiment): Watch
    {
        return DB::transaction(function () use ($experiment): Watch {
            $experiment->newQuery()->whereKey($experiment->id)->lockForUpdate()->first();
            $open = $this->openOf($experiment);
            if ($open !== null) {
                return $open;
            }
            // Codes of what has run out can be given again.
            Watch::query()->where('code', '!=', null)->where('expires_at', '<=', now())->update(['code' => null]);
            do {
                $code = WatchCode::random();
            } while (Watch::query()->where('code', $code)->exists());

            return Watch::query()->create(['experiment_id' => $experiment->id, 'code' => $code, 'expires_at' => now()->addHours(self::OPEN_FOR_HOURS)]);
        });
    }

    /** Onlookers are told, and their connections are cut. */
    public function close(Experiment $experiment): void
    {
        foreach (Watch::query()->where('experiment_id', $experiment->id)->where('code', '!=', null)->get() as $watch) {
            $watch->update(['code' => null]);
            $this->notice->watchClosed($watch->id);
        }
    }

    /** The open board of a code. */
    public function behind(string $code): ?Watch
    {
        return Watch::query()->where('code', $code)->where('expires_at', '>', now())->get()->first();
    }
}

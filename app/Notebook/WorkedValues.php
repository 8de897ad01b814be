<?php

declare(strict_types=1);

namespace App\Notebook;

use Illuminate\Support\Facades\DB;
use Welkion\Core\Notebook\Results;
use Welkion\Core\Working\Outcome;

/** Results that were worked out, kept by the key of their inputs; those that nobody asks for are forgotten in time. */
final class WorkedValues implements Results
{
    private const KEPT_DAYS = 30;

    /** Once in so many times that something is kept. */
    private const CLEARED_EACH = 500;

    /** A result larger than this is sooner worked out than read. */
    private const LARGEST_BYTES = 1_000_000;

    /** @var array<string, Outcome> */
    private array $known = [];

    /** @var array<string, Outcome> */
    private array $new = [];

    public function __construct(private readonly int $experimentId)
    {
    }

    /**
     * Reads what is kept of these, all at once.
     *
     * @param  list<string>  $keys
     * @return list<string> those that are not kept
     */
    public function prefetch(array $keys): array
    {
        if ($keys === []) {
            return [];
        }
        foreach (DB::table('worked_values')->whereIn('key', $keys)->pluck('outcome', 'key') as $key => $packed) {
            $outcome = is_string($packed) ? @unserialize((string) @gzuncompress($packed)) : false;
            if ($outcome instanceof Outcome) {
                $this->known[(string) $key] = $outcome;
            }
        }

        return array_values(array_filter($keys, fn (string $key): bool => ! isset($this->known[$key])));
    }

    public function find(string $key): ?Outcome
    {
        return $this->known[$key] ?? null;
    }

    public function keep(string $key, Outcome $outcome): void
    {
        $this->known[$key] = $outcome;
        $this->new[$key] = $outcome;
    }

    /** Writes down what was worked out since. */
    public function flush(): void
    {
        $rows = [];
        foreach ($this->new as $key => $outcome) {
            $packed = gzcompress(serialize($outcome), 1);
            if ($packed !== false && strlen($packed) < self::LARGEST_BYTES) {
                $rows[] = ['key' => $key, 'experiment_id' => $this->experimentId, 'outcome' => $packed, 'used_at' => now()->toDateTimeString()];
            }
        }
        $this->new = [];
        if ($rows !== []) {
            DB::table('worked_values')->upsert($rows, ['key'], ['used_at']);
            random_int(1, self::CLEARED_EACH) === 1 && self::forgetOld();
        }
    }

    public static function forgetOld(): int
    {
        return DB::table('worked_values')->where('used_at', '<', now()->subDays(self::KEPT_DAYS))->delete();
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Exceptions\RecorderUnavailable;
use App\Models\Bench;
use App\Recorder\RecorderClient;
use Illuminate\Console\Command;

final class HealthCommand extends Command
{
    protected $signature = 'welkion:health
        {--benches : Fail, too, when a bench is not connected}
        {--counts : Print how many samples came and how many never did, as JSON}';

    protected $description = 'Say whether the recorder answers, and which benches are not connected';

    public function handle(RecorderClient $recorder): int
    {
        try {
            $benches = self::benches($recorder);
        } catch (RecorderUnavailable $away) {
            $this->error($away->getMessage());

            return self::FAILURE;
        }
        if ($this->option('counts')) {
            $this->line((string) json_encode([
                'received' => array_sum(array_column($benches, 'received')), 'missed' => array_sum(array_column($benches, 'missed')),
            ]));

            return self::SUCCESS;
        }
        $lost = array_filter($benches, static fn (mixed $bench): bool => is_array($bench) && ($bench['isConnected'] ?? null) !== true);
        foreach ($lost as $bench) {
            $this->line("Bench {$bench['name']} is not connected. ".($bench['aside'] ?? 'It is tried again by itself.'));
        }
        if ($benches === []) {
            $this->line('The recorder knows no bench yet.');
        }

        return $this->option('benches') && ($benches === [] || $lost !== []) ? self::FAILURE : self::SUCCESS;
    }

    /**
     * What all recorders say of their benches; of one that is away, that it is.
     *
     * @return list<mixed>
     *
     * @throws RecorderUnavailable If the recorder of this copy cannot be reached.
     */
    private static function benches(RecorderClient $recorder): array
    {
        $of = static fn (?string $name): array => is_array($told = $recorder->askOf($name, 'health')['benches'] ?? null) ? array_values($told) : [];
        $benches = $of(null);
        foreach (Bench::query()->where('recorder', '!=', null)->get()->groupBy('recorder') as $name => $taken) {
            try {
                $benches = [...$benches, ...$of((string) $name)];
            } catch (RecorderUnavailable $away) {
                $benches = [...$benches, ...$taken->map(static fn (Bench $b): array => ['name' => $b->name, 'isConnected' => false, 'aside' => $away->getMessage()])->all()];
            }
        }

        return $benches;
    }
}

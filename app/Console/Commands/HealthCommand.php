<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Recorder\RecorderClient;
use App\Recorder\RecorderUnavailable;
use Illuminate\Console\Command;

final class HealthCommand extends Command
{
    protected $signature = 'welkion:health {--counts : Print how many samples came and how many never did, as JSON}';

    protected $description = 'Say whether the recorder answers and every bench is connected';

    public function handle(RecorderClient $recorder): int
    {
        try {
            $benches = $recorder->ask('health')['benches'] ?? [];
        } catch (RecorderUnavailable $away) {
            $this->error($away->getMessage());

            return self::FAILURE;
        }
        $benches = is_array($benches) ? $benches : [];
        if ($this->option('counts')) {
            $this->line((string) json_encode([
                'received' => array_sum(array_column($benches, 'received')), 'missed' => array_sum(array_column($benches, 'missed')),
            ]));
        }
        $lost = array_filter($benches, static fn (array $bench): bool => $bench['isConnected'] !== true);
        foreach ($lost as $bench) {
            $this->error("Bench {$bench['name']} is not connected.");
        }
        if ($benches === [] || $lost !== []) {
            return self::FAILURE;
        }
        if (! $this->option('counts')) {
            $this->info('The recorder answers and every bench is connected.');
        }

        return self::SUCCESS;
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Exceptions\RecorderUnavailable;
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
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Database\Migrations\Migrator;

/** Makes the tables, or brings those of an older version up to date; refuses those of a newer one. */
final class UpgradeCommand extends Command
{
    protected $signature = 'welkion:upgrade';

    protected $description = 'Bring the database up to date, and say what was done';

    public function handle(): int
    {
        /** @var Migrator $migrator */
        $migrator = $this->laravel->make('migrator');
        $done = $migrator->repositoryExists() ? $migrator->getRepository()->getRan() : [];
        $known = array_keys($migrator->getMigrationFiles([$this->laravel->databasePath('migrations')]));
        if ($done !== [] && min($done) < ($known[0] ?? '')) {
            $this->line('Refused: the data of this copy were made by an older version, whose experiments are stored otherwise. '
                .'Begin afresh, without these data, with: bin/start --fresh');

            return self::FAILURE;
        }
        if (array_diff($done, $known) !== []) {
            $this->line('Refused: the data of this copy were made by another, newer version. Start that one; or begin afresh, '
                .'without these data, with: bin/start --fresh');

            return self::FAILURE;
        }
        $missing = count(array_diff($known, $done));
        if ($missing === 0) {
            return self::SUCCESS;
        }
        $result = $this->call('migrate', ['--force' => true]);
        if ($result === self::SUCCESS && $done !== []) {
            $this->line('Upgraded: The database was of an older version; it was brought up to date ('
                .($missing === 1 ? '1 change' : "{$missing} changes").'), nothing was lost.');
        }

        return $result;
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Samples\SegmentValues;
use Illuminate\Support\Facades\Http;
use PHPUnit\Framework\Attributes\Depends;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/**
 * One whole copy, started as a person starts it: in a terminal, in a folder whose name is no easy one. What the tests do to it
 * builds on each other.
 */
#[Group('shakes')]
final class StartedCopyTest extends TestCase
{
    private static ?Process $terminal = null;

    private static ?InputStream $keys = null;

    private static string $folder = '';

    private static int $port = 0;

    public static function tearDownAfterClass(): void
    {
        self::$terminal?->stop(20.0);
        self::$terminal = null;
        if (self::$folder !== '') {
            exec('rm -rf '.escapeshellarg(self::$folder));
        }
    }

    public function test_starts_in_a_folder_with_spaces_and_signs_in_its_name(): void
    {
        self::$folder = sys_get_temp_dir().'/Wel kion & co | '.bin2hex(random_bytes(3));
        self::$port = (int) parse_url(config()->string('app.url'), PHP_URL_PORT) + 600;
        mkdir(self::$folder);
        $to = escapeshellarg(self::$folder);
        // What a checkout holds, and what was installed for it.
        exec('cd '.escapeshellarg(base_path())." && git ls-files -z --cached --others --exclude-standard | xargs -0 cp --parents -t {$to}"
            ." && { cp -al vendor {$to} 2>/dev/null || cp -a vendor {$to}; } && ln -s ".escapeshellarg(base_path('node_modules'))." {$to}/node_modules && mkdir -p {$to}/var {$to}/public"
            ." && cp -a public/build {$to}/public && cp var/front-end.made-from {$to}/var", result_code: $code);
        self::assertSame(0, $code);
        self::start();
        self::assertReady();

        self::assertSame(200, Http::get(self::url('/up'))->status());
        self::assertStringContainsString('id="app"', Http::get(self::url('/sign-in'))->body());
    }

    #[Depends('test_starts_in_a_folder_with_spaces_and_signs_in_its_name')]
    public function test_no_password_stands_on_a_command_line(): void
    {
        $secrets = (string) file_get_contents(self::$folder.'/var/demo/secrets.env');
        preg_match_all('/=(\S{12,})$/m', $secrets, $match);
        self::assertCount(3, $match[1]);
        foreach ($this->processes() as $command) {
            foreach ($match[1] as $secret) {
                self::assertStringNotContainsString($secret, $command);
            }
        }
        foreach (['secrets.env', 'settings.env', 'cache/config.php'] as $file) {
            self::assertSame(0600, fileperms(self::$folder."/var/demo/{$file}") & 0777, $file);
        }
        self::assertSame(0700, fileperms(self::$folder.'/var/demo') & 0777);
        $scripts = implode('', array_map(file_get_contents(...), [base_path('bin/start'), ...(array) glob(base_path('deploy/lib/*.sh'))]));
        self::assertStringNotContainsString('DB_PASSWORD@|', $scripts);
        self::assertSame(0, preg_match('/\beval\b/', $scripts));
    }

    #[Depends('test_starts_in_a_folder_with_spaces_and_signs_in_its_name')]
    public function test_a_supervisor_that_is_killed_outright_is_noticed_and_everything_started_again(): void
    {
        $pid = static fn (): int => (int) @file_get_contents(self::$folder.'/var/demo/run/supervisord.pid');
        $killed = $pid();
        self::assertTrue(posix_kill($killed, SIGKILL));
        $this->eventually(static fn (): bool => $pid() !== $killed && self::isUp(), 40.0);

        self::assertStringContainsString('The supervisor ended by itself; starting everything again', (string) self::$terminal?->getOutput());
    }

    #[Depends('test_a_supervisor_that_is_killed_outright_is_noticed_and_everything_started_again')]
    public function test_control_c_in_the_terminal_ends_everything_and_leaves_nothing(): void
    {
        $sockets = (string) readlink(self::$folder.'/var/demo/run/sockets');
        self::assertDirectoryExists($sockets);
        self::$keys?->write("\x03");
        $this->eventually(static fn (): bool => self::$terminal?->isRunning() === false, 40.0);

        self::assertStringContainsString('Stopping ...', (string) self::$terminal?->getOutput());
        self::assertSame([], $this->processes());
        clearstatcache();
        self::assertDirectoryDoesNotExist($sockets);
    }

    #[Depends('test_control_c_in_the_terminal_ends_everything_and_leaves_nothing')]
    public function test_data_of_another_version_are_told_and_never_touched_by_an_older_one(): void
    {
        // As if they had been made before some of the last changes of the tables, one of which has data to carry over.
        $newest = basename((string) array_slice((array) glob(base_path('database/migrations/*.php')), -1)[0], '.php');
        self::assertStringEndsWith('_own_spans', $newest, 'What a newer one has made is taken away below.');
        self::start();
        self::assertReady();
        $database = $this->database();
        $samples = 'SELECT SUM(CRC32('.SegmentValues::all().')), SUM(`count`) FROM sample_segments';
        // The recorder may still be filing those of the demo data.
        $this->eventually(static fn (): bool => (int) $database->query('SELECT COUNT(*) FROM sample_blocks')?->fetchColumn() === 0, 60.0);
        $before = $database->query($samples)?->fetch(\PDO::FETCH_NUM);
        $database->exec("DELETE FROM migrations WHERE migration = '{$newest}' OR migration LIKE '%_pinned_markers' OR migration LIKE '%_glances' OR migration LIKE '%_typed_digests' OR migration LIKE '%_sample_indexes'");
        $database->exec('ALTER TABLE spans DROP COLUMN of_runs');
        $database->exec('DELETE FROM markers WHERE at IS NULL');
        $database->exec('ALTER TABLE markers DROP COLUMN `row`, MODIFY at DOUBLE NOT NULL');
        $database->exec('DROP TABLE glances');
        $database->exec('ALTER TABLE typed_columns DROP COLUMN reach, DROP COLUMN digest, DROP COLUMN revision');
        $database->exec("INSERT INTO typed_columns (run_id, column_id, numbers) SELECT MIN(id), 1, REPEAT(X'000000000000F03F', 3) FROM runs");
        $database->exec("ALTER TABLE sample_segments ADD whole VARBINARY(48) NOT NULL DEFAULT ''");
        $database->exec('ALTER TABLE sample_segments ADD payload MEDIUMBLOB NOT NULL');
        $database->exec('UPDATE sample_segments SET whole = RIGHT(moments, 48), payload = '.SegmentValues::all());
        $database->exec('ALTER TABLE sample_segments DROP COLUMN values_0, DROP COLUMN values_1, DROP COLUMN values_2, DROP COLUMN values_3, DROP COLUMN values_4, DROP COLUMN values_5, DROP COLUMN values_6, DROP COLUMN values_7');
        $database->exec('DROP TABLE sample_indexes');
        $database->exec("INSERT INTO benches (user_id, name, host, port, is_simulated) VALUES (1, 'Gone', '127.0.0.1', 9, 0)");
        $this->end();
        self::start();
        self::assertReady();
        self::assertStringContainsString('The database was of an older version; it was brought up to date (5 changes), nothing was lost.', (string) self::$terminal?->getOutput());

        $counts = $this->database()->query('SELECT (SELECT COUNT(*) FROM sample_indexes), (SELECT COUNT(DISTINCT run_channel_id) FROM sample_segments), (SELECT SUM(LENGTH(heads)) FROM sample_indexes), (SELECT 80 * COUNT(*) FROM sample_segments)');
        [$indexes, $channels, $bytes, $wanted] = array_map(intval(...), (array) $counts?->fetch(\PDO::FETCH_NUM));
        self::assertGreaterThan(0, $channels, 'The demo has recorded runs.');
        self::assertSame([$channels, $wanted], [$indexes, $bytes]);
        self::assertSame($before, $this->database()->query($samples)?->fetch(\PDO::FETCH_NUM), 'Every sample is what it was.');
        $typed = $this->database()->query('SELECT reach, digest FROM typed_columns WHERE run_id = (SELECT MIN(id) FROM runs)')?->fetch(\PDO::FETCH_NUM);
        self::assertEquals([3, md5(str_repeat(pack('e', 1.0), 3))], $typed, 'What was typed can be told apart.');
        self::assertStringContainsString('Bench Gone is not connected. It is tried again by itself.', (string) self::$terminal?->getOutput(), 'It keeps nobody from starting.');

        $this->database()->exec("INSERT INTO migrations (migration, batch) VALUES ('2099_01_01_000001_from_the_future', 99)");
        $this->end();
        self::start();
        $this->eventually(static fn (): bool => self::$terminal?->isRunning() === false, 60.0);
        self::assertStringContainsString('the data of this copy were made by another, newer version. Start that one; or begin afresh', (string) self::$terminal?->getOutput());
        self::assertSame([], $this->processes());
    }

    public function test_a_path_that_no_setting_can_hold_is_told_in_one_sentence(): void
    {
        $folder = sys_get_temp_dir().'/welkion-$HOME-'.bin2hex(random_bytes(3));
        mkdir($folder);
        try {
            exec('cd '.escapeshellarg(base_path()).' && cp -a --parents bin deploy composer.json package-lock.json '.escapeshellarg($folder));
            symlink(base_path('vendor'), "{$folder}/vendor");
            symlink(base_path('node_modules'), "{$folder}/node_modules");
            $script = 'WELKION_ROOT='.escapeshellarg($folder).'; . deploy/lib/say.sh; . deploy/lib/instance.sh; instance_open demo 9000';
            $start = new Process(['bash', '-c', $script], $folder);
            $start->run();
            self::assertSame(1, $start->getExitCode());
            self::assertStringContainsString("holds a character that the servers' settings cannot hold", $start->getErrorOutput());
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
    }

    private static function start(): void
    {
        self::$keys = new InputStream;
        // A real terminal of its own, as the one a person types into.
        $command = 'cd '.escapeshellarg(self::$folder).' && exec env -i PATH="$PATH" HOME="$HOME" TERM=dumb WELKION_PORT='.self::$port.' bin/start';
        self::$terminal = new Process(['script', '-qefc', $command, '/dev/null'], self::$folder, input: self::$keys, timeout: null);
        self::$terminal->start();
    }

    private function end(): void
    {
        self::$keys?->write("\x03");
        $this->eventually(static fn (): bool => self::$terminal?->isRunning() === false, 40.0);
    }

    private static function assertReady(): void
    {
        $deadline = microtime(true) + 120.0;
        while (! str_contains((string) self::$terminal?->getOutput(), 'Ready after')) {
            self::assertTrue(self::$terminal?->isRunning() && microtime(true) < $deadline, "It did not start:\n".self::$terminal?->getOutput());
            usleep(100_000);
        }
    }

    private static function isUp(): bool
    {
        return @file_get_contents(self::url('/api/session')) !== false;
    }

    private static function url(string $path): string
    {
        return 'http://127.0.0.1:'.self::$port.$path;
    }

    private function database(): \PDO
    {
        preg_match('/^DB_PASSWORD=(.*)$/m', (string) file_get_contents(self::$folder.'/var/demo/secrets.env'), $match);

        return new \PDO('mysql:host=127.0.0.1;dbname=welkion;port='.(self::$port + 1), 'welkion', $match[1]);
    }

    /** @return list<string> command lines of everything that runs for this copy */
    private function processes(): array
    {
        $commands = [];
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
            $command = strtr((string) @file_get_contents($file), "\0", ' ');
            $environment = (string) @file_get_contents(dirname($file).'/environ');
            if (str_contains($environment, 'WELKION_VAR='.self::$folder) || str_contains($command, self::$folder.'/')) {
                $commands[] = $command;
            }
        }

        return $commands;
    }
}

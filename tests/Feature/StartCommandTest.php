<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;
use Tests\TestCase;

#[Group('shakes')]
final class StartCommandTest extends TestCase
{
    /** @return iterable<string, array{list<string>, array<string, string>, string}> */
    public static function refusals(): iterable
    {
        yield 'an option that is none' => [['--quick'], [], '"--quick" is not an option of bin/start.'];
        yield 'a port that is no number' => [[], ['WELKION_PORT' => 'eighty'], 'WELKION_PORT must be a number from 1024 to 65000, but is "eighty".'];
        yield 'a place to listen that is none' => [[], ['WELKION_HTTP_HOST' => 'my computer'], 'WELKION_HTTP_HOST must be a number of this computer, as 127.0.0.1, or 0.0.0.0 for all of them, but is "my computer".'];
        yield 'a port below those for everyone' => [[], ['WELKION_PORT' => '80'], 'WELKION_PORT must be a number from 1024 to 65000, but is "80".'];
    }

    /**
     * @param  list<string>  $options
     * @param  array<string, string>  $settings
     */
    #[DataProvider('refusals')]
    public function test_a_setting_that_cannot_be_used_is_told_in_one_sentence(array $options, array $settings, string $sentence): void
    {
        $this->assertRefuses($sentence, $options, $settings);
    }

    /** @return iterable<string, array{string}> */
    public static function servers(): iterable
    {
        yield 'the web server' => ['nginx'];
        yield 'php-fpm' => ['php-fpm'];
        yield 'MariaDB' => ['mariadb'];
    }

    #[DataProvider('servers')]
    public function test_a_server_that_is_killed_is_started_again(string $name): void
    {
        $pid = fn (): int => (int) @file_get_contents(getenv('WELKION_VAR')."/run/{$name}.pid");
        $killed = $pid();
        self::assertTrue(posix_kill($killed, SIGKILL));

        $this->eventually(static fn (): bool => $pid() !== $killed && $pid() > 0 && posix_kill($pid(), 0), 30.0);
        usleep(1_500_000);
        self::assertTrue(posix_kill($pid(), 0), 'The new one stays up: no worker of the old one holds its port.');
        $this->eventually(static fn (): bool => @file_get_contents(config()->string('app.url').'/api/session') !== false, 30.0);
    }

    public function test_a_port_in_use_is_told_with_the_setting_that_changes_it(): void
    {
        $taken = (int) parse_url(config()->string('app.url'), PHP_URL_PORT);

        $this->assertRefuses("port {$taken} is used by another program. Choose another with WELKION_DB_PORT, or move all of them with WELKION_PORT.", [], [
            'WELKION_INSTANCE' => 'test-port', 'WELKION_PORT' => (string) ($taken + 9000), 'WELKION_DB_PORT' => (string) $taken,
        ]);
    }

    public function test_a_copy_that_runs_already_is_not_started_twice_and_not_thrown_away(): void
    {
        $copy = basename((string) getenv('WELKION_VAR'));

        $this->assertRefuses('this copy is running already', ['--fresh', '--yes'], ['WELKION_INSTANCE' => $copy]);
        $this->getJson('/api/session')->assertOk();
    }

    public function test_data_are_thrown_away_only_when_someone_said_so(): void
    {
        $folder = base_path('var/test-fresh/database');
        is_dir($folder) || mkdir($folder, 0700, true);

        $this->assertRefuses('--fresh throws data away; without a terminal to ask, say --fresh --yes.', ['--fresh'], ['WELKION_INSTANCE' => 'test-fresh']);
        self::assertDirectoryExists($folder);
        exec('rm -rf '.escapeshellarg(dirname($folder)));
    }

    /**
     * @param  list<string>  $options
     * @param  array<string, string>  $settings
     */
    private function assertRefuses(string $sentence, array $options, array $settings): void
    {
        $start = new Process([base_path('bin/start'), ...$options], base_path(), $settings);
        $start->setTimeout(120)->run();

        self::assertSame(1, $start->getExitCode());
        self::assertStringContainsString($sentence, $start->getErrorOutput());
        self::assertStringNotContainsString('line ', $start->getErrorOutput(), 'No trace of the script itself is shown.');
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Cli;

use Welkion\Cli\Command\Calibrate;
use Welkion\Cli\Command\Command;
use Welkion\Cli\Command\Derive;
use Welkion\Cli\Command\FitCurve;
use Welkion\Cli\Command\ListMethods;
use Welkion\Cli\Command\ListProtocols;
use Welkion\Cli\Command\Read;
use Welkion\Cli\Command\RunProtocol;
use Welkion\Cli\Command\Stats;
use Welkion\Cli\Command\Straighten;
use Welkion\Cli\Command\Titration;
use Welkion\Cli\Command\Work;
use Welkion\Core\Exception\CoreException;

/** Runs one command: its answer goes to the output, an error as JSON to the error output. */
final readonly class Application
{
    public const OK = 0;

    /** The input or the options cannot be used. */
    public const BAD_INPUT = 2;

    /** The input is fine, but there is no answer. */
    public const NO_ANSWER = 3;

    /**
     * @param  list<string>  $words  what was typed after the program's name
     * @param  resource  $input
     * @param  resource  $output
     * @param  resource  $errors
     */
    public function run(array $words, $input, $output, $errors): int
    {
        $name = array_shift($words);
        if ($name === null || in_array($name, ['--help', '-h', 'help'], true)) {
            fwrite($output, $this->help());

            return self::OK;
        }
        try {
            $command = $this->command($name);
            if (in_array('--help', $words, true) || in_array('-h', $words, true)) {
                fwrite($output, $command->help());

                return self::OK;
            }
            $options = Options::parse($words, $command->options(), $command->words());
            fwrite($output, $command->run($options, new Input($input)));

            return self::OK;
        } catch (Failure $failure) {
            return $this->failed($errors, $failure->reason, $failure->getMessage(), $failure->exitCode, $failure->details);
        } catch (CoreException $error) {
            return $this->failed($errors, 'input', $error->getMessage(), self::BAD_INPUT, []);
        }
    }

    private function command(string $name): Command
    {
        foreach ($this->commands() as $command) {
            if ($command->name() === $name) {
                return $command;
            }
        }
        throw Failure::input("There is no command \"{$name}\". The commands are: "
            .implode(', ', array_map(static fn (Command $c): string => $c->name(), $this->commands())).'.');
    }

    /** @return list<Command> */
    private function commands(): array
    {
        return [new Read, new Stats, new Derive, new FitCurve, new Straighten, new Titration, new Calibrate, new Work, new ListMethods, new RunProtocol, new ListProtocols];
    }

    private function help(): string
    {
        $lines = array_map(static fn (Command $c): string => sprintf('  %-11s %s', $c->name(), $c->purpose()), $this->commands());

        return implode("\n", [
            'Usage: welkion COMMAND FILE [OPTIONS]',
            '',
            'Computes with a table in a text file (- reads standard input) and prints one JSON document.',
            'Errors are JSON on standard error; the exit code is 2 if the input cannot be used, 3 if there is no answer.',
            '',
            ...$lines,
            '',
            'welkion COMMAND --help tells its options.',
            '',
        ]);
    }

    /**
     * @param  resource  $errors
     * @param  array<string, mixed>  $details
     */
    private function failed($errors, string $reason, string $sentence, int $exitCode, array $details): int
    {
        fwrite($errors, Json::of(['error' => ['code' => $reason, 'message' => $sentence] + $details]));

        return $exitCode;
    }
}

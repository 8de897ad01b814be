<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Failure;
use Welkion\Cli\Input;
use Welkion\Cli\Options;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Warning;

/** One thing the command line can do. */
abstract class Command
{
    abstract public function name(): string;

    /** In a few words. */
    abstract public function purpose(): string;

    /** @return list<string> what is named after the command, in order; one that ends with ? may be left out */
    public function words(): array
    {
        return ['FILE'];
    }

    /** @return array<string, string> option to what it does; one that begins with * is needed */
    abstract public function options(): array;

    /**
     * @return string what is printed
     *
     * @throws Failure If the options cannot be used or there is no answer.
     * @throws CoreException If the file cannot be used.
     */
    abstract public function run(Options $options, Input $input): string;

    public function help(): string
    {
        $needed = '';
        $lines = [];
        foreach ($this->options() as $name => $text) {
            $needed .= str_starts_with($text, '*') ? " --{$name} ..." : '';
            $lines[] = sprintf('  --%-12s %s', $name, ltrim($text, '*'));
        }

        return ucfirst($this->purpose()).".\n\nUsage: welkion {$this->name()} ".implode(' ', $this->words())."{$needed}".($lines === [] ? '' : " [OPTIONS]\n\n".implode("\n", $lines))."\n";
    }

    /**
     * @param  list<Warning>  $warnings
     * @return list<array{code: string, text: string}>
     */
    protected static function warnings(array $warnings): array
    {
        return array_map(static fn (Warning $w): array => ['code' => $w->code, 'text' => $w->sentence()], $warnings);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Cli;

/** Why a command ends without an answer. */
final class Failure extends \RuntimeException
{
    /** @param  array<string, mixed>  $details  added to the error document */
    private function __construct(string $sentence, public readonly string $reason, public readonly int $exitCode, public readonly array $details)
    {
        parent::__construct($sentence);
    }

    public static function input(string $sentence): self
    {
        return new self($sentence, 'input', Application::BAD_INPUT, []);
    }

    /** @param  array<string, mixed>  $details  what is known so far */
    public static function noAnswer(string $sentence, string $reason, array $details = []): self
    {
        return new self($sentence, $reason, Application::NO_ANSWER, $details);
    }
}

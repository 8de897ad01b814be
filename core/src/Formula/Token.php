<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

/**
 * A word of a formula: a number, a name, a unit in square brackets or a sign.
 *
 * @internal between Lexer and Parser
 */
final readonly class Token
{
    /** @param  int  $position  character at which it begins, from 1 */
    public function __construct(public TokenKind $kind, public string $text, public int $position)
    {
    }

    /** Whether it is this sign. */
    public function is(string $sign): bool
    {
        return $this->kind === TokenKind::Sign && $this->text === $sign;
    }
}

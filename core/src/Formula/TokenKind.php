<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

/** @internal between Lexer and Parser */
enum TokenKind
{
    case Number;
    case Name;
    case Unit;
    case Sign;
    case End;
}

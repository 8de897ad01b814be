<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Node;

/** The operations of ordinary arithmetic, as they are typed. */
enum Operator: string
{
    case Plus = '+';
    case Minus = '-';
    case Times = '*';
    case Over = '/';
    case Power = '^';

    /** What binds tighter has the higher number; a minus sign in front of a term stands between * and ^. */
    public function precedence(): int
    {
        return match ($this) {
            self::Plus, self::Minus => 1,
            self::Times, self::Over => 2,
            self::Power => 4,
        };
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** The places of a board, from upper left to lower right. */
enum Arrangement: string
{
    case One = 'one';
    /** Side by side. */
    case Two = 'two';
    /** A large one, and two at its right. */
    case Three = 'three';
    /** A large one and a narrow one in each of two rows. */
    case Four = 'four';

    public function places(): int
    {
        return match ($this) {
            self::One => 1,
            self::Two => 2,
            self::Three => 3,
            self::Four => 4,
        };
    }
}

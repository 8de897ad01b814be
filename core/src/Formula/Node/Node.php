<?php

declare(strict_types=1);

namespace Welkion\Core\Formula\Node;

/** A part of a formula's tree; it knows at which character of the text it begins, counted from 1. */
interface Node
{
    public function position(): int;
}

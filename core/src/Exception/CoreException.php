<?php

declare(strict_types=1);

namespace Welkion\Core\Exception;

/** Every error the core raises; its message is one sentence that a teacher can read. */
interface CoreException extends \Throwable
{
}

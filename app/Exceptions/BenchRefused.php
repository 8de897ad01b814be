<?php

declare(strict_types=1);

namespace App\Exceptions;

/** The bench could not do what was asked; the message says why. */
final class BenchRefused extends \RuntimeException
{
}

<?php

declare(strict_types=1);

namespace Welkion\Gateway;

/** What is to be put right before a serial port can be a bench, in words for the person at it. */
final class SerialProblem extends \RuntimeException
{
}

<?php

declare(strict_types=1);

namespace App\Logging;

use Illuminate\Log\Logger;
use Monolog\Handler\HandlerInterface;
use Monolog\Logger as Monolog;

/** Puts a RepeatCounter in front of every handler of a log. */
final class RepeatsCounted
{
    public function __invoke(Logger $logger): void
    {
        $monolog = $logger->getLogger();
        if ($monolog instanceof Monolog) {
            $monolog->setHandlers(array_map(static fn (HandlerInterface $h): HandlerInterface => new RepeatCounter($h), $monolog->getHandlers()));
        }
    }
}

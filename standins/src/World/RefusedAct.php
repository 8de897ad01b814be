<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

/** An act that hands could not do; the message says why, for the person at the bench. */
final class RefusedAct extends \DomainException
{
}

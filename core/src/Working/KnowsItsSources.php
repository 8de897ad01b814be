<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

/** A method that passes on itself what the rows of a column have in common; for all others CommonSources does. */
interface KnowsItsSources
{
}

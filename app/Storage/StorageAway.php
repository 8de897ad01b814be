<?php

declare(strict_types=1);

namespace App\Storage;

/** The database did not answer a moment ago; asking again at once would only make one more wait. */
final class StorageAway extends \RuntimeException
{
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

/** What can happen to a signal that something begins or ends by. */
enum EventKind: string
{
    case Above = 'above';
    case Below = 'below';
    /** It moves by so much within a short time, either way. */
    case Change = 'change';
    /** It has come to rest. */
    case Steady = 'steady';
    /** Somebody says so. */
    case Marker = 'marker';
}

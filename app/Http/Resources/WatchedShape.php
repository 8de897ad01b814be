<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Watch;
use App\Watching\BoardChannels;
use Illuminate\Http\Request;

/** What an onlooker knows of a notebook: what is measured and drawn, and nothing of what is worked out, typed or written. */
final class WatchedShape
{
    private const NOT_TOLD = ['entries' => [], 'spans' => [], 'lines' => [], 'aim' => null, 'conclusion' => null, 'undo' => null, 'redo' => null];

    /** @return array<string, mixed> */
    public static function of(Watch $watch): array
    {
        $experiment = $watch->experiment->loadMissing('bench', 'beside', 'columns');

        return [
            'watchId' => $watch->id, 'closesAt' => $watch->expires_at->toIso8601ZuluString(),
            'notebook' => self::NOT_TOLD + (new NotebookResource($experiment))->toArray(new Request),
        ] + BoardChannels::of($experiment);
    }
}

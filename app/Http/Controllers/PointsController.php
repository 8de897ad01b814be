<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PackedPoints;
use App\Http\Requests\PointsRequest;
use App\Http\Resources\PointsShape;
use App\Models\Run;
use App\Recording\RunPictures;
use Symfony\Component\HttpFoundation\Response;

/** The samples of a run as a screen can show them: packed, or as JSON for whoever asks for that. */
final class PointsController
{
    public function __invoke(PointsRequest $request, Run $run, RunPictures $pictures): Response
    {
        $picture = $pictures->of($run, $request->columns($run), $request->from(), $request->to(), $request->width());
        $isPacked = $request->prefers(['application/json', PackedPoints::TYPE]) === PackedPoints::TYPE;
        $response = $isPacked
            ? new Response(PackedPoints::of($picture), 200, ['Content-Type' => PackedPoints::TYPE])
            : new Response((string) json_encode(PointsShape::of($picture), JSON_THROW_ON_ERROR), 200, ['Content-Type' => 'application/json']);
        // The browser keeps it and asks each time whether it still holds; a finished run answers without sending it again.
        $response->setEtag(hash('xxh128', "{$picture->fingerprint} {$request->getQueryString()} {$isPacked}"));
        $response->headers->set('Cache-Control', 'private, no-cache');
        $response->headers->set('Vary', 'Accept');
        $response->isNotModified($request);

        return $response;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ShelfStandardRequest;
use App\Http\Resources\ShelfStandardResource;
use App\Http\Stored;
use App\Models\ShelfStandard;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;

/** The standards a teacher has on the shelf. */
final class ShelfController
{
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return ShelfStandardResource::collection($user->shelf()->orderBy('kind')->orderBy('value')->orderBy('id')->get());
    }

    public function store(ShelfStandardRequest $request, #[CurrentUser] User $user): JsonResponse
    {
        return Stored::andTold(static fn (): ShelfStandardResource => new ShelfStandardResource($user->shelf()->create($request->columns())->refresh()), 201);
    }

    public function update(ShelfStandardRequest $request, ShelfStandard $standard): JsonResponse
    {
        return Stored::andTold(static function () use ($request, $standard): ShelfStandardResource {
            $standard->update($request->columns());

            return new ShelfStandardResource($standard);
        });
    }

    public function destroy(ShelfStandard $standard): Response
    {
        $standard->delete();

        return new Response(status: 204);
    }

    public function restore(ShelfStandard $standard): ShelfStandardResource
    {
        $standard->restore();

        return new ShelfStandardResource($standard);
    }
}

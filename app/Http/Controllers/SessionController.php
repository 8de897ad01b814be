<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PasswordCheck;
use App\Http\Requests\SignInRequest;
use App\Http\Resources\UserResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;

final class SessionController
{
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(['user' => $request->user() === null ? null : new UserResource($request->user())]);
    }

    public function store(SignInRequest $request, PasswordCheck $check): JsonResponse
    {
        $request->signIn($check);

        return new JsonResponse(['user' => new UserResource($request->user())], 201);
    }

    public function destroy(Request $request): Response
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }
}

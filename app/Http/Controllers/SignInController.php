<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\SignInResource;
use App\Models\SignIn;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;

/** The browsers one is signed in with. */
final class SignInController
{
    private const MOST = 50;

    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return SignInResource::collection(SignIn::query()->where('user_id', $user->id)->latest('last_activity')->limit(self::MOST)->get());
    }

    public function destroy(SignIn $signIn): Response
    {
        $signIn->delete();

        return new Response(status: 204);
    }

    /** All but the one that asks. */
    public function destroyOthers(Request $request, #[CurrentUser] User $user): Response
    {
        SignIn::query()->where('user_id', $user->id)->whereKeyNot($request->session()->getId())->delete();

        return new Response(status: 204);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\BenchResource;
use App\Models\Bench;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class BenchController
{
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return BenchResource::collection($user->benches()->with('probes.calibration')->orderBy('name')->get());
    }

    public function show(Bench $bench): BenchResource
    {
        return new BenchResource($bench->load('probes.calibration'));
    }
}

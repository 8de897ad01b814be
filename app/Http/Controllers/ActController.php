<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exceptions\BenchRefused;
use App\Http\Requests\ActRequest;
use App\Models\Bench;
use App\Recorder\RecorderClient;
use Illuminate\Http\JsonResponse;

/** The hands of a simulated bench, and the truth about it. A real bench has neither. */
final class ActController
{
    public function __construct(private readonly RecorderClient $recorder)
    {
    }

    public function store(ActRequest $request, Bench $bench): JsonResponse
    {
        return new JsonResponse(['world' => $this->recorder->act(self::simulated($bench), $request->details())]);
    }

    public function truth(Bench $bench): JsonResponse
    {
        return new JsonResponse(['truth' => $this->recorder->truth(self::simulated($bench))]);
    }

    private static function simulated(Bench $bench): Bench
    {
        return $bench->is_simulated ? $bench : throw new BenchRefused('Only a simulated bench can be moved from here.');
    }
}

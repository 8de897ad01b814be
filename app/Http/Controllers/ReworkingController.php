<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ChosenCalibrationRequest;
use App\Http\Requests\InForceRequest;
use App\Http\Resources\ComparisonResource;
use App\Models\Run;
use App\Models\User;
use App\Titration\Comparison;
use App\Titration\ReworkingBook;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

/** A run worked out again with other calibrations, beside what was recorded. */
final class ReworkingController
{
    public function __construct(private readonly ReworkingBook $book)
    {
    }

    public function index(Run $run): ComparisonResource
    {
        return self::compared($run);
    }

    public function store(ChosenCalibrationRequest $request, Run $run, #[CurrentUser] User $user): JsonResponse
    {
        $electrode = $run->load('channels.probe', 'channels.run')->electrode() ?? abort(404);
        $this->book->add($electrode, $request->calibration(), $user);

        return self::compared($run->unsetRelations())->response()->setStatusCode(201);
    }

    public function update(InForceRequest $request, Run $run): ComparisonResource
    {
        $this->book->putInForce($run, $request->reworking($run));

        return self::compared($run->unsetRelations());
    }

    private static function compared(Run $run): ComparisonResource
    {
        $run->loadMissing('experiment');

        return new ComparisonResource(Comparison::of($run->experiment, $run) ?? abort(404));
    }
}

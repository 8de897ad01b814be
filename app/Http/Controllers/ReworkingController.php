<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ChosenCalibrationRequest;
use App\Http\Requests\InForceRequest;
use App\Http\Resources\ComparisonResource;
use App\Models\Run;
use App\Models\RunChannel;
use App\Models\User;
use App\Notebook\Sender;
use App\Recording\Comparison;
use App\Recording\ReworkingBook;
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
        $this->book->add(self::channel($run), $request->calibration(), $user);

        return self::compared($run)->response()->setStatusCode(201);
    }

    public function update(InForceRequest $request, Run $run, Sender $sender): ComparisonResource
    {
        $this->book->putInForce($run, self::channel($run), $request->reworking($run), $sender);

        return self::compared($run);
    }

    private static function channel(Run $run): RunChannel
    {
        $run->experiment->loadMissing('columns');

        return Comparison::channelOf($run) ?? abort(404);
    }

    private static function compared(Run $run): ComparisonResource
    {
        $run->unsetRelation('channels')->experiment->loadMissing('columns');

        return new ComparisonResource(Comparison::of($run) ?? abort(404));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Calibration\CalibrationBook;
use App\Http\Requests\CalibrationReadingRequest;
use App\Http\Resources\CalibrationResource;
use App\Models\Calibration;

final class CalibrationReadingController
{
    public function __construct(private readonly CalibrationBook $book)
    {
    }

    public function store(CalibrationReadingRequest $request, Calibration $calibration): CalibrationResource
    {
        return new CalibrationResource($this->book->takeReading(
            $calibration, $request->integer('position'), $request->boolean('takeAnyway'),
        ));
    }

    public function destroy(Calibration $calibration, int $position): CalibrationResource
    {
        return new CalibrationResource($this->book->dropReading($calibration, $position));
    }
}

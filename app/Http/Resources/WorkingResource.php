<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Titration\ExperimentWorking;
use App\Titration\ReadingPoint;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Welkion\Core\Series\Series;
use Welkion\Core\Titration\EquivalencePoint;
use Welkion\Core\Warning;
use Welkion\Core\Working\Line;

/** @mixin ExperimentWorking */
final class WorkingResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $lines = $this->lines();
        $electrode = $this->run->electrode();
        $calibration = $electrode?->calibrationInForce();
        $first = $this->curve?->points->derivative();

        return [
            'runId' => $this->run->id,
            'runNumber' => $this->run->number,
            'calibration' => $calibration === null ? null : CalibrationSummaryResource::shape($calibration),
            'isWorkedOutAgain' => $calibration?->id !== $electrode?->calibration_id,
            'trustSentences' => $this->run->trustSentences(),
            'readings' => $this->runCurve->points->map(static fn (ReadingPoint $p): array => ReadingResource::shape($p))->all(),
            'firstDerivative' => self::points($first),
            'secondDerivative' => self::points($first?->derivative()),
            'jumps' => array_map(static fn (EquivalencePoint $p): array => [
                'volume' => MeasuredResource::shape($p->volume), 'ph' => $p->ph,
            ], $this->jumps()),
            'span' => $this->span(),
            'lines' => array_map(self::line(...), array_keys($lines), $lines, array_fill(0, count($lines), $lines)),
        ];
    }

    /** @return list<array{float, float}> x and y of each point */
    private static function points(?Series $series): array
    {
        return $series === null ? [] : array_map(static fn (float $x, float $y): array => [$x, $y], $series->x, $series->y);
    }

    /**
     * @param  list<Line>  $all
     * @return array<string, mixed>
     */
    private static function line(int $index, Line $line, array $all): array
    {
        $numbers = array_flip(array_map(static fn (Line $l): string => $l->key, $all));

        return [
            'number' => $index + 1,
            'key' => $line->key,
            'title' => $line->title,
            'result' => $line->result === null ? null : MeasuredResource::shape($line->result),
            'method' => $line->method,
            'formula' => $line->formula,
            'numbers' => $line->numbers,
            'uses' => array_map(static fn (string $key): int => $numbers[$key] + 1, $line->uses),
            'warnings' => array_map(static fn (Warning $w): array => [
                'code' => $w->code, 'title' => $w->title, 'text' => $w->text,
            ], $line->warnings),
            'needs' => $line->needs,
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Column;
use App\Models\Entry;
use App\Models\Experiment;
use App\Models\Figure;
use App\Models\Line;
use App\Models\Run;
use App\Models\Span;
use App\Notebook\NotebookOf;
use App\Notebook\NotebookRows;
use App\Notebook\Stages;
use App\Notebook\UndoBook;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A notebook without what was recorded in its runs.
 *
 * @mixin Experiment
 */
final class NotebookResource extends JsonResource
{
    public const WITH = ['bench.probes.calibration', 'beside.probes.calibration'];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $this->resource->loadMissing(self::WITH);
        $rows = NotebookRows::of($this->resource);
        $shapes = new NotebookShapes($rows, NotebookOf::rows($rows));
        $undo = app(UndoBook::class);

        return ['id' => $this->id, 'revision' => $this->revision] + $shapes->about($this->resource) + [
            'entries' => array_values($rows->entries->map(static fn (Entry $e): array => $shapes->entry($e))->all()),
            'columns' => array_values($rows->columns->map(static fn (Column $c): array => $shapes->column($c))->all()),
            'spans' => array_values($rows->spans->map(static fn (Span $s): array => $shapes->span($s))->all()),
            'figures' => array_values($rows->figures->map(static fn (Figure $f): array => $shapes->figure($f))->all()),
            'lines' => array_values($rows->lines->map(static fn (Line $l): array => $shapes->line($l))->all()),
            'runs' => array_values($rows->runs->map(static fn (Run $r): array => $shapes->run($r))->all()),
            'stages' => Stages::of($this->resource, $rows->runs, $rows->entries),
            'undo' => $undo->undoableWords($this->resource, $this->user_id),
            'redo' => $undo->redoableWords($this->resource, $this->user_id),
            'updatedAt' => $this->updated_at->toIso8601ZuluString('millisecond'),
        ];
    }
}

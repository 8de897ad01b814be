<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Notebook\Column;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\FigureAxis;
use Welkion\Core\Notebook\FigureDrawing;
use Welkion\Core\Notebook\FigurePanel;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\RunsTable;
use Welkion\Core\Units\Unit;

/** What a figure draws and how in the shape of the HTTP API, with what makes values of columns those of their axes. */
final class DrawingShape
{
    /** @var array<string, Unit>|null units of the runs table by symbol, once a figure asked for one */
    private ?array $unitsOfRuns = null;

    public function __construct(private readonly Notebook $notebook, private readonly NotebookRows $rows)
    {
    }

    /** @return array<string, mixed> */
    public function of(FigureDrawing $drawing): array
    {
        return [
            'x' => $drawing->x, 'axis' => $this->axis($drawing->axis, [$drawing->x]),
            'panels' => array_map(fn (FigurePanel $p): array => [
                'y' => $p->left, 'axis' => $this->axis($p->axis, $p->left), 'right' => $p->right, 'rightAxis' => $this->axis($p->rightAxis, $p->right),
            ], $drawing->panels),
            'points' => $drawing->points, 'bars' => $drawing->hasBars, 'coloursBy' => $drawing->coloursBy, 'caption' => $drawing->caption,
            'doubt' => $drawing->doubt(array_map(static fn (Column $c): ColumnKind => $c->kind, $this->notebook->columns)),
        ];
    }

    /**
     * @param  list<string>  $symbols
     * @return array<string, mixed>
     */
    private function axis(FigureAxis $axis, array $symbols): array
    {
        $shown = [];
        foreach ($axis->unit === null ? [] : $symbols as $symbol) {
            $unit = ($this->notebook->columns[$symbol] ?? null)->unit ?? $this->ofRuns($symbol);
            try {
                $shown += $unit === null ? [] : [$symbol => $axis->conversion($unit)];
            } catch (UnitMismatch) {
                // Its column measures something else by now: it is drawn as it is.
            }
        }

        return ['scale' => $axis->isLogarithmic ? 'log' : 'linear', 'from' => $axis->from, 'to' => $axis->to, 'unit' => $axis->unit, 'label' => $axis->label, 'shown' => (object) $shown];
    }

    /** Unit of a column of the runs table, which is that of its results; asked only where a figure of the runs has another. */
    private function ofRuns(string $symbol): ?Unit
    {
        $this->unitsOfRuns ??= (new RunsTable(ExperimentWork::of($this->rows)->worked))->units();

        return $this->unitsOfRuns[$symbol] ?? null;
    }
}

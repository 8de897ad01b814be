<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Experiment;
use App\Models\Figure;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Notebook\FigureDrawing;
use Welkion\Core\Notebook\RunsTable;
use Welkion\Core\Units\Unit;

/** Adds, changes and removes figures. */
final readonly class FigureBook
{
    public function __construct(private Journal $journal)
    {
    }

    /** @param  array<string, mixed>  $options  x, panels and what else is not as usual */
    public function add(Experiment $experiment, string $title, array $options, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $title, $options): string {
            $draft->create(Figure::class, [
                'experiment_id' => $experiment->id, 'title' => $title, 'options' => self::drawn($experiment, $options),
                'position' => 1 + (int) Figure::query()->where('experiment_id', $experiment->id)->max('position'),
            ]);

            return 'Added a figure';
        });
    }

    /** @param  array<string, mixed>  $options  what is left out stays */
    public function change(Experiment $experiment, Figure $figure, ?string $title, array $options, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $figure, $title, $options): string {
            $figure->refresh();
            $draft->update($figure, ($title === null ? [] : ['title' => $title]) + ($options === [] ? [] : ['options' => self::drawn($experiment, $options + $figure->options)]));

            return 'Changed a figure';
        });
    }

    public function remove(Experiment $experiment, Figure $figure, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($figure): string {
            $draft->delete($figure);

            return 'Removed a figure';
        });
    }

    /**
     * @param  array<string, mixed>  $options
     * @return array<string, mixed> as they are kept
     *
     * @throws CoreException If it cannot be drawn so; the message says what.
     */
    private static function drawn(Experiment $experiment, array $options): array
    {
        $drawing = FigureDrawing::fromArray($options);
        $units = array_map(Unit::ofHeader(...), $experiment->columns()->pluck('unit', 'symbol')->all());
        // What is no column of the rows may be one of the runs; the two are never drawn together.
        $drawing->check(isset($units[$drawing->x]) ? $units : (new RunsTable(ExperimentWork::of(NotebookRows::of($experiment))->worked))->units());

        return $drawing->toArray();
    }
}

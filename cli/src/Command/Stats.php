<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Failure;
use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Cli\Points;
use Welkion\Core\Uncertainty\Sample;

/** Describes a column, or a stretch of it. */
final class Stats extends Command
{
    public function name(): string
    {
        return 'stats';
    }

    public function purpose(): string
    {
        return 'describes a column, or a stretch of it';
    }

    public function options(): array
    {
        return [
            'column' => '*name or symbol of the column',
            'by' => 'column that --from and --to are told in; the column itself if left out',
            'from' => 'only rows where --by is at least this',
            'to' => 'only rows where --by is at most this',
        ];
    }

    public function run(Options $options, Input $input): string
    {
        $table = $input->table($options->file());
        $by = $options->has('by') ? $options->text('by') : $options->text('column');
        $points = Points::of($table, $by, $options->text('column'), $options->number('from'), $options->number('to'));
        $sample = Sample::of($points->y);
        if (! is_finite($sample->mean)) {
            throw Failure::input('The column holds numbers too large to add up.');
        }

        return Json::of([
            'column' => $points->yColumn->name,
            'unit' => $points->yColumn->unit,
            'n' => $sample->n,
            'missing' => $points->missing,
            'mean' => $sample->mean,
            'sd' => $sample->sd,
            'standardError' => $sample->standardError,
            'min' => $sample->min,
            'max' => $sample->max,
            'median' => $sample->median,
            'range' => $sample->range(),
            'halfRange' => $sample->halfRange(),
            'percent' => $sample->percent(),
            'sum' => $sample->sum,
        ]);
    }
}

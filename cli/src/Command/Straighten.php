<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Cli\Points;
use Welkion\Core\Straighten\Candidate;
use Welkion\Core\Straighten\Straightener;

/** Finds out which relation two columns follow. */
final class Straighten extends Command
{
    public function name(): string
    {
        return 'straighten';
    }

    public function purpose(): string
    {
        return 'tries the usual ways to plot two columns as a straight line and ranks what they mean';
    }

    public function options(): array
    {
        return [
            'x' => '*name or symbol of the column that was set',
            'y' => '*name or symbol of the column that followed',
            'from' => 'only points where x is at least this',
            'to' => 'only points where x is at most this',
        ];
    }

    public function run(Options $options, Input $input): string
    {
        $points = Points::of($input->table($options->file()), $options->text('x'), $options->text('y'), $options->number('from'), $options->number('to'));
        $result = (new Straightener)->straighten($points->x, $points->y);

        return Json::of([
            'candidates' => array_map(static fn (Candidate $c): array => [
                'relation' => $c->relation->value,
                'x' => $c->x,
                'y' => $c->y,
                'slope' => $c->slope(),
                'intercept' => $c->intercept(),
                'rSquared' => $c->line->rSquared,
                'bends' => $c->bends(),
                'criterion' => $c->criterion,
            ], $result->candidates),
            'best' => $result->best()->relation->value,
            'meaning' => ucfirst($result->best()->relation->meaning()).'.',
            'skipped' => (object) $result->skipped,
            'warnings' => self::warnings($result->warnings()),
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Experiment;
use Welkion\Core\Notebook\Fields;
use Welkion\Core\Notebook\Notebook;

/** What an experiment remembers of its protocol, in the shape of the HTTP API. */
final class PlanShape
{
    /** @return array<string, mixed> */
    public static function of(Experiment $experiment, Notebook $notebook): array
    {
        $plan = new Fields($experiment->plan);
        $run = $plan->fields('run');

        return [
            'protocol' => $plan->text('title'),
            'picture' => $plan->text('picture'),
            'prepare' => array_map($notebook->worded(...), $plan->texts('prepare')),
            'roles' => array_map(static fn (Fields $r): array => [
                'role' => $r->text('role'), 'kind' => $r->text('kind'), 'name' => $r->text('name'), 'isNeeded' => $r->isTrue('isNeeded'),
            ], $plan->things('roles')),
            'steps' => (object) $run->fields('plan')->all,
            'stepWords' => $notebook->worded($run->text('stepWords')),
            'hints' => ['aim' => $notebook->worded($plan->fields('hints')->text('aim')), 'conclusion' => $notebook->worded($plan->fields('hints')->text('conclusion'))],
        ];
    }
}

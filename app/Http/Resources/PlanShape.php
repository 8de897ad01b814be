<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use App\Notebook\Roles;
use App\Recording\RunStart;
use Welkion\Core\Calibration\ProbeKind;
use Welkion\Core\Notebook\Fields;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\TimedPlanCheck;

/** What an experiment remembers of its protocol, in the shape of the HTTP API. */
final class PlanShape
{
    /** @return array<string, mixed> */
    public static function of(Experiment $experiment, Notebook $notebook): array
    {
        $plan = new Fields($experiment->plan);
        $run = $plan->fields('run');
        $timed = RunStart::nextTimedPlan($experiment);

        return [
            'protocol' => $plan->text('title'),
            'picture' => $plan->text('picture'),
            'prepare' => array_map($notebook->worded(...), $plan->texts('prepare')),
            'roles' => array_map(static fn (Fields $r): array => [
                'role' => $r->text('role'), 'kind' => $r->text('kind'), 'name' => $r->text('name'), 'isNeeded' => $r->isTrue('isNeeded'),
            ], $plan->things('roles')),
            'runKind' => $run->text('kind') === Run::TIMED ? Run::TIMED : Run::STEPWISE,
            'timed' => $timed->toArray(),
            'timedWarnings' => array_map(WorkedLineShape::warning(...), TimedPlanCheck::warnings($timed, self::recorded($experiment), (float) disk_free_space(storage_path()))),
            'steps' => (object) array_intersect_key($run->fields('plan')->all, ['ranges' => 0, 'steps' => 0]),
            'constant' => self::constant($run),
            'stepWords' => $notebook->worded($run->text('stepWords')),
            'hints' => ['aim' => $notebook->worded($plan->fields('hints')->text('aim')), 'conclusion' => $notebook->worded($plan->fields('hints')->text('conclusion'))],
        ];
    }

    /** @return list<array{symbol: string, within: float}> columns that should stay the same, and how far they may go */
    private static function constant(Fields $run): array
    {
        $watched = array_filter($run->things('watch'), static fn (Fields $w): bool => $w->text('method') === 'constancy');

        return array_values(array_map(static fn (Fields $w): array => [
            'symbol' => $w->fields('uses')->text('y'), 'within' => $w->fields('numbers')->fields('within')->number('value') ?? 0.0,
        ], $watched));
    }

    /** @return list<array{title: string, kind: ProbeKind, fastestHz: float}> probes of its benches it has a use for */
    private static function recorded(Experiment $experiment): array
    {
        $kinds = array_map(static fn (Fields $r): string => $r->text('kind'), Roles::of($experiment));
        $all = [...($experiment->bench->probes ?? []), ...($experiment->beside->probes ?? [])];
        $probes = array_filter($all, static fn (Probe $p): bool => $p->is_present && in_array($p->kind->value, $kinds, true));

        return array_values(array_map(static fn (Probe $p): array => ['title' => $p->title, 'kind' => $p->kind, 'fastestHz' => $p->fastest_hz], $probes));
    }
}

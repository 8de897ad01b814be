<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Probe;
use Welkion\Core\Notebook\Fields;

/** Which probe of a bench is for what in an experiment. */
final class Roles
{
    /** @return list<Fields> role, kind, name, isNeeded */
    public static function of(Experiment $experiment): array
    {
        return (new Fields($experiment->plan))->things('roles');
    }

    /**
     * The probes plugged in, each with its role or none: the first of a kind gets the first role that asks for it.
     *
     * @return list<array{Probe, string|null}>
     *
     * @throws Refusal If one that is needed is not there.
     */
    public static function assigned(Experiment $experiment, Bench $bench): array
    {
        $probes = array_values($bench->probes()->where('is_present', true)->with('calibration', 'lastZero')->get()->all());
        $roles = [];
        $missing = [];
        foreach (self::of($experiment) as $role) {
            $found = null;
            foreach ($probes as $probe) {
                $found ??= ! isset($roles[$probe->id]) && $probe->kind->value === $role->text('kind') ? $probe : null;
            }
            if ($found !== null) {
                $roles[$found->id] = $role->text('role');
            } elseif ($role->isTrue('isNeeded')) {
                $missing[] = $role->text('name');
            }
        }
        if ($missing !== []) {
            throw Refusal::nothingToRecord($bench->name, $missing);
        }

        return array_map(static fn (Probe $p): array => [$p, $roles[$p->id] ?? null], $probes);
    }
}

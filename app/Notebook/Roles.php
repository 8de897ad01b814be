<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Probe;
use Welkion\Core\Notebook\Fields;

/** Which probe of a bench, or of a second one beside it, is for what in an experiment. */
final class Roles
{
    /** @return list<Fields> role, kind, name, isNeeded */
    public static function of(Experiment $experiment): array
    {
        return (new Fields($experiment->plan))->things('roles');
    }

    /**
     * The probes plugged in, those of the bench first, each with its role or none: the first of a kind gets the first role that
     * asks for it.
     *
     * @param  Bench|null  $beside  a second bench; a role that asks for it gets its probes first
     * @return list<array{Probe, string|null}>
     *
     * @throws Refusal If one that is needed is not there.
     */
    public static function assigned(Experiment $experiment, Bench $bench, ?Bench $beside = null): array
    {
        [$own, $others] = [self::plugged($bench), $beside === null ? [] : self::plugged($beside)];
        $roles = [];
        $missing = [];
        foreach (self::of($experiment) as $role) {
            $free = array_values(array_filter(
                $role->isTrue('isBeside') ? [...$others, ...$own] : [...$own, ...$others],
                static fn (Probe $p): bool => ! isset($roles[$p->id]) && $p->kind->value === $role->text('kind'),
            ));
            // Probes of no known kind are told from each other by what they are called, unless one was called otherwise since.
            $named = array_values(array_filter($free, static fn (Probe $p): bool => $p->title === $role->text('title')));
            $found = $named[0] ?? $free[0] ?? null;
            if ($found !== null) {
                $roles[$found->id] = $role->text('role');
            } elseif ($role->isTrue('isNeeded')) {
                $missing[] = $role->text('name');
            }
        }
        if ($missing !== []) {
            throw Refusal::nothingToRecord($bench->name, $missing, $beside?->name);
        }

        return array_map(static fn (Probe $p): array => [$p, $roles[$p->id] ?? null], [...$own, ...$others]);
    }

    /** @return list<Probe> */
    private static function plugged(Bench $bench): array
    {
        return array_values($bench->probes()->where('is_present', true)->with('calibration', 'lastZero')->get()->all());
    }
}

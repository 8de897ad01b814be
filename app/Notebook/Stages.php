<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Entry;
use App\Models\Experiment;
use App\Models\Probe;
use App\Models\Run;
use Illuminate\Support\Collection;
use Welkion\Core\Notebook\Fields;

/** Which of the four stages of an experiment are done. */
final class Stages
{
    /**
     * @param  Collection<int, Run>  $runs
     * @param  Collection<int, Entry>  $entries
     * @return array{prepare: bool, record: bool, reason: bool, report: bool}
     */
    public static function of(Experiment $experiment, Collection $runs, Collection $entries): array
    {
        $kinds = array_map(static fn (Fields $r): string => $r->text('kind'), array_values(array_filter(Roles::of($experiment), static fn (Fields $r): bool => $r->isTrue('isNeeded'))));
        $probes = new Collection([...($experiment->bench->probes ?? []), ...($experiment->beside->probes ?? [])]);
        $isReady = array_filter($kinds, static fn (string $kind): bool => ! $probes->contains(
            static fn (Probe $p): bool => $p->kind->value === $kind && $p->calibration !== null,
        )) === [];
        $isRecorded = $runs->isNotEmpty() && $runs->every(static fn (Run $r): bool => ! $r->isOpen());
        $isTyped = $entries->every(static fn (Entry $e): bool => $e->is_words || $e->is_per_run || $e->value !== null);

        return [
            'prepare' => $isReady && ($kinds === [] || $experiment->bench !== null),
            'record' => $isRecorded,
            'reason' => $isRecorded && $isTyped,
            'report' => $isRecorded && trim((string) $experiment->conclusion) !== '',
        ];
    }
}

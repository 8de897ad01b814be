<?php

declare(strict_types=1);

namespace App\Recorder\Keeping;

use App\Models\Column;
use App\Models\Run;
use App\Models\RunChannel;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Sender;
use App\Recorder\Timed\Scale;
use App\Recorder\Timed\ToldRun;
use Illuminate\Support\Str;
use Welkion\Core\Calibration\QuantityLine;
use Welkion\Core\Notebook\RunEvent;
use Welkion\Core\Units\Unit;

/** A timed run as the recorder reads it, and what it writes down of it. */
final readonly class TimedRunRow
{
    public const CHANNELS = ['probe.bench', 'calibration', 'zero', 'reworkings.calibration'];

    /** Changes the recorder makes come from no window. */
    private const SCREEN = 'recorder';

    public function __construct(private Journal $journal)
    {
    }

    /** As one of the benches that feed it has to do with it. */
    public static function told(Run $run, int $benchId): ToldRun
    {
        $plan = $run->timedPlan();
        $roles = $run->experiment->columns->pluck('role')->all();
        $isBeside = $run->beside_id === $benchId;
        // What the notebook asks for comes first: the first sets the beat.
        $channels = $run->channelsAt($benchId)->sortByDesc(static fn (RunChannel $c): bool => $c->role !== null && in_array($c->role, $roles, true))->values();

        return new ToldRun(
            $run->id, $plan, array_combine($channels->modelKeys(), array_map(intval(...), $channels->pluck('probe_id')->all())), self::scale($run, $plan->begin), self::scale($run, $plan->end),
            $run->armed_at, $channels->first(static fn (RunChannel $c): bool => $c->zero_time !== null)?->zero_time, $run->ended_s,
            ($run->finished_at?->getTimestamp() ?? 0) + Run::LINGERS_S,
            $isBeside ? $run->bench_id : null, $isBeside ? $run->zeroTime() : null, $isBeside ? null : $run->beside_id,
        );
    }

    /**
     * @param  array<int, float>  $zeros  clock of the bench, s, by run channel
     * @param  float|null  $error  standard uncertainty of them, of a bench beside, s
     */
    public function begun(int $runId, array $zeros, ?float $error): bool
    {
        return $this->note($runId, static function (Draft $draft, Run $run) use ($zeros, $error): string {
            foreach ($run->channels as $channel) {
                isset($zeros[$channel->id]) && $channel->zero_time === null && $draft->update($channel, ['zero_time' => $zeros[$channel->id]] + ($error === null ? [] : ['clock_error' => $error]));
            }

            return "{$run->title()} began".($error === null ? '' : ' at the bench beside');
        });
    }

    public function ended(int $runId, float $endedS, string $by): bool
    {
        return $this->note($runId, static function (Draft $draft, Run $run) use ($endedS, $by): string {
            // Somebody may have ended it by hand in the same moment: that stays.
            $run->isOpen() && $draft->update($run, ['state' => Run::FINISHED, 'finished_at' => now(), 'ended_s' => $endedS, 'ended_by' => $by]);

            return $by === Run::BY_LENGTH ? "{$run->title()} reached its length" : "{$run->title()} reached what it was to end by";
        });
    }

    /** @param  \Closure(Draft, Run): string  $make  does nothing twice: it may be asked again after an answer was lost */
    private function note(int $runId, \Closure $make): bool
    {
        $run = Run::query()->with('experiment.user', 'channels')->find($runId);
        if ($run === null) {
            return false;
        }
        $sender = new Sender($run->experiment->user, (string) Str::uuid(), self::SCREEN);
        $this->journal->note($run->experiment, $sender, static fn (Draft $draft): string => $make($draft, $run->refresh()->load('channels')));

        return true;
    }

    private static function scale(Run $run, ?RunEvent $event): ?Scale
    {
        $column = $event === null ? null : $run->experiment->columns->first(static fn (Column $c): bool => $c->symbol === $event->column);
        $channel = ! $column instanceof Column || $column->role === null ? null : $run->channels->first(static fn (RunChannel $c): bool => $c->role === $column->role);
        if ($column === null || ! $channel instanceof RunChannel) {
            return null;
        }
        $by = $column->is_raw ? null : $channel->reading();
        $line = $by === null ? null : QuantityLine::of($by, 0.0, null, null);
        if ($line === null) {
            return new Scale($channel->probe_id, 0.0, 1.0);
        }
        $unit = Unit::ofHeader($channel->unit());
        [$at0, $at1] = array_map(static fn (float $raw): float => $unit->convert($line->value($raw), Unit::parse($column->unit)), [0.0, 1.0]);

        return new Scale($channel->probe_id, $at0, $at1 - $at0);
    }
}

<?php

declare(strict_types=1);

namespace App\Recording;

use App\Exceptions\Refusal;
use App\Models\Marker;
use App\Models\Run;
use App\Notebook\Draft;
use App\Notebook\Journal;
use App\Notebook\Sender;
use App\Recorder\RecorderClient;

/** Drops markers in runs, at a moment or at a row, names, moves and removes them. */
final readonly class MarkerBook
{
    public function __construct(private RecorderClient $recorder, private Journal $journal)
    {
    }

    /** Of a run that is not against time: beside a row, by its number. */
    public function pin(Run $run, int $row, string $name, Sender $sender): void
    {
        $run->isTimed() && throw Refusal::hasMoments();
        $name === '' && throw Refusal::emptyNote();
        $this->journal->change($run->experiment, $sender, static function (Draft $draft) use ($run, $row, $name): string {
            $isThere = $run->isTyped() ? $run->refresh()->rowOrder()->placeOf($row) !== null : $run->readings()->where('row', $row)->whereNull('deleted_at')->exists();
            $isThere || throw Refusal::noSuchRow($row);
            $draft->create(Marker::class, ['run_id' => $run->id, 'row' => $row, 'name' => $name]);

            return "Noted “{$name}” at row {$row} of {$run->title()}";
        });
    }

    /** @param  float|null  $at  s after the run began; null: now */
    public function drop(Run $run, ?float $at, string $name, Sender $sender): void
    {
        $run->isTimed() || throw Refusal::notTimed();
        $now = $at === null && $run->bench !== null ? $this->recorder->moment($run->bench) : null;
        $this->journal->change($run->experiment, $sender, static function (Draft $draft) use ($run, $at, $name, $now): string {
            $zero = $run->refresh()->load('channels')->zeroTime() ?? throw Refusal::hasNotBegun();
            $at ??= $now === null ? throw Refusal::noMoment() : $now - $zero;
            $draft->create(Marker::class, ['run_id' => $run->id, 'at' => $at, 'name' => $name]);

            return self::words($name, $run).' dropped';
        });
    }

    /** @param  array{name?: string, at?: float}  $attributes */
    public function change(Marker $marker, array $attributes, Sender $sender): void
    {
        $this->journal->change($marker->run->experiment, $sender, static function (Draft $draft) use ($marker, $attributes): string {
            $draft->update($marker->refresh(), $attributes);

            return self::words($marker->name, $marker->run).(isset($attributes['at']) ? ' moved' : ' named');
        });
    }

    public function remove(Marker $marker, Sender $sender): void
    {
        $this->journal->change($marker->run->experiment, $sender, static function (Draft $draft) use ($marker): string {
            $draft->delete($marker);

            return self::words($marker->name, $marker->run).' removed';
        });
    }

    private static function words(string $name, Run $run): string
    {
        return ($name === '' ? 'A marker' : "Marker “{$name}”")." in {$run->title()}";
    }
}

<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\Calibration;
use App\Models\Column;
use App\Models\Reworking;
use App\Models\Run;
use App\Models\RunChannel;
use App\Notebook\NotebookOf;
use App\Notebook\NotebookRows;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\Run as CoreRun;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\WorkedLine;
use Welkion\Core\Notebook\WorkedNotebook;

/** The results of a run by the calibration it was recorded with and by those it was worked out again with, side by side. */
final readonly class Comparison
{
    /**
     * @param  list<array{calibration: Calibration|null, reworking: Reworking|null, lines: array<string, WorkedLine>}>  $columns  the recorded one first
     * @param  array<string, string>  $titles  of the lines, by symbol
     */
    private function __construct(public Run $run, public RunChannel $channel, public array $columns, public array $titles)
    {
    }

    /** The channel whose calibration is compared: that of the first column that is measured by one. */
    public static function channelOf(Run $run): ?RunChannel
    {
        $run->loadMissing(Run::WORKED_OUT_WITH);
        $column = $run->experiment->columns->first(static fn (Column $c): bool => $c->kind === ColumnKind::Measured && ! $c->is_raw);

        return $column === null ? null : $run->channels->first(static fn (RunChannel $c): bool => $c->role === $column->role);
    }

    /** @return self|null null for a run in which nothing is measured by a calibration */
    public static function of(Run $run): ?self
    {
        $channel = self::channelOf($run);
        if ($channel === null) {
            return null;
        }
        $rows = NotebookRows::of($run->experiment);
        $plain = NotebookOf::rows($rows);
        $column = static fn (?Calibration $calibration, ?Reworking $reworking): array => [
            'calibration' => $calibration?->setRelation('probe', $channel->probe), 'reworking' => $reworking,
            'lines' => self::lines($run, $rows, $plain, [$channel->id => $calibration]),
        ];

        return new self($run, $channel, [
            $column($channel->calibration, null),
            ...array_values($channel->reworkings->map(static fn (Reworking $r): array => $column($r->calibration, $r))->all()),
        ], array_map(static fn ($line): string => $plain->worded($line->title), $plain->lines));
    }

    /** By how much a result differs from the recorded one; null where there is none. */
    public static function difference(?WorkedLine $line, WorkedLine $recorded): ?float
    {
        $result = $line?->result();
        $before = $recorded->result();

        return $result === null || $before === null ? null : $result->value - $before->value;
    }

    /**
     * @param  array<int, Calibration|null>  $instead
     * @return array<string, WorkedLine> lines for each run, by symbol
     */
    private static function lines(Run $run, NotebookRows $rows, Notebook $plain, array $instead): array
    {
        $data = NotebookOf::data($run, $rows->columns, $instead);
        $alone = new CoreRun($run->id, $run->number, $run->title(), $run->condition, $run->trial, '', static fn (): RunData => $data);
        $worked = new WorkedNotebook(Notebook::of(array_values($plain->entries), array_values($plain->columns), array_values($plain->lines), [$alone]));
        $lines = [];
        foreach ($plain->lines as $symbol => $line) {
            if ($line->isPerRun) {
                $lines[(string) $symbol] = $worked->line((string) $symbol, $run->id);
            }
        }

        return $lines;
    }
}

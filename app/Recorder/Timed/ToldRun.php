<?php

declare(strict_types=1);

namespace App\Recorder\Timed;

use Welkion\Core\Notebook\TimedPlan;

/** A timed run of a bench as it is written down: one that waits, is recorded, or ended a moment ago. */
final readonly class ToldRun
{
    /**
     * @param  array<int, int>  $channels  probe by run channel
     * @param  Scale|null  $begin  of what it begins by; null: at once
     * @param  Scale|null  $end  of what ends it; null: its length, or a hand
     * @param  float|null  $armedAt  clock of the bench when it began to wait, s; null: not known
     * @param  float|null  $zero  clock of the bench when it began, s; null while it waits
     * @param  float|null  $endedS  s after it began; null while it goes on
     * @param  float  $lingersUntil  clock on the wall, s: what comes until then is kept, in case it goes on
     * @param  int|null  $ledBy  the bench that begins and ends it; null: this one
     * @param  float|null  $ledFrom  clock of that bench when it began, s; null while it waits
     * @param  int|null  $beside  the bench that feeds it, too; null: none
     */
    public function __construct(
        public int $runId,
        public TimedPlan $plan,
        public array $channels,
        public ?Scale $begin,
        public ?Scale $end,
        public ?float $armedAt,
        public ?float $zero,
        public ?float $endedS,
        public float $lingersUntil,
        public ?int $ledBy = null,
        public ?float $ledFrom = null,
        public ?int $beside = null,
    ) {
    }
}

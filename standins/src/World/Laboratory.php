<?php

declare(strict_types=1);

namespace Welkion\Standins\World;

use Random\Randomizer;

/** All simulated benches, and the one thing that concerns two of them: a probe that is carried from one to the other. */
final readonly class Laboratory
{
    /** @param  array<string, World>  $worlds  by name */
    private function __construct(public array $worlds)
    {
    }

    public static function furnished(Randomizer $randomizer): self
    {
        $worlds = [];
        foreach ([new Alder($randomizer), new Birch($randomizer), new Hazel($randomizer), new Rowan($randomizer)] as $world) {
            $worlds[$world->name()] = $world;
        }

        return new self($worlds);
    }

    /**
     * Carries Alder's electrode to Birch, or back.
     *
     * @throws RefusedAct If it is there already.
     */
    public function carryElectrode(bool $toBirch): void
    {
        $alder = $this->worlds['Alder'] ?? null;
        $birch = $this->worlds['Birch'] ?? null;
        if (! $alder instanceof Alder || ! $birch instanceof Birch) {
            throw new RefusedAct('There is no other bench here.');
        }
        if ($toBirch) {
            $birch->receive($alder->release());
        } else {
            $alder->takeBack($birch->giveBack() ?? throw new RefusedAct('The electrode is at its own bench.'));
        }
    }
}

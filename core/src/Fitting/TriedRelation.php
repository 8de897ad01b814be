<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Uncertainty\Digits;

/** A relation that was laid through points to see what it makes of them. */
final readonly class TriedRelation
{
    /** Of seven points the scatter is known to a third: twice as much is no luck. */
    private const MUCH_MORE = 2.0;

    /**
     * @param  Fit|null  $fit  null where it could not be
     * @param  string  $reason  why not, about x and y; empty where it could
     * @param  string|null  $inKelvin  "x" or "y", where it could be with that one in kelvin
     */
    public function __construct(public Relation $relation, public ?Fit $fit, public string $reason = '', public ?string $inKelvin = null)
    {
    }

    /**
     * What it leaves over, in few words.
     *
     * @param  Fit  $best  of the one that is offered first
     * @param  list<float>  $y  what was fitted
     */
    public function verdict(Fit $best, array $y): string
    {
        if ($this->fit === null) {
            return 'not fitted';
        }
        $times = $this->fit->timesLeft($best, $y);

        return match (true) {
            $this->fit->bends() => 'what is left over still bends',
            $times > self::MUCH_MORE => sprintf('leaves %s times as much over', Digits::round((float) sprintf('%.2g', $times))),
            default => 'no pattern is left over',
        };
    }
}

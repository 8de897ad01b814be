<?php

declare(strict_types=1);

namespace Welkion\Core\Series;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Which of very many rows are drawn. */
final class Thinning
{
    /** Always the same, so that a figure is drawn twice alike. */
    private const SEED = 20_260_921;

    /**
     * One of each stretch, somewhere in it: of rows at even steps what repeats nearly in step with them would be drawn as something
     * slower that is not there (Cook, Stochastic sampling in computer graphics, ACM Transactions on Graphics 5, 1986). The first and the last are among them.
     *
     * @param  int  $count  of all rows
     * @param  int  $most  that are wanted, at least 2
     * @return list<int> places from 0, rising; all where there are no more
     */
    public static function places(int $count, int $most): array
    {
        if ($count <= $most) {
            return $count < 1 ? [] : range(0, $count - 1);
        }
        $random = new Randomizer(new Mt19937(self::SEED));
        $places = [0];
        for ($i = 1, $stretches = $most - 1; $i < $stretches; $i++) {
            $places[] = $random->getInt(intdiv($i * $count, $stretches), intdiv(($i + 1) * $count, $stretches) - 1);
        }
        $places[count($places) - 1] === $count - 1 || $places[] = $count - 1;

        return $places;
    }
}

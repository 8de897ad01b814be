<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Units\Unit;

/** What a formula gives for a table. */
final readonly class DerivedColumn
{
    /**
     * @param  list<float>  $values  one a row; NAN where there is no result
     * @param  int  $missing  rows without a result because a cell they need is blank (or a neighbour is not there)
     * @param  list<int>  $undefined  rows, from 1, whose cells are there but which have no result: 1/0, ln of a negative
     * @param  list<string>  $notes
     */
    private function __construct(
        public array $values,
        public Unit $unit,
        public int $missing,
        public array $undefined,
        public array $notes,
    ) {
    }

    /**
     * @internal made by Formula::derive()
     *
     * @param  float|list<float>  $result
     * @param  list<string>  $symbols
     * @param  list<string>  $notes
     * @param  bool  $looksAround  whether rows rest on their neighbours, which a first or last row lacks
     */
    public static function of(
        float|array $result,
        Unit $unit,
        Scope $scope,
        array $symbols,
        array $notes,
        bool $looksAround,
    ): self {
        $values = is_float($result) ? array_fill(0, $scope->rowCount(), $result) : $result;
        $missing = 0;
        $undefined = [];
        foreach ($values as $row => $value) {
            if (is_finite($value)) {
                continue;
            }
            $values[$row] = NAN;
            if (is_nan($value) && ($looksAround || self::hasBlank($scope, $symbols, $row))) {
                $missing++;
            } else {
                $undefined[] = $row + 1;
            }
        }

        return new self($values, $unit, $missing, $undefined, $notes);
    }

    /** @param  list<string>  $symbols */
    private static function hasBlank(Scope $scope, array $symbols, int $row): bool
    {
        foreach ($symbols as $symbol) {
            if (isset($scope->columns[$symbol]) && is_nan($scope->columns[$symbol]->values[$row])) {
                return true;
            }
        }

        return false;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Working;

use Welkion\Core\Exception\MissingInput;
use Welkion\Core\Series\Series;
use Welkion\Core\Uncertainty\Measured;

/** What a method is given, by the names of its slots. */
final readonly class Inputs
{
    /**
     * @param  array<string, ColumnInput>  $columns  all with the same number of rows
     * @param  array<string, Measured>  $numbers
     * @param  array<string, string>  $texts
     */
    public function __construct(private array $columns = [], private array $numbers = [], private array $texts = [])
    {
    }

    /** @throws MissingInput */
    public function column(string $slot): ColumnInput
    {
        return $this->columns[$slot] ?? throw MissingInput::slot($slot);
    }

    /**
     * Two columns as points of a run, in the order of x.
     *
     * @throws MissingInput
     */
    public function series(string $x = 'x', string $y = 'y'): Series
    {
        return Series::of($this->column($x)->values, $this->column($y)->values);
    }

    /** @throws MissingInput */
    public function number(string $slot): Measured
    {
        return $this->numbers[$slot] ?? throw MissingInput::slot($slot);
    }

    /** @return array<string, Measured> */
    public function numbers(): array
    {
        return $this->numbers;
    }

    public function text(string $slot): ?string
    {
        return $this->texts[$slot] ?? null;
    }
}

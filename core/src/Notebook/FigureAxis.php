<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Units\Unit;

/** How an axis of a figure is drawn: evenly or by powers of ten, from where to where, and in which unit. The data are not touched by it. */
final readonly class FigureAxis
{
    private const LOG = 'log';

    private const LINEAR = 'linear';

    /**
     * @param  float|null  $from  in the unit of the axis; null: as the values are
     * @param  float|null  $to  likewise
     * @param  string|null  $unit  as it is written; null: that of the column
     * @param  string|null  $label  what it is called, without a unit; null: as its columns are
     */
    private function __construct(public bool $isLogarithmic, public ?float $from, public ?float $to, public ?string $unit, public ?string $label)
    {
    }

    /**
     * @param  Fields  $data  scale, from, to, unit, label; each may be missing
     *
     * @throws InvalidQuantity If it cannot be drawn; the message says what.
     */
    public static function of(Fields $data): self
    {
        $scale = $data->text('scale');
        if (! in_array($scale, ['', self::LINEAR, self::LOG], true)) {
            throw new InvalidQuantity("An axis is linear or log, not \"{$scale}\".");
        }
        [$from, $to, $unit] = [$data->number('from'), $data->number('to'), $data->text('unit')];
        if (($from !== null && ! is_finite($from)) || ($to !== null && ! is_finite($to))) {
            throw new InvalidQuantity('An axis goes from a number to a number.');
        }
        if ($from !== null && $to !== null && $from >= $to) {
            throw new InvalidQuantity(sprintf('An axis that ends at %s cannot begin at %s. Begin it lower, or end it higher.', (string) $to, (string) $from));
        }
        if ($scale === self::LOG && (($from !== null && $from <= 0.0) || ($to !== null && $to <= 0.0))) {
            throw new InvalidQuantity('A logarithmic axis has no place for 0 and what is below. Begin it above 0.');
        }

        $label = trim($data->text('label'));

        return new self($scale === self::LOG, $from, $to, $unit === '' ? null : $unit, $label === '' ? null : $label);
    }

    /**
     * What a value of the column is on this axis: factor times value plus offset.
     *
     * @return array{factor: float, offset: float}
     *
     * @throws UnitMismatch If the column cannot be drawn in this unit.
     */
    public function conversion(Unit $own): array
    {
        $to = $this->unit === null ? $own : Unit::ofHeader($this->unit);

        return ['factor' => $own->convertDifference(1.0, $to), 'offset' => $own->convert(0.0, $to)];
    }

    /** @return array<string, mixed> what is not as usual */
    public function toArray(): array
    {
        return array_filter(['scale' => $this->isLogarithmic ? self::LOG : null, 'from' => $this->from, 'to' => $this->to, 'unit' => $this->unit, 'label' => $this->label], static fn (mixed $v): bool => $v !== null);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;

/** What is drawn upwards in one part of a figure: along the axis at its left, and along one at its right. */
final readonly class FigurePanel
{
    /** More colours and names than these are not told apart beside one axis. */
    public const MOST_COLUMNS = 4;

    /**
     * @param  list<string>  $left  symbols, at least one
     * @param  list<string>  $right  symbols
     */
    private function __construct(public array $left, public FigureAxis $axis, public array $right, public FigureAxis $rightAxis)
    {
    }

    /**
     * @param  Fields  $data  y, axis, right, rightAxis
     *
     * @throws InvalidQuantity If it cannot be drawn; the message says what.
     */
    public static function of(Fields $data): self
    {
        [$left, $right] = [array_values(array_unique($data->texts('y'))), array_values(array_unique($data->texts('right')))];
        if ($left === []) {
            throw new InvalidQuantity('Choose what is drawn upwards.');
        }
        if (count($left) > self::MOST_COLUMNS || count($right) > self::MOST_COLUMNS) {
            throw new InvalidQuantity('Along one axis at most '.self::MOST_COLUMNS.' columns are drawn.');
        }
        $twice = array_values(array_intersect($left, $right));
        if ($twice !== []) {
            throw new InvalidQuantity("\"{$twice[0]}\" is drawn at the left and cannot be at the right, too.");
        }

        return new self($left, FigureAxis::of($data->fields('axis')), $right, FigureAxis::of($data->fields('rightAxis')));
    }

    /**
     * @param  \Closure(string): string  $named
     */
    public function renamed(\Closure $named): self
    {
        return new self(array_map($named, $this->left), $this->axis, array_map($named, $this->right), $this->rightAxis);
    }

    /** @return array{y: list<string>, axis?: array<string, mixed>, right?: list<string>, rightAxis?: array<string, mixed>} what is not as usual */
    public function toArray(): array
    {
        return ['y' => $this->left] + array_filter(['axis' => $this->axis->toArray(), 'right' => $this->right, 'rightAxis' => $this->right === [] ? [] : $this->rightAxis->toArray()]);
    }
}

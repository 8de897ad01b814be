<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Units\Unit;

/** Which columns a figure draws against which, and how. */
final readonly class FigureDrawing
{
    public const MOST_PANELS = 4;

    public const JOINED = ['joined', 'apart'];

    public const COLOURS = ['run', 'condition'];

    /**
     * @param  list<FigurePanel>  $panels  over one x, at least one
     * @param  string|null  $points  whether points are joined, one of JOINED; null: as they were recorded
     * @param  bool  $hasBars  whether the ± of points is drawn
     * @param  string|null  $coloursBy  what several runs are told apart by, one of COLOURS; null: conditions where each run has one and some share it
     * @param  string|null  $caption  written in place of the one a figure gets by itself
     */
    private function __construct(public string $x, public FigureAxis $axis, public array $panels, public ?string $points, public bool $hasBars, public ?string $coloursBy, public ?string $caption)
    {
    }

    /**
     * @param  array<array-key, mixed>  $data  x, axis, panels [{y, axis, right, rightAxis}], points, bars, coloursBy, caption
     *
     * @throws InvalidQuantity If it cannot be drawn; the message says what.
     */
    public static function fromArray(array $data): self
    {
        $fields = new Fields($data);
        $panels = array_map(FigurePanel::of(...), $fields->things('panels'));
        if ($panels === [] || count($panels) > self::MOST_PANELS) {
            throw new InvalidQuantity('A figure has one to '.self::MOST_PANELS.' panels.');
        }
        if ($fields->text('x') === '') {
            throw new InvalidQuantity('Choose what is drawn along x.');
        }
        $points = $fields->text('points');
        if (! in_array($points, ['', ...self::JOINED], true)) {
            throw new InvalidQuantity("Points are joined or apart, not \"{$points}\".");
        }
        $coloursBy = $fields->text('coloursBy');
        if (! in_array($coloursBy, ['', ...self::COLOURS], true)) {
            throw new InvalidQuantity("Colours are those of each run or of each condition, not of \"{$coloursBy}\".");
        }
        $caption = trim($fields->text('caption'));

        return new self($fields->text('x'), FigureAxis::of($fields->fields('axis')), $panels, $points === '' ? null : $points, $fields->isTrue('bars'), $coloursBy === '' ? null : $coloursBy, $caption === '' ? null : $caption);
    }

    /** @return list<string> symbols of the columns it draws */
    public function columns(): array
    {
        return array_values(array_unique([$this->x, ...array_merge(...array_map(static fn (FigurePanel $p): array => [...$p->left, ...$p->right], $this->panels))]));
    }

    /**
     * @param  array<string, Unit>  $units  of the columns of the notebook, by symbol
     *
     * @throws CoreException If a column is none of these, or cannot be drawn in the unit of its axis.
     */
    public function check(array $units): void
    {
        foreach ($this->columns() as $symbol) {
            isset($units[$symbol]) || throw new InvalidQuantity("\"{$symbol}\" is no column here.");
        }
        $this->axis->conversion($units[$this->x]);
        foreach ($this->panels as $panel) {
            foreach ($panel->left as $symbol) {
                $panel->axis->conversion($units[$symbol]);
            }
            foreach ($panel->right as $symbol) {
                $panel->rightAxis->conversion($units[$symbol]);
            }
        }
    }

    /**
     * What is set, or goes on by itself, belongs along x; what follows from it is drawn upwards.
     *
     * @param  array<string, ColumnKind>  $kinds  by symbol
     * @return string|null what to doubt of this figure; null: nothing
     */
    public function doubt(array $kinds): ?string
    {
        $isGiven = static fn (string $symbol): bool => in_array($kinds[$symbol] ?? null, [ColumnKind::Step, ColumnKind::Time], true);
        $given = array_values(array_filter($this->columns(), static fn (string $symbol): bool => $isGiven($symbol)));
        if (! isset($kinds[$this->x]) || $kinds[$this->x] === ColumnKind::Derived || $isGiven($this->x) || $given === []) {
            return null;
        }

        return $kinds[$given[0]] === ColumnKind::Time ? "{$given[0]} goes on by itself and belongs along x." : "{$given[0]} is what was set from reading to reading, and belongs along x.";
    }

    /** The same after a column has got another symbol. */
    public function renamed(string $from, string $to): self
    {
        $named = static fn (string $s): string => Symbols::base($s) === $from ? $to.substr($s, strlen($from)) : $s;

        return new self($named($this->x), $this->axis, array_map(static fn (FigurePanel $p): FigurePanel => $p->renamed($named), $this->panels), $this->points, $this->hasBars, $this->coloursBy, $this->caption);
    }

    /** @return array{x: string, panels: list<array{y: list<string>, axis?: array<string, mixed>, right?: list<string>, rightAxis?: array<string, mixed>}>, axis?: array<string, mixed>, points?: string, bars?: bool, coloursBy?: string, caption?: string} what is not as usual, with x and panels */
    public function toArray(): array
    {
        $panels = array_map(static fn (FigurePanel $p): array => $p->toArray(), $this->panels);

        return ['x' => $this->x, 'panels' => $panels] + array_filter(['axis' => $this->axis->toArray(), 'points' => $this->points, 'bars' => $this->hasBars, 'coloursBy' => $this->coloursBy, 'caption' => $this->caption]);
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Fitting\Relation;
use Welkion\Core\Straighten\Straightener;
use Welkion\Core\Straighten\Straightening;
use Welkion\Core\Straighten\Way;
use Welkion\Core\Working\ColumnInput;

/** Two columns of a run, or of the runs table, plotted in the ways that may make them straight. */
final readonly class Straightened
{
    /** Of more points so many, evenly taken, tell the ways apart as well, in the time a person waits. */
    private const MOST = 400;

    /**
     * @param  list<Way>  $ways  the best first
     * @param  int  $n  points that count
     * @param  int  $looked  of them that were looked at
     */
    private function __construct(public array $ways, public Straightening $result, public int $n, public int $looked, private ColumnInput $x, private ColumnInput $y)
    {
    }

    /**
     * @param  string  $x  symbol
     * @param  string  $y  symbol
     *
     * @throws CoreException If there are too few points, or a column cannot be worked out; the message says why.
     */
    public static function of(WorkedNotebook $in, int $run, string $x, string $y): self
    {
        $columns = (new RowsForLine($in))->columns(new Line('', '', '', true), $in->notebook->areOfRuns($x, $y) ? null : $run, ['x' => $x, 'y' => $y], false);
        if (is_string($columns)) {
            throw new InvalidQuantity($columns);
        }
        $n = count($columns['x']->values);
        $places = [];
        for ($i = 0, $most = min($n, self::MOST); $i < $most; $i++) {
            $places[] = intdiv($i * $n, $most);
        }
        [$of, $to] = [$columns['x']->only($places), $columns['y']->only($places)];
        $result = (new Straightener)->straighten($of->values, $to->values, $of->unit, $to->unit);

        return new self(array_map(static fn ($candidate): Way => Way::of($candidate, $result->best(), $of, $to), $result->candidates), $result, $n, count($places), $of, $to);
    }

    /** @throws InvalidQuantity If it was not among those that could be tried. */
    public function way(Relation $relation): Way
    {
        foreach ($this->ways as $way) {
            if ($way->candidate->relation === $relation) {
                return $way;
            }
        }
        throw new InvalidQuantity("{$this->y->name} against {$this->x->name} cannot be plotted as \"{$relation->value}\": ".Relation::about($this->result->skipped[$relation->value] ?? 'it is none of the ways.', $this->x->name, $this->y->name));
    }

    /** @return list<array{string, string|null}> what keeps further ways from being tried, each once; with the symbol of the column that should be in kelvin for them */
    public function skipped(): array
    {
        $reasons = [];
        foreach (array_diff(array_unique($this->result->skipped), [Straightener::NOT_FITTED]) as $reason) {
            $of = str_ends_with($reason, Straightener::NEEDS_KELVIN) ? ($reason[0] === 'x' ? $this->x->name : $this->y->name) : null;
            $reasons[] = [Relation::about($reason, $this->x->name, $this->y->name), $of];
        }

        return $reasons;
    }
}

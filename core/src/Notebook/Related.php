<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Fitting\ConstantValues;
use Welkion\Core\Fitting\Curve;
use Welkion\Core\Fitting\Methods\RelationFit;
use Welkion\Core\Fitting\RelationSearch;
use Welkion\Core\Fitting\TriedRelation;
use Welkion\Core\Series\Thinning;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\CommonSources;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Outcome;

/** Two columns of a run, or a span of it, or of the runs table, looked at for the relation between them: nothing is kept. */
final readonly class Related
{
    /** Of more points so many tell the relations apart as well, in the time a person waits. */
    private const MOST = 200;

    /** And so many the constants of one of them. */
    private const MOST_OF_ONE = 2000;

    private const DRAWN_POINTS = 120;

    private function __construct(private ColumnInput $x, private ColumnInput $y, public int $n, public int $setAside)
    {
    }

    /**
     * @param  string  $x  symbol
     * @param  string  $y  symbol
     * @param  Span|null  $span  along x; null: all of the run
     *
     * @throws CoreException If a column cannot be worked out; the message says why.
     */
    public static function of(WorkedNotebook $in, int $run, string $x, string $y, ?Span $span): self
    {
        $ofRun = $in->notebook->areOfRuns($x, $y) ? null : $run;
        $columns = (new RowsForLine($in))->columns(new Line('', '', '', true, span: $span), $ofRun, ['x' => $x, 'y' => $y], $span !== null);
        if (is_string($columns)) {
            throw new InvalidQuantity($columns);
        }

        return new self($columns['x'], $columns['y'], count($columns['x']->values), $ofRun === null ? self::runsAside($in->notebook) : self::setAside($in, $run, $y, $x, $span));
    }

    /** Points that are looked at when many relations are compared. */
    public function looked(): int
    {
        return count(Thinning::places($this->n, self::MOST));
    }

    /** @return array{list<float>, list<float>} x and y of those */
    public function points(): array
    {
        $places = Thinning::places($this->n, self::MOST);

        return [$this->x->only($places)->values, $this->y->only($places)->values];
    }

    /**
     * @return list<TriedRelation> the best first
     *
     * @throws CoreException If there are too few points.
     */
    public function relations(): array
    {
        $places = Thinning::places($this->n, self::MOST);

        return (new RelationSearch)->among($this->x->only($places), $this->y->only($places));
    }

    /**
     * One relation or formula, as a line of working would have it.
     *
     * @param  array<string, string>  $texts  what the method is given: relation or formula, held, start
     * @return array{Outcome, int} and how many points were looked at
     *
     * @throws CoreException If there is no answer; the message says why.
     */
    public function one(array $texts): array
    {
        $places = Thinning::places($this->n, self::MOST_OF_ONE);
        $inputs = new Inputs(['x' => $this->x->only($places), 'y' => $this->y->only($places)], texts: array_filter($texts, static fn (string $t): bool => $t !== ''));

        return [CommonSources::work(new RelationFit, $inputs), count($places)];
    }

    /**
     * The curve where its constants have the values a search would begin with.
     *
     * @param  array<string, string>  $texts  as above
     *
     * @throws CoreException If one is no constant of it.
     */
    public function begun(array $texts): ?Mark
    {
        $values = ConstantValues::parse($texts['start'] ?? '') + ConstantValues::parse($texts['held'] ?? '');
        $curve = RelationFit::curve($texts['relation'] ?? '', $texts['formula'] ?? '', $this->x->name);
        if (array_diff($curve->constants, array_keys($values)) !== [] || $this->n < 2) {
            return null;
        }
        $at = Curve::places($this->x->values, self::DRAWN_POINTS);
        $model = $curve->over($at)->at(array_map(static fn (string $name): float => $values[$name], $curve->constants));

        return Mark::curve($at, $model[0], 'begun');
    }

    /** @return list<string> free constants of what is asked for, those that are held too */
    public function constants(string $relation, string $formula): array
    {
        return RelationFit::curve($relation, $formula, $this->x->name)->constants;
    }

    private static function runsAside(Notebook $notebook): int
    {
        return count(array_filter($notebook->runs, static fn (Run $run): bool => $run->aside !== null));
    }

    private static function setAside(WorkedNotebook $in, int $run, string $y, string $x, ?Span $span): int
    {
        $data = $in->data($run);
        $aside = array_reduce(array_intersect_key($data->asideOf, [$x => true, $y => true]), static fn (array $all, array $of): array => $all + $of, $data->aside);
        $along = $in->column($x, $run)->cells;

        return count(array_filter(array_keys($aside), static fn (int $row): bool => $span === null || $along === null
            || (($along->values[$row] ?? NAN) >= $span->from && $along->values[$row] <= $span->to)));
    }
}

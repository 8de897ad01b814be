<?php

declare(strict_types=1);

namespace Welkion\Core\Titration\Methods;

use Welkion\Core\Exception\NotEnoughPoints;
use Welkion\Core\Titration\EquivalenceFinder;
use Welkion\Core\Titration\EquivalencePoint;
use Welkion\Core\Titration\TitrationCurve;
use Welkion\Core\Titration\TitrationWarnings;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Explanation;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\KnowsItsSources;
use Welkion\Core\Working\Mark;
use Welkion\Core\Working\Mathematics;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;

/** The volume at which a titration curve jumps. An electrode whose zero or slope is a little off jumps at the same volume. */
final readonly class Equivalence implements KnowsItsSources, Method
{
    public function __construct(private EquivalenceFinder $finder = new EquivalenceFinder)
    {
    }

    public function declaration(): Declaration
    {
        return new Declaration(
            'equivalence', 'Equivalence volume', 'The added volume at which the second derivative of pH changes sign, read from a curve through the points around it.',
            'Skoog, West, Holler and Crouch, Fundamentals of Analytical Chemistry, 9th edition, 21G-4; Gran, Analyst 77 (1952) 661.',
            [Slot::column('x', 'The added volume', 'mL'), Slot::column('y', 'pH', 'pH'), Slot::span('span', 'Where to look for the jump')],
            ['volume' => 'Equivalence volume', 'pH' => 'pH there'],
        );
    }

    public function work(Inputs $inputs): Outcome
    {
        [$x, $y] = [$inputs->column('x'), $inputs->column('y')];
        $symbol = Mathematics::symbol(...);
        $explanation = new Explanation(Mathematics::equals(Mathematics::derivative(2, $symbol($y->name), $symbol($x->name)), Mathematics::number('0')));
        $formula = "d²({$y->name})/d{$x->name}² = 0";
        $millilitres = Unit::parse('mL');
        try {
            $curve = TitrationCurve::of(array_map(static fn (float $v): float => $x->unit->convert($v, $millilitres), $x->values), $y->values);
        } catch (NotEnoughPoints) {
            return Outcome::needs('At least '.TitrationCurve::MIN_POINTS.' readings at different volumes are needed. Record a run first.', $formula, $explanation);
        }
        $span = $inputs->span('span');
        $all = $this->finder->find($curve);
        $inside = $span === null ? $all : array_values(array_filter($all, static fn (EquivalencePoint $p): bool => $p->volume->value >= $x->unit->convert($span[0], $millilitres)
            && $p->volume->value <= $x->unit->convert($span[1], $millilitres)));
        if ($inside === []) {
            return Outcome::needs($span !== null ? 'No jump lies inside the span. Move it over the steep part, or clear it.'
                : 'No jump stands out from the noise yet. Take readings past the steep part.', $formula, $explanation);
        }
        $point = $inside[0];
        $volume = Measured::of($point->volume->value, $point->volume->uncertainty, $millilitres, $inputs->source('steps and scatter at the jump'))->in($x->unit);

        return Outcome::of(
            ['volume' => $volume, 'pH' => Measured::of($point->ph, $y->largestUncertainty(), $y->unit, $inputs->source("reading of {$y->name}"))],
            $formula,
            warnings: self::warnings($curve, $point, count($all), $span !== null),
            marks: array_map(static fn (EquivalencePoint $p): Mark => Mark::vertical($p->volume->in($x->unit)->value, $p === $point ? 'equivalence' : 'another jump'), $all),
            explanation: $explanation,
            method: sprintf('second derivative of pH changes sign between %.2F and %.2F mL, read from a curve through the points around it; pH %.1F there', $point->from, $point->to, $point->ph),
        );
    }

    /** @return list<Warning> */
    private static function warnings(TitrationCurve $curve, EquivalencePoint $point, int $jumpCount, bool $hasSpan): array
    {
        $several = $jumpCount < 2 || $hasSpan ? [] : [new Warning('several-jumps', "{$jumpCount} jumps were found.", 'This line uses the first. Drag a span over the one you mean.')];

        return [...TitrationWarnings::slips($curve), ...$several, ...array_filter([TitrationWarnings::coarse($point)])];
    }
}

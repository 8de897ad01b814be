<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Fitting\Methods\RelationFit;
use Welkion\Core\Fitting\Methods\Slope;
use Welkion\Core\Formula\Methods\Accepted;
use Welkion\Core\Formula\Methods\FormulaMethod;
use Welkion\Core\Formula\Methods\TwoRuns;
use Welkion\Core\Series\Methods\Area;
use Welkion\Core\Series\Methods\Constancy;
use Welkion\Core\Series\Methods\Difference;
use Welkion\Core\Series\Methods\Ends;
use Welkion\Core\Series\Methods\Statistics;
use Welkion\Core\Series\Methods\Tangent;
use Welkion\Core\Series\Methods\ValueAt;
use Welkion\Core\Series\Methods\XAt;
use Welkion\Core\Titration\Methods\Equivalence;
use Welkion\Core\Titration\Methods\FinerSteps;
use Welkion\Core\Titration\Methods\HalfWay;
use Welkion\Core\Titration\Methods\RefinedEquivalence;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\NamesItsOutcomes;

/** The one place where methods are listed. */
final class Methods
{
    /** @return list<Method> */
    public static function all(): array
    {
        return [
            new FormulaMethod, new Statistics, new Slope, new Area, new ValueAt, new XAt, new Difference, new Ends, new Tangent, new Constancy, new RelationFit, new Accepted, new TwoRuns,
            new Equivalence, new HalfWay, new RefinedEquivalence, new FinerSteps,
        ];
    }

    /** @return array<string, string> what the outcomes of a line are, by name; what is not among them is called by its name */
    public static function outcomeWords(Line $line): array
    {
        $method = self::find($line->method);

        return ($method instanceof NamesItsOutcomes ? $method->outcomeWords($line->texts) : []) + ($method?->declaration()->outcomes ?? []);
    }

    public static function find(string $key): ?Method
    {
        foreach (self::all() as $method) {
            if ($method->declaration()->key === $key) {
                return $method;
            }
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Fitting;

use Welkion\Core\Formula\Node\Call;
use Welkion\Core\Formula\Node\FunctionName;
use Welkion\Core\Formula\Node\Name;
use Welkion\Core\Formula\Node\Negation;
use Welkion\Core\Formula\Node\Node;
use Welkion\Core\Formula\Node\Number;
use Welkion\Core\Formula\Node\Operation;
use Welkion\Core\Formula\Node\Operator;
use Welkion\Core\Formula\PhysicalConstants;
use Welkion\Core\Units\Unit;

/**
 * The units the constants of a curve must have, so that the curve has the unit of y.
 *
 * Each constant's unit is y to some power times x to some power. Every sum and every exponent in the formula is
 * one linear equation in these powers; a formula that hides units in its plain numbers has no solution.
 *
 * @internal used by CurveFitter alone
 */
final class ConstantUnits
{
    /** @var list<array<string, float>> linear forms in the powers that must be zero */
    private array $equations = [];

    /** @param  array<string, float>  $values  of the constants, for those that stand in an exponent */
    private function __construct(private readonly array $values)
    {
    }

    /**
     * @param  list<float>  $values  of the constants
     * @return array<string, Unit|null> by constant, those held too; null where the formula leaves it open
     */
    public static function of(Curve $curve, array $values, Unit $x, Unit $y): array
    {
        $finder = new self(array_combine($curve->constants, $values) + $curve->held);
        $form = $finder->form($curve->formula->tree);
        $finder->equal($form, ['y' => 1.0]);
        $names = [...$curve->constants, ...array_keys($curve->held)];
        $powers = $finder->solved($names);
        $units = [];
        foreach ($names as $name) {
            $power = $powers[$name] ?? null;
            $units[$name] = match (true) {
                $power === null => null,
                $power === [1.0, 0.0] && $curve->isAdded($name) => $y,
                default => self::written($y->difference()->toPower($power[0])->times($x->difference()->toPower($power[1]))),
            };
        }

        return $units;
    }

    /** As people would rather read it, if the number in front stays the same: the curve is worked out with it. */
    private static function written(Unit $unit): Unit
    {
        $simple = $unit->simplified();

        return abs($unit->convertDifference(1.0, $simple) - 1.0) < 1e-12 ? $simple : $unit;
    }

    /** @return array<string, float> powers of x, y and the unknown units of the constants */
    private function form(Node $node): array
    {
        return match (true) {
            $node instanceof Name => $node->symbol !== Curve::VARIABLE && ! isset($this->values[$node->symbol])
                && PhysicalConstants::find($node->symbol) !== null ? [] : [$node->symbol => 1.0],
            $node instanceof Negation => $this->form($node->of),
            $node instanceof Operation => $this->ofOperation($node),
            $node instanceof Call => $this->ofCall($node),
            default => [],
        };
    }

    /** @return array<string, float> */
    private function ofOperation(Operation $node): array
    {
        $left = $this->form($node->left);
        $right = $this->form($node->right);
        switch ($node->operator) {
            case Operator::Plus:
            case Operator::Minus:
                $this->equal($left, $right);

                return $left;
            case Operator::Times:
                return self::sum($left, $right, 1.0);
            case Operator::Over:
                return self::sum($left, $right, -1.0);
            case Operator::Power:
                $this->equal($right, []);
                $exponent = match (true) {
                    $node->right instanceof Number => $node->right->value,
                    $node->right instanceof Negation && $node->right->of instanceof Number => -$node->right->of->value,
                    $node->right instanceof Name => $this->values[$node->right->symbol] ?? 0.0,
                    default => 0.0,
                };

                return array_map(static fn (float $power): float => $power * $exponent, $left);
        }
    }

    /** @return array<string, float> */
    private function ofCall(Call $node): array
    {
        $inner = $this->form($node->arguments[0]);

        return match ($node->function) {
            FunctionName::Sqrt => array_map(static fn (float $power): float => $power / 2.0, $inner),
            FunctionName::Abs => $inner,
            // A logarithm takes the number as it stands in its unit.
            FunctionName::Ln, FunctionName::Log10 => [],
            default => $this->plain($inner),
        };
    }

    /**
     * @param  array<string, float>  $form
     * @return array<string, float>
     */
    private function plain(array $form): array
    {
        $this->equal($form, []);

        return [];
    }

    /**
     * @param  array<string, float>  $a
     * @param  array<string, float>  $b
     */
    private function equal(array $a, array $b): void
    {
        $this->equations[] = self::sum($a, $b, -1.0);
    }

    /**
     * @param  array<string, float>  $a
     * @param  array<string, float>  $b
     * @return array<string, float>
     */
    private static function sum(array $a, array $b, float $sign): array
    {
        foreach ($b as $name => $power) {
            $a[$name] = ($a[$name] ?? 0.0) + $sign * $power;
        }

        return $a;
    }

    /**
     * Gauss-Jordan elimination over the constants.
     *
     * @param  list<string>  $names
     * @return array<string, array{float, float}> powers of y and x by constant; empty if the equations contradict
     */
    private function solved(array $names): array
    {
        $rows = $this->equations;
        $pivots = [];
        foreach ($names as $name) {
            foreach ($rows as $i => $row) {
                if (! in_array($i, $pivots, true) && abs($row[$name] ?? 0.0) > 1e-9) {
                    $pivots[$name] = $i;
                    $rows[$i] = $row = array_map(static fn (float $v): float => $v / $row[$name], $row);
                    foreach ($rows as $j => $other) {
                        if ($j !== $i && isset($other[$name])) {
                            $rows[$j] = self::sum($other, $row, -$other[$name]);
                        }
                    }

                    break;
                }
            }
        }
        $found = [];
        foreach ($rows as $i => $row) {
            $name = array_search($i, $pivots, true);
            $rest = array_filter($row, static fn (float $v, string $key): bool => abs($v) > 1e-9 && $key !== $name, ARRAY_FILTER_USE_BOTH);
            if ($name === false && $rest !== []) {
                return [];
            }
            if ($name !== false && array_diff(array_keys($rest), ['x', 'y']) === []) {
                $found[$name] = [-($row['y'] ?? 0.0) + 0.0, -($row['x'] ?? 0.0) + 0.0];
            }
        }

        return $found;
    }
}

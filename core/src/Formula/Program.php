<?php

declare(strict_types=1);

namespace Welkion\Core\Formula;

use Welkion\Core\Formula\Node\Call;
use Welkion\Core\Formula\Node\FunctionName;
use Welkion\Core\Formula\Node\Name;
use Welkion\Core\Formula\Node\Negation;
use Welkion\Core\Formula\Node\Node;
use Welkion\Core\Formula\Node\Number;
use Welkion\Core\Formula\Node\Operation;
use Welkion\Core\Formula\Node\Operator;

/**
 * One or more trees as a list of steps over whole columns; a part they share is worked out once.
 *
 * A fit runs the same steps many times with other constants: the value of y and its derivatives by every
 * constant come from one pass. Nothing is ever handed to eval.
 *
 * Cf. value numbering: Aho, Lam, Sethi and Ullman, Compilers, 2nd edition, 6.1.2.
 */
final class Program
{
    /** @var array<string, int> text of a step to its index */
    private array $known = [];

    /** @var list<Number|Name|array{Operator|FunctionName|null, list<int>}> null negates */
    private array $steps = [];

    /** @var list<int> */
    private array $outputs = [];

    /** @param  list<Node>  $trees  without units on their numbers */
    public function __construct(array $trees)
    {
        foreach ($trees as $tree) {
            $this->outputs[] = $this->step($tree);
        }
    }

    /**
     * @param  array<string, float|list<float>>  $values  for every name; columns all of one length
     * @return list<float|list<float>> one for each tree; a number where a tree rests on no column
     */
    public function run(array $values): array
    {
        $results = [];
        foreach ($this->steps as $step) {
            if (! is_array($step)) {
                $results[] = $step instanceof Number ? $step->value : $values[$step->symbol];

                continue;
            }
            [$what, $from] = $step;
            if ($what instanceof Operator) {
                $results[] = Arithmetic::apply($what, $results[$from[0]], $results[$from[1]]);
            } elseif ($what === null) {
                $results[] = Arithmetic::apply(Operator::Times, $results[$from[0]], -1.0);
            } elseif (count($from) === 1) {
                $results[] = Functions::apply($what, [$results[$from[0]]]);
            } else {
                $results[] = Functions::apply($what, array_map(static fn (int $i): float|array => $results[$i], $from));
            }
        }

        return array_map(static fn (int $output): float|array => $results[$output], $this->outputs);
    }

    private function step(Node $node): int
    {
        if ($node instanceof Number) {
            return $this->numbered('#'.bin2hex(pack('E', $node->value)), $node);
        }
        if ($node instanceof Name) {
            return $this->numbered('$'.$node->symbol, $node);
        }
        if ($node instanceof Negation) {
            $of = $this->step($node->of);

            return $this->numbered("-{$of}", [null, [$of]]);
        }
        if ($node instanceof Operation) {
            $from = [$this->step($node->left), $this->step($node->right)];

            return $this->numbered($from[0].$node->operator->value.$from[1], [$node->operator, $from]);
        }
        assert($node instanceof Call);
        $from = array_map($this->step(...), $node->arguments);

        return $this->numbered($node->function->value.'('.implode(',', $from).')', [$node->function, $from]);
    }

    /** @param  Number|Name|array{Operator|FunctionName|null, list<int>}  $step */
    private function numbered(string $text, Number|Name|array $step): int
    {
        if (! isset($this->known[$text])) {
            $this->known[$text] = count($this->steps);
            $this->steps[] = $step;
        }

        return $this->known[$text];
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\SlotKind;

/**
 * What a result is in the runs a line names, with the sources it has in common with that of the other run.
 *
 * @internal used by LineWork
 */
final readonly class ResultsOfRuns
{
    public function __construct(private WorkedNotebook $worked)
    {
    }

    /**
     * @return array{array<string, Measured>, string|null} by the slot of the run, and what is missing of them
     *
     * @throws InvalidQuantity If what is read has no value for each run.
     */
    public function numbers(Line $line, Declaration $declaration): array
    {
        $numbers = [];
        $symbol = '';
        foreach ($declaration->inputs as $slot) {
            if ($slot->kind === SlotKind::Result) {
                $symbol = $line->uses[$slot->name] ?? '';
                $symbol === '' || $this->worked->notebook->isPerRun($symbol) || throw new InvalidQuantity("\"{$symbol}\" has no value for each run. Choose an entry or a line that has.");
            }
            if ($slot->kind !== SlotKind::Run || $symbol === '' || ($line->texts[$slot->name] ?? '') === '') {
                continue;
            }
            $value = $this->in($line->texts[$slot->name], $symbol);
            if (is_string($value)) {
                return [[], $value];
            }
            $numbers[$slot->name] = $value;
        }

        return [$numbers, null];
    }

    private function in(string $number, string $symbol): Measured|string
    {
        $run = $this->worked->notebook->runNumbered(ctype_digit($number) ? (int) $number : null);
        if ($run === null) {
            return "There is no run {$number} (any more). Record it, or choose another.";
        }
        if ($run->aside !== null) {
            return "Run {$number} is set aside. Take it back, or choose another.";
        }

        return Value::of($this->worked, $symbol, $run->id)->measured ?? "Run {$number} has no {$symbol} yet.";
    }
}

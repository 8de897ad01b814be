<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\CoreException;
use Welkion\Core\Formula\Formula;
use Welkion\Core\Formula\Look;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Warning;

/** What a person may have done by mistake in the formula of a line: asked when it is told, as it rests on lines the formula does not name. */
final class Doubts
{
    /** A number with fewer digits may as well be any other. */
    private const LEAST_DIGITS = 3;

    /** Differences below this part are none. */
    private const ROUNDING = 1e-9;

    /** @var array<string, Formula|null> by text: a line of each run has one for all */
    private array $formulas = [];

    public function __construct(private readonly WorkedNotebook $worked)
    {
    }

    /** @return list<Warning> */
    public function of(Line $line, ?int $run): array
    {
        if ($line->method !== 'formula') {
            return [];
        }
        $formula = $this->formula($line->texts['formula'] ?? '');

        return $formula === null ? [] : [...$this->extremes($formula, $run), ...$this->rounded($line, $formula, $run)];
    }

    /** Whether another result may raise a doubt of this line, or settle one, though its formula does not use it: a number is typed in it. */
    public function watchesOthers(Line $line, ?int $run): bool
    {
        $formula = $line->method === 'formula' ? $this->formula($line->texts['formula'] ?? '') : null;

        return $formula !== null && $this->typed($formula, $run) !== [];
    }

    /** Null where it cannot be read. */
    private function formula(string $text): ?Formula
    {
        if (! array_key_exists($text, $this->formulas)) {
            try {
                $this->formulas[$text] = Formula::parse($text);
            } catch (CoreException) {
                $this->formulas[$text] = null;
            }
        }

        return $this->formulas[$text];
    }

    /** @return list<Warning> where a largest and a smallest value are taken for an end and a start */
    private function extremes(Formula $formula, ?int $run): array
    {
        $warnings = [];
        foreach (Look::ranges($formula) as $symbol) {
            $of = $this->worked->notebook->lines[$symbol] ?? null;
            $column = $of->uses['column'] ?? null;
            if ($of === null || $column === null) {
                continue;
            }
            $cells = (new RowsForLine($this->worked))->columns($of, $of->isPerRun ? $run : null, ['y' => $column], $of->span !== null);
            [$values, $unit] = is_string($cells) ? [[], ''] : [$cells['y']->values, $cells['y']->unit->difference()->symbol];
            if (count($values) < 2) {
                continue;
            }
            [$change, $range] = [$values[count($values) - 1] - $values[0], max($values) - min($values)];
            if (abs(abs($change) - $range) > self::ROUNDING * $range) {
                $warnings[] = new Warning('extremes', "The largest less the smallest {$column} is not its end less its start.",
                    sprintf('They differ by %s, end and start by %s. If a change is meant, use “Start, end and change”.', trim(Digits::plain($range)." {$unit}"), trim(Digits::plain($change)." {$unit}")));
            }
        }

        return $warnings;
    }

    /** @return list<Warning> where the result of another line is typed with fewer digits than it has */
    private function rounded(Line $line, Formula $formula, ?int $run): array
    {
        $typed = $this->typed($formula, $run);
        foreach ($typed === [] ? [] : $this->worked->notebook->lines as $other) {
            $result = $other->symbol === $line->symbol || ($other->isPerRun && $run === null) ? null : $this->worked->line($other->symbol, $other->isPerRun ? $run : null)->result();
            foreach ($typed as $number) {
                if ($result !== null && self::isRounded($number, $result)) {
                    return [new Warning('rounded', Digits::exact($number)." is the result of {$this->worked->notebook->numberOf($other->symbol)}, rounded.",
                        "Use its symbol {$other->symbol} instead: then all its digits count, its ± too, and it follows when something changes.")];
                }
            }
        }

        return [];
    }

    /** @return array<float> numbers that are typed in it or in entries it uses, of so many digits that they may be a result */
    private function typed(Formula $formula, ?int $run): array
    {
        $typed = Look::numbers($formula);
        foreach ($formula->symbols() as $symbol) {
            $value = isset($this->worked->notebook->entries[$symbol]) ? Value::of($this->worked, $symbol, $run)?->measured : null;
            $typed = $value === null ? $typed : [...$typed, $value->value];
        }

        return array_filter($typed, static fn (float $number): bool => self::digits($number) >= self::LEAST_DIGITS);
    }

    private static function isRounded(float $number, Measured $result): bool
    {
        return abs($number - $result->value) > self::ROUNDING * abs($number)
            && (float) sprintf('%.'.self::digits($number).'g', $result->value) === $number;
    }

    /** Significant digits of a number as it is typed: 3 of 0.0112; noughts at the end of 1200 are none. */
    private static function digits(float $number): int
    {
        return strlen(rtrim(ltrim(strtr(explode('e', strtolower((string) json_encode(abs($number))))[0], ['.' => '']), '0'), '0'));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Column;
use Illuminate\Support\Collection;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\WorkedColumn;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Uncertainty\Measured;

/** The cells of a row as they are shown: with the digits their column asks for, or their ± allows, or with which they were typed. */
final readonly class CellsShape
{
    /** Significant digits of a middling value that was worked out of exact ones; all of them are told beside it. */
    private const WORKED_OUT_DIGITS = 4;

    private const MOST_DECIMALS = 9;

    /** @var array<string, int> by symbol; none where the ± says */
    private array $decimals;

    /** @var array<string, true> by symbol: as many decimals as were typed, and more where a number has more */
    private array $isTyped;

    /**
     * @param  array<string, WorkedColumn>  $worked  by symbol
     * @param  Collection<int, Column>  $columns
     * @param  array<string, int>  $typed  decimals of what was typed, by symbol
     */
    public function __construct(private array $worked, Collection $columns, array $typed = [])
    {
        $decimals = $typed;
        foreach ($columns as $column) {
            $own = $column->decimals ?? ($column->kind === ColumnKind::Derived ? self::ofExact($worked[$column->symbol] ?? null) : null);
            // Of a column that is set from step to step they say how finely it is set.
            if ($own !== null && $column->kind !== ColumnKind::Step) {
                $decimals[$column->symbol] = $own;
            }
        }
        $this->decimals = $decimals;
        $asked = array_filter($columns->pluck('decimals', 'symbol')->all(), is_int(...));
        $this->isTyped = array_fill_keys(array_keys(array_diff_key($typed, $asked)), true);
    }

    /** @return array<string, array{value: float, uncertainty: float, shown: string}|null> by symbol; null for a blank */
    public function at(int $place): array
    {
        $cells = [];
        foreach ($this->worked as $symbol => $column) {
            $value = $column->cells->values[$place] ?? NAN;
            $error = $column->cells?->uncertainty($place) ?? 0.0;
            $cells[$symbol] = $column->cells === null || ! is_finite($value) || ! is_finite($error) ? null : [
                'value' => $value, 'uncertainty' => $error,
                'shown' => $this->fixed($symbol, $value) ?? Digits::of(Measured::of($value, $error, $column->cells->unit))->value,
            ];
        }

        return $cells;
    }

    /** With the decimals of its column; null where it has none, or where a typed number would lose digits by them: 25 mL is 0.025 L. */
    private function fixed(string $symbol, float $value): ?string
    {
        if (! isset($this->decimals[$symbol])) {
            return null;
        }
        $shown = Digits::fixed($value, $this->decimals[$symbol]);

        return isset($this->isTyped[$symbol]) && abs((float) $shown - $value) > 1e-9 * abs($value) ? null : $shown;
    }

    /** A value of a column with its digits, or with some more. */
    public function shown(string $symbol, float $value, int $more = 0): string
    {
        return isset($this->decimals[$symbol]) ? Digits::fixed($value, $this->decimals[$symbol] + $more) : Digits::round((float) sprintf('%.6g', $value));
    }

    /** Of a column worked out of what has no ±: enough for its middling value; null where there is a ±. */
    private static function ofExact(?WorkedColumn $worked): ?int
    {
        $cells = $worked?->cells;
        if ($cells === null || $cells->largestUncertainty() > 0.0) {
            return null;
        }
        $sizes = array_values(array_filter(array_map(abs(...), $cells->values), static fn (float $v): bool => is_finite($v) && $v > 0.0));
        sort($sizes);

        return $sizes === [] ? 0 : max(0, min(self::MOST_DECIMALS, self::WORKED_OUT_DIGITS - 1 - (int) floor(log10($sizes[intdiv(count($sizes), 2)]))));
    }
}

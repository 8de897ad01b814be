<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Column;
use App\Models\Run;
use App\Models\TypedColumn;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Exception\UnitMismatch;
use Welkion\Core\Samples\Packed;
use Welkion\Core\Units\Unit;

/**
 * Typed values in another unit. Those that were typed stay, in the edition before; so undo brings back each as it was, to the
 * last digit.
 */
final class UnitChange
{
    /**
     * @return array{edition: int, uncertainty: float} what of the column is another now
     *
     * @throws CoreException If the new unit is not known, or measures something else.
     */
    public static function converted(Column $column, string $to): array
    {
        [$from, $into] = [Unit::ofHeader($column->unit), Unit::ofHeader($to)];
        $from->convert(1.0, $into);
        $edition = 1 + (int) TypedColumn::query()->where('column_id', $column->id)->max('edition');
        $runs = Run::query()->where('experiment_id', $column->experiment_id)->select('id');
        $before = TypedColumn::query()->where('column_id', $column->id)->where('edition', $column->edition);
        $before->whereIn('run_id', $runs);
        foreach ($before->get() as $typed) {
            $numbers = array_map(static fn (float $v): float => is_finite($v) ? self::clean($from->convert($v, $into)) : NAN, $typed->values());
            $decimals = self::decimals($typed->decimals, $from->convertDifference(1.0, $into));
            TypedColumn::query()->create(['run_id' => $typed->run_id, 'column_id' => $column->id, 'edition' => $edition, 'numbers' => Packed::of($numbers), 'texts' => $typed->texts, 'decimals' => $decimals]);
        }

        return ['edition' => $edition, 'uncertainty' => self::clean($from->convertDifference($column->uncertainty, $into))];
    }

    /** Whether numbers can be converted from the one unit into the other. */
    public static function isPossible(string $from, string $to): bool
    {
        try {
            Unit::ofHeader($from)->convert(1.0, Unit::ofHeader($to));

            return true;
        } catch (UnitMismatch) {
            return false;
        }
    }

    /** As many digits as before: 12.5 mL is 0.0125 L. */
    private static function decimals(int $typed, float $factor): int
    {
        return max(0, min(9, $typed - (int) floor(log10(abs($factor)) + 1e-9)));
    }

    /** Conversion leaves last digits that nobody typed. */
    private static function clean(float $value): float
    {
        return (float) sprintf('%.14g', $value);
    }
}

<?php

declare(strict_types=1);

namespace App\Calibration;

use App\Models\Calibration;
use Welkion\Core\Calibration\ProbeModel;
use Welkion\Core\Calibration\Recipe;
use Welkion\Core\Calibration\Standard;
use Welkion\Core\Calibration\StandardSource;

/**
 * The standards of a calibration in the form they are kept.
 *
 * @phpstan-import-type StandardRow from Calibration
 */
final class StandardRows
{
    /** @return list<StandardRow> what a recipe begins with */
    public static function usual(Recipe $recipe, ProbeModel $model): array
    {
        return self::asExamples($recipe, array_map(static fn (Standard $s): array => self::row($s), $recipe->standards($model->kind, $model->unit)));
    }

    /**
     * The same rows; what is read beside the probe has to be typed anew.
     *
     * @param  list<StandardRow>  $rows
     * @return list<StandardRow>
     */
    public static function asExamples(Recipe $recipe, array $rows): array
    {
        return array_map(static fn (array $row): array => [
            'isExample' => $recipe->isReadBeside() && $row['source'] === StandardSource::Typed->value,
        ] + $row, $rows);
    }

    /** @return StandardRow */
    public static function row(Standard $standard, ?int $shelfId = null): array
    {
        return [
            'source' => $standard->source->value, 'code' => $standard->code, 'label' => $standard->label, 'value' => $standard->value,
            'uncertainty' => $standard->uncertainty, 'unit' => $standard->unit, 'shelfId' => $shelfId,
        ];
    }

    /**
     * Whether a reading taken in the one counts for the other.
     *
     * @param  StandardRow  $one
     * @param  StandardRow  $other
     */
    public static function areSame(array $one, array $other): bool
    {
        // What was read beside the probe may be typed after the reading, or corrected.
        $what = static fn (array $row): array => [
            $row['source'], $row['code'], $row['label'], $row['source'] === StandardSource::Typed->value ? null : (float) $row['value'],
        ];

        return $what($one) === $what($other);
    }
}

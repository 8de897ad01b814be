<?php

declare(strict_types=1);

namespace App\Typing;

use App\Models\Column;
use App\Models\Run;
use App\Models\TypedColumn;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Formats\ColumnKind;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Samples\Packed;
use Welkion\Core\Units\Unit;

/** A column of a file on its way into a column of the notebook. */
final readonly class TakenColumn
{
    private const MOST_DECIMALS = 6;

    /** So many values tell how many digits a column was written with. */
    private const LOOKED_AT = 200;

    public function __construct(private TableColumn $from, private Column $to)
    {
    }

    /** Its cells as rows of a run that are new. */
    public function into(Run $run, int $firstRow): void
    {
        $key = ['run_id' => $run->id, 'column_id' => $this->to->id, 'edition' => $this->to->edition];
        $typed = TypedColumn::query()->where($key)->get()->first() ?? new TypedColumn($key + ['numbers' => '', 'texts' => [], 'decimals' => 0]);
        $before = ($firstRow - 1) * Packed::BYTES;
        // Rows before it that have no cell in this column yet are blank.
        $typed->numbers = str_pad(substr($typed->numbers, 0, $before), $before, Packed::of([NAN])).Packed::of($this->numbers());
        $texts = $typed->texts;
        foreach ($this->texts() as $row => $text) {
            $texts[$firstRow - 1 + $row] = mb_substr($text, 0, 200);
        }
        $typed->texts = $texts;
        $typed->decimals = max($typed->decimals, $this->decimals());
        $typed->save();
    }

    /** @return list<float|string|null> its cells, from the first row of the file on */
    public function cells(int $rowCount): array
    {
        [$numbers, $texts] = [$this->numbers(), $this->texts()];
        $cells = [];
        for ($row = 1; $row <= $rowCount; $row++) {
            $number = $numbers[$row - 1] ?? NAN;
            $cells[] = isset($texts[$row]) ? mb_substr($texts[$row], 0, 200) : (is_finite($number) ? $number : null);
        }

        return $cells;
    }

    /** @return list<float> */
    private function numbers(): array
    {
        if ($this->to->is_words || $this->from->kind === ColumnKind::Text) {
            return [];
        }
        $unit = Unit::ofHeader($this->to->unit);
        $from = Unit::ofHeader($this->from->unit);
        if ($this->from->unit === '' || $from->symbol === $unit->symbol || ! self::isConvertible($from, $unit)) {
            return $this->from->values;
        }

        return array_map(static fn (float $v): float => is_finite($v) ? (float) sprintf('%.14g', $from->convert($v, $unit)) : NAN, $this->from->values);
    }

    /** @return array<int, string> by row from 1: words, and what is no number */
    private function texts(): array
    {
        if ($this->from->kind === ColumnKind::Text) {
            return array_filter($this->from->texts, static fn (string $t): bool => $t !== '');
        }
        $texts = [];
        foreach ($this->from->unreadable as $cell) {
            $texts[$cell->row] = $cell->text;
        }
        if ($this->to->is_words) {
            foreach ($this->from->values as $i => $value) {
                is_finite($value) && $texts[$i + 1] = (string) json_encode($value);
            }
        }

        return $texts;
    }

    public function decimals(): int
    {
        $most = 0;
        foreach (array_slice($this->numbers(), 0, self::LOOKED_AT) as $value) {
            $text = is_finite($value) ? (string) json_encode($value) : '';
            $point = strpos($text, '.');
            $most = $point === false || str_contains($text, 'e') ? $most : max($most, strlen($text) - $point - 1);
        }

        return min(self::MOST_DECIMALS, $this->from->kind === ColumnKind::DateTime ? 0 : $most);
    }

    private static function isConvertible(Unit $from, Unit $to): bool
    {
        try {
            $from->convert(1.0, $to);

            return true;
        } catch (CoreException) {
            // As a unit nobody knows: the number stays what it is in the file.
            return false;
        }
    }
}

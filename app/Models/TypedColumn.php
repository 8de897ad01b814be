<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Welkion\Core\Samples\Packed;

/**
 * What was typed into one column of a run, by row number from 1: numbers as one packed array, and beside it the few texts that
 * are none.
 *
 * @property int $id
 * @property int $run_id
 * @property int $column_id
 * @property int $edition
 * @property int $decimals
 * @property string $numbers
 * @property array<int, string> $texts
 */
final class TypedColumn extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** How many row numbers it reaches. */
    public function reach(): int
    {
        return intdiv(strlen($this->numbers), Packed::BYTES);
    }

    /** @return float|string|null a number, what is none, or nothing */
    public function cell(int $row): float|string|null
    {
        if (isset($this->texts[$row])) {
            return $this->texts[$row];
        }
        $number = $row < 1 || $row > $this->reach() ? NAN : Packed::numbers(substr($this->numbers, ($row - 1) * Packed::BYTES, Packed::BYTES))[0];

        return is_finite($number) ? $number : null;
    }

    /** @return list<float> of all rows by number, from the first; not a number where there is none */
    public function values(): array
    {
        return Packed::numbers($this->numbers);
    }

    /** @param  array<int, float|string|null>  $cells  by row number */
    public function put(array $cells): void
    {
        $reach = max([0, ...array_keys($cells)]);
        $numbers = $this->reach() < $reach ? $this->numbers.str_repeat(Packed::of([NAN]), $reach - $this->reach()) : $this->numbers;
        $texts = $this->texts;
        foreach ($cells as $row => $cell) {
            $bytes = pack('e', is_float($cell) ? $cell : NAN);
            for ($i = 0, $at = ($row - 1) * Packed::BYTES; $i < Packed::BYTES; $i++) {
                $numbers[$at + $i] = $bytes[$i];
            }
            unset($texts[$row]);
            is_string($cell) && $texts[$row] = $cell;
        }
        ksort($texts);
        $this->numbers = $numbers;
        $this->texts = $texts;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['run_id' => 'integer', 'column_id' => 'integer', 'edition' => 'integer', 'decimals' => 'integer', 'texts' => 'array'];
    }
}

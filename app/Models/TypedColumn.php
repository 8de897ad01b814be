<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Database\Query\Expression;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
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
 * @property int $reach
 * @property string $digest
 * @property int $revision
 */
final class TypedColumn extends Model
{
    /** All but the numbers, which are read when they are asked for: of most columns of a long table nobody does. */
    public const WITHOUT_NUMBERS = ['id', 'run_id', 'column_id', 'edition', 'decimals', 'texts', 'reach', 'digest', 'revision'];

    /** So many stretches of cells are written into what is stored; for more all of it is sent again. */
    private const MOST_STRETCHES = 16;

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<int, string> bytes of cells that were put in since it was read, by row number */
    private array $put = [];

    /**
     * What its numbers are known by: another one after each change, also after one that brings back what was before. Numbers
     * are read later than this, and whoever changes them in between must not have results kept for what was there.
     *
     * @return array{int, string, array<int, string>}
     */
    public function state(): array
    {
        return [$this->revision, $this->digest, $this->texts];
    }

    /** @param  array<string, mixed>  $options */
    public function save(array $options = []): bool
    {
        if (! $this->isDirty('numbers')) {
            return parent::save($options);
        }
        $numbers = $this->numbers;
        $reach = intdiv(strlen($numbers), Packed::BYTES);
        $stretches = $this->exists && $this->reach === $reach ? self::stretches($this->put) : [];
        $this->fill(['reach' => $reach, 'digest' => md5($numbers), 'revision' => (int) $this->revision + 1]);
        if ($stretches !== [] && count($stretches) <= self::MOST_STRETCHES) {
            $this->attributes['numbers'] = self::patched($stretches);
        }
        $isSaved = parent::save($options);
        $this->numbers = $numbers;
        $this->syncOriginalAttribute('numbers');
        $this->put = [];

        return $isSaved;
    }

    /**
     * Reads the numbers of those that came without.
     *
     * @param  array<self>  $columns
     */
    public static function readNumbers(array $columns): void
    {
        $without = array_filter($columns, static fn (self $c): bool => ! array_key_exists('numbers', $c->attributes));
        $numbers = $without === [] ? [] : self::query()->whereKey(array_map(static fn (self $c): int => $c->id, $without))->pluck('numbers', 'id');
        foreach ($without as $column) {
            $column->numbers = $numbers[$column->id] ?? '';
            $column->syncOriginalAttribute('numbers');
        }
    }

    /** @return float|string|null a number, what is none, or nothing */
    public function cell(int $row): float|string|null
    {
        if (isset($this->texts[$row])) {
            return $this->texts[$row];
        }
        $number = $row < 1 || $row > intdiv(strlen($this->numbers), Packed::BYTES) ? NAN : Packed::numbers(substr($this->numbers, ($row - 1) * Packed::BYTES, Packed::BYTES))[0];

        return is_finite($number) ? $number : null;
    }

    /** @return list<float> of all rows by number, from the first; not a number where there is none */
    public function values(): array
    {
        self::readNumbers([$this]);

        return Packed::numbers($this->numbers);
    }

    /**
     * Of some rows alone; of a long column no more is read than lies between them.
     *
     * @param  list<int>  $rows  numbers, from 1
     * @return list<float>
     */
    public function numbersIn(array $rows): array
    {
        if ($rows === []) {
            return [];
        }
        $first = min($rows);
        $numbers = Packed::numbers($this->bytes($first, max($rows) - $first + 1));

        return array_map(static fn (int $row): float => $numbers[$row - $first] ?? NAN, $rows);
    }

    private function bytes(int $firstRow, int $count): string
    {
        $at = ($firstRow - 1) * Packed::BYTES;
        if (array_key_exists('numbers', $this->attributes)) {
            return substr($this->numbers, $at, $count * Packed::BYTES);
        }
        $stored = self::query()->whereKey($this->id)->value(DB::raw(sprintf('SUBSTRING(numbers, %d, %d)', $at + 1, $count * Packed::BYTES)));

        return is_string($stored) ? $stored : '';
    }

    /** @param  array<int, float|string|null>  $cells  by row number */
    public function put(array $cells): void
    {
        $reach = $cells === [] ? 0 : max(array_keys($cells));
        $numbers = str_pad($this->numbers, $reach * Packed::BYTES, Packed::of([NAN]));
        $texts = $this->texts;
        foreach ($cells as $row => $cell) {
            $bytes = pack('e', is_float($cell) ? $cell : NAN);
            for ($i = 0, $at = ($row - 1) * Packed::BYTES; $i < Packed::BYTES; $i++) {
                $numbers[$at + $i] = $bytes[$i];
            }
            $this->put[$row] = $bytes;
            unset($texts[$row]);
            is_string($cell) && $texts[$row] = $cell;
        }
        ksort($texts);
        $this->numbers = $numbers;
        $this->texts = $texts;
    }

    /**
     * Cells that stand below each other, together.
     *
     * @param  array<int, string>  $cells  bytes by row number
     * @return array<int, string> bytes by first row
     */
    private static function stretches(array $cells): array
    {
        ksort($cells);
        $stretches = [];
        [$first, $next] = [0, 0];
        foreach ($cells as $row => $bytes) {
            $first = $row === $next ? $first : $row;
            $stretches[$first] = ($stretches[$first] ?? '').$bytes;
            $next = $row + 1;
        }

        return $stretches;
    }

    /**
     * The numbers that are stored with these over them: of a long column a cell takes a fifteenth of the time of sending all.
     *
     * @param  array<int, string>  $stretches  bytes by first row
     */
    private static function patched(array $stretches): Expression
    {
        $numbers = 'numbers';
        foreach ($stretches as $row => $bytes) {
            $numbers = sprintf("INSERT(%s, %d, %d, x'%s')", $numbers, ($row - 1) * Packed::BYTES + 1, strlen($bytes), bin2hex($bytes));
        }

        return DB::raw($numbers);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['run_id' => 'integer', 'column_id' => 'integer', 'edition' => 'integer', 'decimals' => 'integer', 'texts' => 'array', 'reach' => 'integer', 'revision' => 'integer'];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Notebook\NotebookRows;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** Along which column a stretch of a long run is looked at, from where to where, and what of it is drawn. */
final class NearRowsRequest extends FormRequest
{
    use ChoosesColumns;

    private const END = 'Say from where to where, in numbers.';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $end = ['required', 'numeric', static function (string $of, mixed $value, \Closure $fail): void {
            is_numeric($value) && is_finite((float) $value) || $fail(self::END);
        }];

        return ['x' => ['required', 'string', 'max:20'], 'columns' => ['required', 'string', 'max:400'], 'from' => $end, 'to' => $end];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['x.*' => 'Say along which column the stretch lies.', 'columns.*' => 'Say which columns are drawn.', 'from.*' => self::END, 'to.*' => self::END];
    }

    /**
     * @return list<string> symbols, that along which it lies among them
     *
     * @throws ValidationException If one is no column of numbers here.
     */
    public function symbols(NotebookRows $rows): array
    {
        $symbols = array_values(array_unique([$this->column('x', $rows), ...$this->named('columns')]));
        foreach ($symbols as $symbol) {
            $this->numbers('columns', $symbol, $rows);
        }

        return $symbols;
    }
}

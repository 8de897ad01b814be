<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Welkion\Core\Notebook\Span;

/** Between which two columns a relation is looked for, and over which stretch of the first one. */
class RelationsRequest extends FormRequest
{
    use ChoosesColumns;

    private const ENDS = 'Say where the span begins and where it ends, as numbers.';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $symbol = ['required', 'string', 'max:41'];
        $end = ['numeric', static function (string $of, mixed $value, \Closure $fail): void {
            is_numeric($value) && is_finite((float) $value) || $fail(self::ENDS);
        }];

        return ['x' => [...$symbol, 'different:y'], 'y' => $symbol, 'from' => ['required_with:to', ...$end], 'to' => ['required_with:from', ...$end]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'x.different' => 'Choose two different columns.', 'x.*' => 'Say which column lies along x.', 'y.*' => 'Say which column is described.',
            'from.*' => self::ENDS, 'to.*' => self::ENDS,
        ];
    }

    /** Along the column x; null: all of the run. */
    public function span(): ?Span
    {
        return $this->has('from') ? new Span($this->string('x')->toString(), min($this->float('from'), $this->float('to')), max($this->float('from'), $this->float('to'))) : null;
    }
}

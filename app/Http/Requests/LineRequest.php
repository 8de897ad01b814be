<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use App\Notebook\LineBook;
use Illuminate\Foundation\Http\FormRequest;

/**
 * A new line of working, or what is changed of one.
 *
 * @phpstan-import-type LineInputsTold from LineBook
 */
final class LineRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'method' => [$this->isMethod('POST') ? 'required' : 'prohibited', 'string', 'max:40'],
            'symbol' => ['sometimes', 'nullable', 'string', 'max:20'],
            'title' => ['sometimes', 'nullable', 'string', 'max:120'],
            'isPerRun' => ['sometimes', 'boolean'],
            'onlyRun' => ['sometimes', 'nullable', 'integer:strict', 'between:1,100000'],
            'place' => ['sometimes', 'integer:strict', 'between:1,1000'],
            'spanId' => ['sometimes', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'span' => ['sometimes', 'array:columnId,name,from,to'],
            'span.columnId' => ['required_with:span', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'span.name' => ['required_with:span', 'string', 'max:120'],
            'span.from' => ['required_with:span', Within::of('The beginning of the span', -1e12, 1e12)],
            'span.to' => ['required_with:span', Within::of('The end of the span', -1e12, 1e12)],
            'uses' => ['sometimes', 'array', 'max:20'],
            'uses.*' => ['string', 'max:41'],
            'texts' => ['sometimes', 'array', 'max:20'],
            'texts.*' => ['nullable', 'string', 'max:400'],
            'numbers' => ['sometimes', 'array', 'max:20'],
            'numbers.*' => ['array:value,uncertainty,unit'],
            'numbers.*.value' => ['required', Within::of('Each number', -1e15, 1e15)],
            'numbers.*.uncertainty' => ['sometimes', Within::of('Each ±', 0.0, 1e15)],
            'numbers.*.unit' => ['sometimes', 'nullable', 'string', 'max:30'],
        ];
    }

    /** @return array{symbol: string|null, title: string|null, method: string, is_per_run: bool} */
    public function about(): array
    {
        return [
            'symbol' => $this->filled('symbol') ? $this->string('symbol')->trim()->toString() : null, 'title' => $this->filled('title') ? $this->string('title')->trim()->toString() : null,
            'method' => $this->string('method')->toString(), 'is_per_run' => $this->boolean('isPerRun'),
        ];
    }

    /** @return array{symbol?: string, title?: string, is_per_run?: bool, place?: int} */
    public function changes(): array
    {
        return ($this->filled('symbol') ? ['symbol' => $this->string('symbol')->trim()->toString()] : [])
            + ($this->filled('title') ? ['title' => $this->string('title')->trim()->toString()] : [])
            + ($this->has('isPerRun') ? ['is_per_run' => $this->boolean('isPerRun')] : [])
            + ($this->has('place') ? ['place' => $this->integer('place')] : []);
    }

    /** @return LineInputsTold */
    public function told(): array
    {
        $told = [];
        foreach (['uses', 'texts'] as $name) {
            if ($this->has($name)) {
                $told[$name] = [];
                foreach ($this->array($name) as $slot => $text) {
                    $told[$name][(string) $slot] = is_string($text) ? trim($text) : '';
                }
            }
        }
        if ($this->has('numbers')) {
            $told['numbers'] = [];
            foreach ($this->array('numbers') as $slot => $number) {
                $read = static fn (string $name): float => is_array($number) && is_numeric($number[$name] ?? null) ? (float) $number[$name] : 0.0;
                $told['numbers'][(string) $slot] = ['value' => $read('value'), 'uncertainty' => $read('uncertainty'), 'unit' => is_array($number) && is_string($number['unit'] ?? null) ? trim($number['unit']) : ''];
            }
        }

        if ($this->has('span')) {
            $told['span'] = ['column_id' => $this->integer('span.columnId'), 'name' => $this->string('span.name')->trim()->toString(), 'from' => $this->float('span.from'), 'to' => $this->float('span.to')];
        }

        if ($this->has('onlyRun')) {
            $told['only_run'] = $this->filled('onlyRun') ? $this->integer('onlyRun') : null;
        }

        return $told + ($this->has('spanId') ? ['span_id' => $this->filled('spanId') ? $this->integer('spanId') : null] : []);
    }
}

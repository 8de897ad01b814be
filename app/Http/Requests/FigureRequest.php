<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Notebook\FigureBook;
use Illuminate\Foundation\Http\FormRequest;

/** Which columns a figure draws. */
final class FigureRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $need = $this->isMethod('POST') ? 'required' : 'sometimes';

        return [
            'title' => ['sometimes', 'nullable', 'string', 'max:160'],
            'x' => [$need, 'string', 'max:20'],
            'panels' => [$need, 'array', 'list', 'min:1', 'max:'.FigureBook::MOST_PANELS],
            'panels.*' => ['array:y'],
            'panels.*.y' => ['required', 'array', 'list', 'min:1', 'max:4'],
            'panels.*.y.*' => ['string', 'max:20'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['panels.max' => 'A figure has at most '.FigureBook::MOST_PANELS.' panels.', 'x.*' => 'Choose what is drawn along x.', 'panels.*' => 'Choose what is drawn upwards.'];
    }

    /** @return array{x?: string, panels?: list<array{y: list<string>}>} what is left out stays */
    public function options(): array
    {
        $panels = [];
        foreach ($this->array('panels') as $panel) {
            $panels[] = ['y' => array_values(array_filter(is_array($panel) && is_array($panel['y'] ?? null) ? $panel['y'] : [], is_string(...)))];
        }

        return ($this->has('x') ? ['x' => $this->string('x')->toString()] : []) + ($panels === [] ? [] : ['panels' => $panels]);
    }
}

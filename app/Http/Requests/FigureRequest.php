<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Notebook\FigureDrawing;
use Welkion\Core\Notebook\FigurePanel;

/** Which columns a figure draws, and how. */
final class FigureRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $need = $this->isMethod('POST') ? 'required' : 'sometimes';

        $axis = fn (string $name): array => [
            $name => ['sometimes', 'nullable', 'array:scale,from,to,unit,label'], "{$name}.scale" => [Rule::in(['linear', 'log'])], "{$name}.unit" => ['nullable', 'string', 'max:30'],
            "{$name}.label" => ['nullable', 'string', 'max:120'],
            "{$name}.from" => ['nullable', 'numeric:strict'], "{$name}.to" => ['nullable', 'numeric:strict'],
        ];

        return [
            'title' => ['sometimes', 'nullable', 'string', 'max:160'],
            'x' => [$need, 'string', 'max:20'],
            'panels' => [$need, 'array', 'list', 'min:1', 'max:'.FigureDrawing::MOST_PANELS],
            'panels.*' => ['array:y,axis,right,rightAxis'],
            'panels.*.y' => ['required', 'array', 'list', 'min:1', 'max:'.FigurePanel::MOST_COLUMNS],
            'panels.*.right' => ['sometimes', 'array', 'list', 'max:'.FigurePanel::MOST_COLUMNS],
            'panels.*.y.*' => ['string', 'max:20'], 'panels.*.right.*' => ['string', 'max:20'],
            'points' => ['sometimes', 'nullable', Rule::in(FigureDrawing::JOINED)],
            'bars' => ['sometimes', 'boolean:strict'],
            'coloursBy' => ['sometimes', 'nullable', Rule::in(FigureDrawing::COLOURS)],
            'caption' => ['sometimes', 'nullable', 'string', 'max:1000'],
        ] + $axis('axis') + $axis('panels.*.axis') + $axis('panels.*.rightAxis');
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'panels.max' => 'A figure has at most '.FigureDrawing::MOST_PANELS.' panels.', 'x.*' => 'Choose what is drawn along x.',
            'panels.*.y.max' => 'Along one axis at most '.FigurePanel::MOST_COLUMNS.' columns are drawn.', 'panels.*' => 'Choose what is drawn upwards.',
            '*.label.max' => 'An axis is called by at most 120 letters.', 'axis.*' => 'An axis goes from a number to a number, evenly or by powers of ten.', 'caption.max' => 'A caption may have at most 1000 letters.',
        ];
    }

    /** @return array<string, mixed> what is left out stays */
    public function options(): array
    {
        return array_intersect_key((array) $this->validated(), ['x' => 0, 'panels' => 0, 'axis' => 0, 'points' => 0, 'bars' => 0, 'coloursBy' => 0, 'caption' => 0]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Exceptions\Refusal;
use App\Models\Column;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Formats\DecimalMark;

final class ExportRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['decimal' => [Rule::enum(DecimalMark::class)], 'column' => ['integer', 'between:1,'.PHP_INT_MAX]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['column.*' => 'Choose a column.'];
    }

    /**
     * @param  Collection<int, Column>  $columns  of the notebook
     *
     * @throws Refusal If the one that is asked for is none of them.
     */
    public function column(Collection $columns): ?Column
    {
        return $this->filled('column') ? $columns->find($this->integer('column')) ?? throw Refusal::columnGone() : null;
    }

    public function decimalMark(): DecimalMark
    {
        return DecimalMark::tryFrom($this->string('decimal')->toString()) ?? DecimalMark::Point;
    }
}

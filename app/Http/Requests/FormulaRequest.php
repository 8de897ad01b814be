<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Units\Unit;

/** A formula as far as it is typed, the unit its column is to have, and the column it is for. */
final class FormulaRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['formula' => ['present', 'nullable', 'string', 'max:400'], 'unit' => ['sometimes', 'nullable', 'string', 'max:30'], 'of' => ['sometimes', 'nullable', 'string', 'max:20']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['formula.*' => 'A formula is a text of at most 400 letters.', 'unit.*' => 'A unit is a text of at most 30 letters.', 'of.*' => 'Say by its symbol which column it is for.'];
    }

    /** One that cannot be read is none: what is wrong with it is said where it is typed. */
    public function unit(): ?Unit
    {
        try {
            return $this->filled('unit') ? Unit::parse($this->string('unit')->trim()->toString()) : null;
        } catch (CoreException) {
            return null;
        }
    }
}

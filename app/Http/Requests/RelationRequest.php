<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Welkion\Core\Fitting\Relation;

/** Which relation, or which typed formula, is laid through two columns, with what is known of its constants. */
final class RelationRequest extends RelationsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return parent::rules() + [
            'relation' => ['required_without:formula', 'prohibits:formula', 'string', Rule::enum(Relation::class)],
            'formula' => ['string', 'max:400'], 'held' => ['sometimes', 'nullable', 'string', 'max:400'], 'start' => ['sometimes', 'nullable', 'string', 'max:400'],
            'band' => ['sometimes', Rule::in(['drawn', 'hidden'])],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return parent::messages() + [
            'relation.prohibits' => 'Choose a relation or type a formula, not both.', 'relation.*' => 'Choose one of the relations, or type a formula.',
            'formula.*' => 'Type a formula in x of at most 400 characters, such as a*x + b.', 'held.*' => 'Write what is known of a constant as "b = 0".',
            'start.*' => 'Write where the search begins as "a = 1; k = 0.5".', 'band.*' => 'Say whether the band is drawn or hidden.',
        ];
    }

    /** @return array<string, string> what the method is given */
    public function texts(): array
    {
        $texts = [];
        foreach (['relation', 'formula', 'held', 'start', 'band'] as $name) {
            $texts[$name] = $this->string($name)->trim()->toString();
        }

        return $texts;
    }
}

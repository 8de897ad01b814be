<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use App\Models\Reading;
use App\Models\Run;
use App\Recording\RunBook;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Notebook\ColumnKind;

/** A reading to be taken: what the run is set to, and which one it takes the place of. */
final class ReadingRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'step' => ['present', 'nullable'],
            'replaces' => ['nullable', 'integer', 'between:1,'.PHP_INT_MAX],
            'takeAnyway' => ['boolean'],
        ];
    }

    /** @throws ValidationException If the step is not what its column takes. */
    public function step(Run $run): float|string|null
    {
        $column = $run->experiment->columns->first(static fn ($c): bool => $c->kind === ColumnKind::Step);
        $step = $this->input('step');
        if ($column === null) {
            return null;
        }
        if ($column->is_words) {
            return is_string($step) && trim($step) !== '' && mb_strlen($step) <= 60 ? trim($step)
                : throw ValidationException::withMessages(['step' => "Type what {$column->symbol} is, in at most 60 letters."]);
        }
        $limits = RunBook::limits($run->experiment);
        $rule = Within::of($column->symbol, $limits->least, $limits->most, $limits->unit->symbol);
        if (! $rule->holds($step)) {
            throw ValidationException::withMessages(['step' => $rule->sentence()]);
        }

        return is_numeric($step) ? (float) $step : null;
    }

    public function replaced(Run $run): ?Reading
    {
        if (! $this->filled('replaces')) {
            return null;
        }

        return $run->readings()->find($this->integer('replaces'))
            ?? throw ValidationException::withMessages(['replaces' => 'The reading to retake is not part of this run any more.']);
    }
}

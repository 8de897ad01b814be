<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\Within;
use Illuminate\Foundation\Http\FormRequest;
use Welkion\Core\Notebook\TimedPlan;

/** How much longer a timed run goes on, in s; none: until it is stopped. */
final class GoOnRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['more' => ['present', 'nullable', Within::of('The time to go on for', 1.0, TimedPlan::LONGEST_S)]];
    }

    public function more(): ?float
    {
        return $this->filled('more') ? $this->float('more') : null;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\PlanRules;
use App\Models\Bench;
use App\Models\Run;
use App\Recording\RunBook;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Notebook\StepLimits;
use Welkion\Core\Notebook\StepPlan;
use Welkion\Core\Notebook\TimedPlan;

/** Where a run begins, what it is called, or another plan for it: all its steps, or finer ones over a part. */
final class RunRequest extends FormRequest
{
    public function authorize(): bool
    {
        $bench = $this->bench();

        return $bench === null || $this->user()?->can('use', $bench) === true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'kind' => ['sometimes', Rule::in([Run::TYPED])],
            'benchId' => ['sometimes', 'bail', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX, 'exists:benches,id'],
            'name' => ['sometimes', 'nullable', 'string', 'max:120'],
            'condition' => ['sometimes', 'nullable', 'string', 'max:120'],
            'trial' => ['sometimes', 'nullable', 'integer:strict', 'between:1,1000'],
            'aside' => ['sometimes', 'nullable', 'string', 'min:3', 'max:200'],
            'before' => ['sometimes', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX],
            'refine' => ['sometimes', 'array:from,to,step'],
            'refine.from' => ['required_with:refine', 'numeric'],
            'refine.to' => ['required_with:refine', 'numeric'],
            'refine.step' => ['required_with:refine', 'numeric'],
        ] + PlanRules::rules('plan');
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['kind.*' => 'Only a typed run is begun by its kind; other runs are as they are planned.', 'benchId.*' => 'Choose a bench.', 'aside.max' => 'Say why in at most 200 letters.', 'aside.*' => 'Say why in a few words, so that a reader can judge.', 'refine.*' => 'A finer part of the plan needs a first value, a last value and a step.'] + PlanRules::MESSAGES;
    }

    public function bench(): ?Bench
    {
        $id = $this->input('benchId');

        return is_int($id) ? Bench::query()->find($id) : null;
    }

    /** @return array<string, mixed> */
    public function described(): array
    {
        $described = [];
        foreach (['name' => '', 'condition' => null, 'aside' => null] as $name => $none) {
            if ($this->has($name)) {
                $described[$name] = $this->filled($name) ? $this->string($name)->trim()->toString() : $none;
            }
        }

        return $described + ($this->has('trial') ? ['trial' => $this->filled('trial') ? $this->integer('trial') : null] : []);
    }

    /**
     * The run it is put before; null for the end.
     *
     * @throws ValidationException If that is no run of the same experiment.
     */
    public function before(Run $run): ?Run
    {
        if (! $this->filled('before')) {
            return null;
        }

        return $run->experiment->runs()->whereKey($this->integer('before'))->get()->first()
            ?? throw ValidationException::withMessages(['before' => 'The run it is to stand before is not there any more.']);
    }

    public function plan(Run $run): StepPlan|TimedPlan|null
    {
        return match (true) {
            $this->has('refine') => RunBook::planOf($run)->refined($this->float('refine.from'), $this->float('refine.to'), $this->float('refine.step')),
            $this->has('plan') => PlanRules::plan($this->array('plan'), static fn (): StepLimits => RunBook::limits($run->experiment)),
            default => null,
        };
    }
}

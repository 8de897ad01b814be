<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\PlanRules;
use App\Models\Bench;
use App\Models\Experiment;
use App\Models\Run;
use App\Recording\RunBook;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Welkion\Core\Notebook\Board;
use Welkion\Core\Notebook\StepLimits;
use Welkion\Core\Notebook\StepPlan;
use Welkion\Core\Notebook\TimedPlan;

/** Begins an experiment, or changes what is said of it; what is left out stays. */
final class ExperimentRequest extends FormRequest
{
    /** A teacher records only on benches of their own. */
    public function authorize(): bool
    {
        $benches = array_filter([$this->bench(), $this->bench('besideId')]);

        return array_filter($benches, fn (Bench $b): bool => $this->user()?->can('use', $b) !== true) === [];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'title' => [$this->isMethod('POST') ? 'required' : 'sometimes', 'required', 'string', 'max:120'],
            'protocol' => [$this->isMethod('POST') ? 'required' : 'prohibited', 'string', 'max:60'],
            'benchId' => ['sometimes', 'bail', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX, 'exists:benches,id'],
            'besideId' => [$this->isMethod('POST') ? 'prohibited' : 'sometimes', 'bail', 'nullable', 'integer:strict', 'between:1,'.PHP_INT_MAX, 'exists:benches,id'],
            'runKind' => ['sometimes', Rule::in([Run::STEPWISE, Run::TIMED])],
            'aim' => ['sometimes', 'nullable', 'string', 'max:4000'],
            'conclusion' => ['sometimes', 'nullable', 'string', 'max:8000'],
            'board' => [$this->isMethod('POST') ? 'prohibited' : 'sometimes', 'array:arrangement,tiles'],
            'board.tiles' => ['required_with:board', 'array', 'max:4'],
            'board.tiles.*' => ['array:shows,columns,from,to'],
            'board.tiles.*.columns' => ['sometimes', 'array', 'max:4'],
            'board.tiles.*.columns.*' => ['string', 'max:20'],
        ] + PlanRules::rules('plan');
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'title.required' => 'Give the experiment a title, for example a question.', 'title.max' => 'A title may have at most 120 letters.',
            'protocol.required' => 'Choose a protocol.', 'benchId.*' => 'Choose a bench.', 'benchId.exists' => 'This bench does not exist any more. Choose another.',
            'besideId.*' => 'Choose a bench to record beside.', 'besideId.exists' => 'This bench does not exist any more. Choose another.',
        ] + PlanRules::MESSAGES;
    }

    public function bench(string $name = 'benchId'): ?Bench
    {
        $id = $this->input($name);

        return is_int($id) ? Bench::query()->find($id) : null;
    }

    /** @return array{title?: string, aim?: string|null, conclusion?: string|null, bench_id?: int|null, beside_id?: int|null} */
    public function changes(): array
    {
        $text = fn (string $name): ?string => $this->filled($name) ? $this->string($name)->toString() : null;

        return ($this->filled('title') ? ['title' => $this->string('title')->trim()->toString()] : [])
            + ($this->has('aim') ? ['aim' => $text('aim')] : [])
            + ($this->has('conclusion') ? ['conclusion' => $text('conclusion')] : [])
            + ($this->has('benchId') ? ['bench_id' => $this->bench()?->id] : [])
            + ($this->has('besideId') ? ['beside_id' => $this->bench('besideId')?->id] : []);
    }

    public function board(): ?Board
    {
        return $this->has('board') ? Board::fromArray($this->array('board')) : null;
    }

    public function plan(Experiment $experiment): StepPlan|TimedPlan|null
    {
        return $this->has('plan') ? PlanRules::plan($this->array('plan'), static fn (): StepLimits => RunBook::limits($experiment->loadMissing('columns'))) : null;
    }

    /** Whether runs are timed or stepwise from now on; null: as they are. */
    public function runKind(): ?string
    {
        return $this->filled('runKind') ? $this->string('runKind')->toString() : null;
    }
}

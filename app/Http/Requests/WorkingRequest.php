<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Experiment;
use App\Models\Run;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Foundation\Http\FormRequest;

final class WorkingRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['run' => ['nullable', 'integer', 'between:1,'.PHP_INT_MAX]];
    }

    /**
     * The run asked for, or the newest.
     *
     * @throws ModelNotFoundException If it is not a run of this experiment, or there is none.
     */
    public function run(Experiment $experiment): Run
    {
        $runs = Run::query()->where('experiment_id', $experiment->id);

        return $this->filled('run')
            ? $runs->whereKey($this->integer('run'))->firstOrFail()
            : $runs->latest('number')->firstOrFail();
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Experiment;
use App\Models\Run;

/** A request of which what it brings may belong to one run. */
trait NamesARun
{
    /** @return Run|null null: to none of them */
    public function run(Experiment $experiment): ?Run
    {
        $id = $this->input($this->runField());

        return is_int($id) ? Run::query()->where('experiment_id', $experiment->id)->findOrFail($id) : null;
    }

    private function runField(): string
    {
        return 'runId';
    }
}

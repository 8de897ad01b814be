<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Rules\PlanRules;
use App\Models\Run;
use Illuminate\Foundation\Http\FormRequest;
use Welkion\Core\Titration\VolumePlan;
use Welkion\Core\Titration\VolumeRange;

/** Another plan for a run: all its ranges, or finer steps over a part of it. */
final class UpdateRunRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return PlanRules::ranges('plan', ['required_without:refine']) + ['refine' => ['required_without:plan', 'array:from,to,step']]
            + ($this->has('refine') ? PlanRules::range('refine') : []);
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return PlanRules::MESSAGES;
    }

    public function plan(Run $run): VolumePlan
    {
        if ($this->has('refine')) {
            $finer = VolumeRange::of($this->float('refine.from'), $this->float('refine.to'), $this->float('refine.step'));

            return $run->volumePlan()->refined($finer->from, $finer->to, $finer->step);
        }

        return Run::planFrom(array_values($this->validated('plan')));
    }
}

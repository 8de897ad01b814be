<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Run;
use Illuminate\Foundation\Http\FormRequest;
use Welkion\Core\Titration\VolumePlan;
use Welkion\Core\Titration\VolumeRange;

/** Another plan for a run: all its ranges, or finer steps over a part of it. */
final class UpdateRunRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'plan' => ['required_without:refine', 'array', 'min:1', 'max:12'],
            'plan.*.from' => ['required', 'numeric'],
            'plan.*.to' => ['required', 'numeric'],
            'plan.*.step' => ['required', 'numeric'],
            'refine' => ['required_without:plan', 'array:from,to,step'],
            'refine.from' => ['required_with:refine', 'numeric'],
            'refine.to' => ['required_with:refine', 'numeric'],
            'refine.step' => ['required_with:refine', 'numeric'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'plan.*.*.numeric' => 'Type the volumes and steps of the plan as numbers of mL.',
            'plan.*.*.required' => 'Each range of the plan needs a first volume, a last volume and a step.',
        ];
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

<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Exceptions\Refusal;
use App\Models\Reading;
use App\Models\Run;
use App\Notebook\ExperimentWork;
use App\Notebook\NotebookRows;
use App\Notebook\TimedRows;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Notebook\Stretch;

/** Readings of a run to set aside with a reason, or to use again. */
final class SetAsideRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'readings' => ['required_without:within', 'prohibits:within', 'array', 'list', 'min:1', 'max:5000'],
            'readings.*' => ['integer:strict', 'between:1,'.PHP_INT_MAX],
            'within' => ['array:columnId,from,to', 'required_array_keys:columnId,from,to'],
            'within.columnId' => ['integer:strict', 'between:1,'.PHP_INT_MAX],
            'within.from' => ['numeric:strict'],
            'within.to' => ['numeric:strict'],
            'reason' => ['present', 'nullable', 'string', 'min:3', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'readings.*' => 'Choose the readings.', 'within.*' => 'Say within which values of a column the rows lie.',
            'reason.min' => 'Say why in a few words, so that a reader can judge.',
            'reason.max' => 'Say why in at most 200 letters.',
        ];
    }

    /**
     * @return list<int> as the rows of the run are counted
     *
     * @throws Refusal If they are told by a column that is gone, or of a run whose readings are chosen one by one.
     */
    public function rows(Run $run): array
    {
        if ($this->has('within')) {
            return $this->rowsWithin($run);
        }
        $ids = array_values(array_unique($this->array('readings')));
        if ($run->isTimed()) {
            return max(0, ...$ids) <= TimedRows::of($run, $run->experiment->columns)->count() ? $ids : throw self::gone();
        }
        if ($run->isTyped()) {
            return array_diff($ids, $run->rowOrder()->rows()) === [] ? $ids : throw self::gone();
        }
        $readings = array_values($run->readings()->whereKey($ids)->get()->all());
        if (count($readings) < count($ids)) {
            throw self::gone('readings');
        }

        return array_map(static fn (Reading $r): int => $r->row, $readings);
    }

    /**
     * Those of a long run that count and whose value of a column lies between two: a screen knows only some of them.
     *
     * @return list<int>
     */
    private function rowsWithin(Run $run): array
    {
        $run->isTyped() || $run->isTimed() || throw ValidationException::withMessages(['readings' => 'Choose the readings.']);
        $work = ExperimentWork::of(NotebookRows::of($run->experiment));
        $column = $work->rows->columns->find($this->integer('within.columnId')) ?? throw Refusal::columnGone();
        isset($work->worked->notebook->runs[$run->id]) || abort(404);
        $aside = $work->worked->data($run->id)->aside;
        $places = Stretch::places($work->worked, $run->id, $column->symbol, $this->float('within.from'), $this->float('within.to'));
        $numbers = $run->isTyped() ? $run->rowOrder()->rows() : null;
        $rows = [];
        foreach ($places as $place) {
            if (! isset($aside[$place])) {
                $rows[] = $numbers[$place] ?? $place + 1;
            }
        }

        return $rows === [] ? throw ValidationException::withMessages(['within' => 'No row that counts lies there.']) : $rows;
    }

    private static function gone(string $what = 'rows'): ValidationException
    {
        return ValidationException::withMessages(['readings' => "One of these {$what} is not part of this run any more."]);
    }

    public function reason(): ?string
    {
        return $this->filled('reason') ? $this->string('reason')->trim()->toString() : null;
    }
}

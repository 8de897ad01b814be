<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Column;
use App\Models\Run;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Collection;
use Illuminate\Validation\ValidationException;
use Welkion\Core\Notebook\ColumnKind;

/** What a screen wants to see of the samples of a run. */
final class PointsRequest extends FormRequest
{
    private const MOST_COLUMNS = 12;

    private const WIDEST = 4000;

    /** A year: no run is longer. */
    private const LONGEST_S = 3.2e7;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'columns' => ['required', 'string', 'max:1000'],
            'from' => ['sometimes', 'numeric', 'min:-'.self::LONGEST_S, 'max:'.self::LONGEST_S],
            'to' => ['sometimes', 'numeric', 'min:-'.self::LONGEST_S, 'max:'.self::LONGEST_S, ...$this->has('from') ? ['gte:from'] : []],
            'width' => ['sometimes', 'integer', 'min:1', 'max:'.self::WIDEST],
        ];
    }

    /**
     * @return Collection<int, Column> measured columns, in the order they were asked for
     *
     * @throws ValidationException If one is none of the notebook's, or there are too many.
     */
    public function columns(Run $run): Collection
    {
        $symbols = array_values(array_unique(explode(',', $this->string('columns')->toString())));
        $known = $run->experiment->columns()->where('kind', ColumnKind::Measured)->get()->keyBy('symbol');
        $unknown = array_diff($symbols, $known->keys()->all());
        if ($unknown !== [] || count($symbols) > self::MOST_COLUMNS) {
            throw ValidationException::withMessages(['columns' => $unknown === []
                ? 'At most '.self::MOST_COLUMNS.' columns can be looked at together.'
                : 'There is no measured column "'.mb_substr(implode('", "', $unknown), 0, 100).'" in this experiment. There are: '.$known->keys()->join(', ').'.']);
        }

        return new Collection(array_map(static fn (string $symbol): Column => $known[$symbol] ?? abort(404), $symbols));
    }

    public function from(): ?float
    {
        return $this->has('from') ? $this->float('from') : null;
    }

    public function to(): ?float
    {
        return $this->has('to') ? $this->float('to') : null;
    }

    public function width(): int
    {
        return $this->integer('width', 1000);
    }
}

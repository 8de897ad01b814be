<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Change;
use App\Models\Experiment;
use App\Models\TypedColumn;
use Illuminate\Database\Eloquent\Model;

/**
 * A change while it is made: every row that is written goes through it, so that the journal knows it before and after.
 *
 * @phpstan-import-type TouchedRow from Change
 */
final class Draft
{
    /** No lesson needs so many; without an end one notebook could keep the server busy. */
    private const MOST_OF_A_KIND = 200;

    /** @var list<TouchedRow> */
    private array $rows = [];

    /** @var list<Change>|null changes the sender has not seen; read when something is written over */
    private ?array $unseen = null;

    public function __construct(public readonly Experiment $experiment, public readonly Sender $sender)
    {
    }

    /**
     * @template T of Model
     *
     * @param  class-string<T>  $class
     * @param  array<string, mixed>  $attributes
     * @return T
     */
    public function create(string $class, array $attributes): Model
    {
        if (isset($attributes['experiment_id']) && (new $class)->newQuery()->where('experiment_id', $attributes['experiment_id'])->count() >= self::MOST_OF_A_KIND) {
            throw Refusal::tooMany(self::MOST_OF_A_KIND);
        }
        $model = (new $class)->newQuery()->create($attributes)->refresh();
        $this->note($model, null, $model->getRawOriginal());

        return $model;
    }

    /** @param  array<string, mixed>  $attributes */
    public function update(Model $model, array $attributes): void
    {
        $model->fill($attributes);
        $names = array_keys($model->getDirty());
        if ($names === []) {
            return;
        }
        $this->requireSeen($model, $names);
        $before = array_intersect_key($model->getRawOriginal(), array_flip($names));
        $model->save();
        $this->note($model, $before, array_intersect_key($model->getAttributes(), array_flip($names)));
    }

    /**
     * What others did meanwhile is kept in it, so there is nothing to ask them.
     *
     * @param  array<string, mixed>  $attributes
     */
    public function merged(Model $model, array $attributes): void
    {
        $model->fill($attributes);
        $names = array_flip(array_keys($model->getDirty()));
        $before = array_intersect_key($model->getRawOriginal(), $names);
        $model->save();
        $names === [] || $this->note($model, $before, array_intersect_key($model->getAttributes(), $names));
    }

    public function delete(Model $model): void
    {
        $this->requireSeen($model, null);
        $id = $model->getKey();
        $this->note($model, StoredRows::now($model->getTable(), is_int($id) ? $id : 0), null);
        $model->delete();
    }

    /**
     * Something was recorded that always stays: undone it is marked, not removed.
     *
     * @param  array<string, mixed>  $marked  what an undone one is
     * @param  array<string, mixed>  $kept  what it is now
     */
    public function recorded(Model $model, array $marked, array $kept): void
    {
        $this->note($model, $marked, $kept);
    }

    /**
     * Cells were typed over.
     *
     * @param  array<int, float|string|null>  $before  by row number
     * @param  array<int, float|string|null>  $after  of the same rows
     */
    public function typed(TypedColumn $column, array $before, array $after): void
    {
        $this->requireSeen($column, array_keys(TypedCells::fields($after)));
        $this->note($column, TypedCells::fields($before), TypedCells::fields($after));
    }

    /** @param  list<TouchedRow>  $rows  that were written back as a whole */
    public function written(array $rows): void
    {
        $this->rows = [...$this->rows, ...$rows];
    }

    /** @return list<TouchedRow> */
    public function rows(): array
    {
        return $this->rows;
    }

    /**
     * @param  array<string, mixed>|null  $before
     * @param  array<string, mixed>|null  $after
     */
    private function note(Model $model, ?array $before, ?array $after): void
    {
        $id = $model->getKey();
        $this->rows[] = ['table' => $model->getTable(), 'id' => is_int($id) ? $id : 0, 'before' => $before, 'after' => $after];
    }

    /**
     * @param  list<string>|null  $names  of what is written over; null: all of it
     *
     * @throws Refusal If somebody else changed it since it was on the sender's screen.
     */
    private function requireSeen(Model $model, ?array $names): void
    {
        foreach ($this->unseen() as $change) {
            foreach ($change->rows as $row) {
                $fields = array_keys($row['after'] ?? $row['before'] ?? []);
                if ($row['table'] === $model->getTable() && $row['id'] === $model->getKey()
                    && ($names === null || array_intersect($names, $fields) !== [])) {
                    throw Refusal::changedMeanwhile($change->user->name, $change->words);
                }
            }
        }
    }

    /** @return list<Change> */
    private function unseen(): array
    {
        return $this->unseen ??= $this->sender->revision === null || $this->sender->revision >= $this->experiment->revision ? [] : array_values(
            Change::query()->with('user')->where('experiment_id', $this->experiment->id)->where('revision', '>', $this->sender->revision)
                ->where('screen', '!=', $this->sender->screen)->get()->all(),
        );
    }
}

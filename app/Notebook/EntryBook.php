<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\Entry;
use App\Models\EntryValue;
use App\Models\Experiment;
use App\Models\Run;
use Welkion\Core\Formats\TypedValue;
use Welkion\Core\Uncertainty\Digits;
use Welkion\Core\Units\Unit;

/** Adds, types, changes and removes entries. */
final readonly class EntryBook
{
    /** Whatever is measured in a school lies far inside, in any unit of it. */
    private const LEAST = 1e-15;

    private const MOST = 1e15;

    public function __construct(private Journal $journal)
    {
    }

    /**
     * @param  array{symbol: string, name: string, unit: string, is_per_run: bool, is_words: bool}  $attributes
     * @param  string|null  $typed  its value in a run, of one for each run, as people type it
     */
    public function add(Experiment $experiment, array $attributes, ?string $typed, ?Run $run, Sender $sender): void
    {
        $attributes['is_per_run'] || $run === null || throw Refusal::badFormula('Only an entry for each run can begin with the value of one.');
        $value = $typed === null ? null : self::valueOf(TypedValue::read($typed, Unit::parse($attributes['unit'])));
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $attributes, $value, $run): string {
            Renaming::requireFree(NotebookRows::of($experiment), $attributes['symbol']);
            Unit::parse($attributes['unit']);
            if ($attributes['is_words'] && $attributes['is_per_run']) {
                throw Refusal::badFormula('A word is typed once for all runs. For each run, give the run a condition.');
            }
            $entry = $draft->create(Entry::class, ['experiment_id' => $experiment->id, 'position' => 1 + (int) Entry::query()->where('experiment_id', $experiment->id)->max('position')] + $attributes);
            if ($value !== null) {
                $draft->create(EntryValue::class, ['entry_id' => $entry->id, 'run_id' => $run?->id] + $value);
            }

            return "Added the entry {$attributes['symbol']}";
        });
    }

    /**
     * What people type into its field.
     *
     * @param  array{typed?: string|null, uncertainty?: string|null, text?: string|null}  $typed  what is left out stays
     * @param  Run|null  $run  of an entry for each run
     * @return string|null what was converted
     */
    public function type(Experiment $experiment, Entry $entry, array $typed, ?Run $run, Sender $sender): ?string
    {
        if ($entry->is_per_run && $run === null) {
            throw Refusal::badFormula("Say for which run {$entry->symbol} is: it is typed for each of them.");
        }
        $run = $entry->is_per_run ? $run : null;
        $typed = array_diff_key($typed, $entry->is_words ? ['typed' => '', 'uncertainty' => ''] : ['text' => '']);
        $unit = Unit::parse($entry->unit);
        $read = ($typed['typed'] ?? '') === '' ? null : TypedValue::read((string) $typed['typed'], $unit);
        $error = ($typed['uncertainty'] ?? '') === '' ? null : TypedValue::read((string) $typed['uncertainty'], $unit->difference());
        $attributes = array_key_exists('text', $typed) ? ['text' => (string) $typed['text']] : [];
        if (array_key_exists('typed', $typed)) {
            $attributes['value'] = $read?->value;
        }
        if (array_key_exists('uncertainty', $typed) || $read?->uncertainty !== null) {
            $attributes['uncertainty'] = abs($read->uncertainty ?? $error->value ?? 0.0);
        }
        self::requirePossible($attributes);
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($entry, $attributes, $run): string {
            if ($run === null) {
                $draft->update($entry->refresh(), $attributes);
            } else {
                $value = EntryValue::query()->where('entry_id', $entry->id)->where('run_id', $run->id)->get()->first();
                $value === null ? $draft->create(EntryValue::class, ['entry_id' => $entry->id, 'run_id' => $run->id] + $attributes) : $draft->update($value, $attributes);
            }
            $shown = array_key_exists('text', $attributes) ? "“{$attributes['text']}”"
                : (($attributes['value'] ?? null) === null ? (array_key_exists('value', $attributes) ? 'nothing' : '± '.json_encode($attributes['uncertainty'] ?? 0.0)) : json_encode($attributes['value'])." {$entry->unit}");

            return trim("Typed {$entry->symbol}: {$shown}").($run === null ? '' : " for {$run->title()}");
        });

        return $read->said ?? $error?->said;
    }

    /** @param  array{symbol?: string, name?: string, unit?: string, position?: int}  $attributes */
    public function change(Experiment $experiment, Entry $entry, array $attributes, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($experiment, $entry, $attributes): string {
            $before = $entry->refresh()->symbol;
            isset($attributes['unit']) && Unit::parse($attributes['unit']);
            isset($attributes['symbol']) && Renaming::rename($draft, NotebookRows::of($experiment), $entry, $attributes['symbol']);
            $draft->update($entry, array_diff_key($attributes, ['symbol' => '']));

            return "Changed the entry {$before}";
        });
    }

    /** @return array{value: float, uncertainty: float} */
    private static function valueOf(TypedValue $read): array
    {
        $value = ['value' => $read->value, 'uncertainty' => abs($read->uncertainty ?? 0.0)];
        self::requirePossible($value);

        return $value;
    }

    /** @param  array<string, mixed>  $attributes */
    private static function requirePossible(array $attributes): void
    {
        foreach (['value' => 'The value', 'uncertainty' => 'The ±'] as $name => $what) {
            $size = abs(is_float($attributes[$name] ?? null) ? $attributes[$name] : 0.0);
            if ($size > self::MOST || ($size !== 0.0 && $size < self::LEAST)) {
                throw Refusal::badFormula("{$what} must be 0, or between ".Digits::round(self::LEAST).' and '.Digits::round(self::MOST).' in size.');
            }
        }
    }

    public function remove(Experiment $experiment, Entry $entry, Sender $sender): void
    {
        $this->journal->change($experiment, $sender, static function (Draft $draft) use ($entry): string {
            foreach (EntryValue::query()->where('entry_id', $entry->id)->get() as $value) {
                $draft->delete($value);
            }
            $draft->delete($entry);

            return "Removed the entry {$entry->symbol}";
        });
    }
}

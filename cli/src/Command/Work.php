<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Failure;
use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Cli\Rows;
use Welkion\Cli\ValueText;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Working\ColumnInput;
use Welkion\Core\Working\Declaration;
use Welkion\Core\Working\Inputs;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Outcome;
use Welkion\Core\Working\Slot;
use Welkion\Core\Working\SlotKind;
use Welkion\Core\Working\ValueList;

/** Any method of the working, on columns of a file. */
final class Work extends Command
{
    public function name(): string
    {
        return 'work';
    }

    public function purpose(): string
    {
        return 'works out a method ("welkion methods" lists them)';
    }

    public function words(): array
    {
        return ['METHOD', 'FILE?'];
    }

    public function options(): array
    {
        return [
            'use' => 'which column is which input, as x=Time; once for each',
            'set' => 'an input that is typed, as at="20 +- 0.05 mL"; once for each',
            'span' => 'only rows of a stretch, as Time:20:55',
            'where' => 'only rows where a column lies between two values, as Volume:0:10; may be given several times',
        ];
    }

    public function run(Options $options, Input $input): string
    {
        $key = (string) $options->word(0);
        $method = Methods::find($key) ?? throw Failure::input("There is no method \"{$key}\". The methods are: "
            .implode(', ', array_map(static fn (Method $m): string => $m->declaration()->key, Methods::all())).'.');
        $declaration = $method->declaration();
        $columns = self::columns($declaration, $options, $input);

        return Json::of(self::document($declaration, $method->work(self::inputs($declaration, $columns, $options->pairs('set'), $options->every('span')))));
    }

    /** @return array<string, ColumnInput> */
    private static function columns(Declaration $declaration, Options $options, Input $input): array
    {
        $used = $options->pairs('use');
        foreach (array_keys($used) as $slot) {
            if (! in_array($slot, $declaration->columns(), true)) {
                throw Failure::input("{$declaration->key} takes no column \"{$slot}\". It takes: ".(implode(', ', $declaration->columns()) ?: 'none').'.');
            }
        }
        if ($declaration->columns() === []) {
            return [];
        }
        if ($options->word(1) === null) {
            throw Failure::input("{$declaration->key} works with columns: name the file to use, or - for standard input.");
        }
        foreach ($declaration->columns() as $slot) {
            $used[$slot] ?? throw Failure::input("{$declaration->key} needs a column: --use {$slot}=COLUMN.");
        }

        $looksItself = self::spanSlots($declaration) !== [];

        return Rows::of($input->table($options->file()), $used, [...($looksItself ? [] : $options->every('span')), ...$options->every('where')]);
    }

    /**
     * @param  array<string, ColumnInput>  $columns
     * @param  array<string, string>  $typed
     * @param  list<string>  $spans
     */
    private static function inputs(Declaration $declaration, array $columns, array $typed, array $spans): Inputs
    {
        $numbers = [];
        $texts = [];
        foreach ($declaration->inputs as $slot) {
            $text = $typed[$slot->name] ?? $slot->default;
            if ($text === null && $slot->isRequired && in_array($slot->kind, [SlotKind::Text, SlotKind::Number, SlotKind::Run], true)) {
                throw Failure::input("{$declaration->key} needs a value: --set {$slot->name}=VALUE ({$slot->words}).");
            }
            if ($text !== null && $slot->kind === SlotKind::Text) {
                $texts[$slot->name] = $text;
            } elseif ($text !== null && in_array($slot->kind, [SlotKind::Number, SlotKind::Run], true)) {
                $numbers[$slot->name] = self::number($slot, $text, $columns);
            }
            unset($typed[$slot->name]);
        }
        $takesAny = array_filter($declaration->inputs, static fn (Slot $s): bool => $s->kind === SlotKind::Values) !== [];
        foreach ($typed as $name => $text) {
            $numbers[$name] = $takesAny ? ValueText::read($text, $name, Unit::one())
                : throw Failure::input("{$declaration->key} takes no input \"{$name}\".");
        }

        $stretches = [];
        foreach (self::spanSlots($declaration) as $name) {
            foreach ($spans as $text) {
                preg_match('/^.+:([^:]*):([^:]*)$/u', $text, $ends) === 1 || throw Failure::input("A stretch is written as COLUMN:FROM:TO, but \"{$text}\" is not.");
                $stretches[$name] = [trim($ends[1]) === '' ? -INF : (float) $ends[1], trim($ends[2]) === '' ? INF : (float) $ends[2]];
            }
        }

        return new Inputs($columns, $numbers, $texts, $stretches);
    }

    /** @return list<string> stretches the method looks at itself */
    private static function spanSlots(Declaration $declaration): array
    {
        return array_values(array_map(static fn (Slot $s): string => $s->name, array_filter($declaration->inputs, static fn (Slot $s): bool => $s->kind === SlotKind::Span)));
    }

    /** @param  array<string, ColumnInput>  $columns */
    private static function number(Slot $slot, string $text, array $columns): Measured
    {
        return ValueText::read($text, $slot->name, $slot->unitOf === null ? Unit::parse($slot->unit) : $columns[$slot->unitOf]->unit);
    }

    /** @return array<string, mixed> */
    private static function document(Declaration $declaration, Outcome $outcome): array
    {
        return [
            'method' => $declaration->key,
            'outcomes' => (object) array_map(static fn (Measured $m): array => ['value' => $m->value, 'uncertainty' => $m->uncertainty, 'unit' => $m->unit->symbol], $outcome->values),
            'lists' => (object) array_map(static fn (ValueList $l): array => [
                'values' => $l->values, 'uncertainties' => $l->uncertainties, 'unit' => $l->unit->symbol,
            ] + ($l->names === null ? [] : ['names' => $l->names]), $outcome->lists),
            'warnings' => self::warnings($outcome->warnings),
            'needs' => $outcome->needs,
            'formula' => $outcome->formula,
        ];
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Failure;
use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Cli\ProtocolFiles;
use Welkion\Cli\ValueText;
use Welkion\Core\Formats\Table;
use Welkion\Core\Formats\TableColumn;
use Welkion\Core\Notebook\Column;
use Welkion\Core\Notebook\ColumnKind;
use Welkion\Core\Notebook\Notebook;
use Welkion\Core\Notebook\Run;
use Welkion\Core\Notebook\RunData;
use Welkion\Core\Notebook\WorkedLine;
use Welkion\Core\Notebook\WorkedNotebook;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;
use Welkion\Core\Warning;
use Welkion\Core\Working\ColumnInput;

/** A whole protocol on a file: its rows are one run. */
final class RunProtocol extends Command
{
    public function name(): string
    {
        return 'protocol';
    }

    public function purpose(): string
    {
        return 'works out all lines of a protocol ("welkion protocols" lists them)';
    }

    public function words(): array
    {
        return ['PROTOCOL', 'FILE'];
    }

    public function options(): array
    {
        return [
            'use' => 'which column of the file is which of the protocol, as V=Volume; not needed where names or symbols are the same',
            'entry' => 'a value that is typed, as c="0.1 +- 0.0002 mol/L"; once for each',
        ];
    }

    public function run(Options $options, Input $input): string
    {
        $key = (string) $options->word(0);
        $protocol = ProtocolFiles::find($key);
        $plain = $protocol->notebook();
        $table = $input->table((string) $options->word(1));
        $data = self::data($plain, $table, $options->pairs('use'));
        $run = new Run(1, 1, 'Run 1', null, null, '', static fn (): RunData => $data);
        $worked = new WorkedNotebook($protocol->notebook(self::typed($plain, $options->pairs('entry')), [$run]));

        return Json::of(['protocol' => $key, 'lines' => array_map(
            static fn (array $node): array => self::line($worked, $worked->line($node[0], $node[1])), $worked->nodes(),
        ), 'groups' => null]);
    }

    /** @param  array<string, string>  $used  column of the file by symbol */
    private static function data(Notebook $notebook, Table $table, array $used): RunData
    {
        foreach (array_keys($used) as $symbol) {
            if (($notebook->columns[$symbol] ?? null)?->kind === ColumnKind::Derived || ! isset($notebook->columns[$symbol])) {
                throw Failure::input("There is no column \"{$symbol}\" to fill. The columns are: ".implode(', ', array_keys(array_filter(
                    $notebook->columns, static fn (Column $c): bool => $c->kind !== ColumnKind::Derived,
                ))).'.');
            }
        }
        $columns = [];
        foreach ($notebook->columns as $symbol => $column) {
            $found = isset($used[$symbol]) ? $table->column($used[$symbol]) : self::alike($table, $column);
            if ($column->kind !== ColumnKind::Derived && $found !== null) {
                $unit = Unit::ofHeader($found->unit);
                $columns[$symbol] = new ColumnInput($symbol, $unit->isOne() ? $column->unit : $unit, $found->values);
            }
        }

        return new RunData($table->rowCount, $columns);
    }

    /** The column of the same name; or of the same symbol, if it measures the same. */
    private static function alike(Table $table, Column $column): ?TableColumn
    {
        foreach ($table->columns as $found) {
            if (in_array(mb_strtolower($found->name), [mb_strtolower($column->symbol), mb_strtolower($column->name)], true)) {
                return $found;
            }
        }
        foreach ($table->columns as $found) {
            $unit = Unit::ofHeader($found->unit);
            if ($found->symbol === $column->symbol && ($unit->isOne() || $unit->measuresTheSameAs($column->unit))) {
                return $found;
            }
        }

        return null;
    }

    /**
     * @param  array<string, string>  $texts
     * @return array<string, Measured>
     */
    private static function typed(Notebook $notebook, array $texts): array
    {
        $typed = [];
        foreach ($texts as $symbol => $text) {
            $entry = $notebook->entries[$symbol] ?? throw Failure::input("There is no entry \"{$symbol}\". The entries are: ".implode(', ', array_keys($notebook->entries)).'.');
            $value = ValueText::read($text, $symbol, $entry->unit);
            $typed[$symbol] = Measured::of($value->in($entry->unit)->value, $value->in($entry->unit)->uncertainty, $entry->unit);
        }

        return $typed;
    }

    /** @return array<string, mixed> */
    private static function line(WorkedNotebook $worked, WorkedLine $line): array
    {
        $result = $line->result();

        return [
            'symbol' => $line->symbol,
            'title' => $worked->notebook->worded($worked->notebook->lines[$line->symbol]->title),
            'value' => $result?->value, 'uncertainty' => $result?->uncertainty, 'unit' => $result?->unit->symbol,
            'warnings' => array_map(static fn (Warning $w): array => ['code' => $w->code, 'text' => $w->sentence()], $line->outcome->warnings ?? []),
            'needs' => $line->needs ?? $line->problem,
        ];
    }
}

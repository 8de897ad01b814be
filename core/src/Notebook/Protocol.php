<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Uncertainty\Measured;
use Welkion\Core\Units\Unit;

/** A reusable plan of an experiment: a file of data. It makes notebooks, and knows what does not fit in it. */
final readonly class Protocol
{
    /** @param  Fields  $data  as the file says it */
    private function __construct(public Fields $data)
    {
    }

    /**
     * @param  array<array-key, mixed>  $data  of the shape of resources/protocols/protocol.schema.json
     *
     * @throws InvalidQuantity If it does not fit together; the message says what and where.
     */
    public static function of(array $data): self
    {
        $problems = ProtocolCheck::problems(new Fields($data));
        if ($problems !== []) {
            throw new InvalidQuantity(implode(' ', $problems));
        }

        return new self(new Fields($data));
    }

    /** @throws InvalidQuantity If it is no JSON object, or does not fit together. */
    public static function read(string $json): self
    {
        $data = json_decode($json, true);
        if (! is_array($data) || array_is_list($data)) {
            throw new InvalidQuantity('This is no protocol file: it must hold one JSON object.');
        }

        return self::of($data);
    }

    /** @internal for ProtocolCheck: of data whose parts are known to be right */
    public static function notebookOf(Fields $data): Notebook
    {
        return (new self($data))->notebook();
    }

    /** What its step column can be set to; null without one. */
    public function stepLimits(): ?StepLimits
    {
        return self::limitsIn($this->data);
    }

    /** @internal shared with ProtocolCheck */
    public static function limitsIn(Fields $data): ?StepLimits
    {
        foreach ($data->things('columns') as $column) {
            if ($column->text('kind') === ColumnKind::Step->value) {
                return new StepLimits(
                    Unit::parse($column->text('unit')), $column->number('least') ?? -1e9, $column->number('most') ?? 1e9,
                    $column->number('finest') ?? 1e-9, (int) ($column->number('decimals') ?? 2.0),
                );
            }
        }

        return null;
    }

    /**
     * A notebook as the protocol begins it.
     *
     * @param  array<string, Measured>  $typed  values of entries, by symbol
     * @param  list<Run>  $runs
     */
    public function notebook(array $typed = [], array $runs = []): Notebook
    {
        $spans = [];
        foreach ($this->data->things('spans') as $span) {
            $spans[$span->text('name')] = new Span($span->text('column'), $span->number('from') ?? 0.0, $span->number('to') ?? 0.0, $span->text('name'));
        }

        return Notebook::of(
            array_map(static fn (Fields $e): Entry => self::entry($e, $typed[$e->text('symbol')] ?? null, $runs), $this->data->things('entries')),
            array_map(self::column(...), $this->data->things('columns')),
            array_map(static fn (Fields $l): Line => self::line($l, $spans[$l->text('span')] ?? null), $this->data->things('lines')),
            $runs,
        );
    }

    /** @param  list<Run>  $runs */
    private static function entry(Fields $entry, ?Measured $typed, array $runs): Entry
    {
        $unit = Unit::parse($entry->text('unit'));
        $given = $entry->number('value');
        $value = $typed ?? ($given === null ? null : Measured::of($given, $entry->number('uncertainty') ?? 0.0, $unit));
        $isPerRun = $entry->isTrue('perRun');
        $ofRuns = [];
        if ($isPerRun && $value !== null) {
            foreach ($runs as $run) {
                $ofRuns[$run->id] = $value;
            }
        }

        return new Entry(
            $entry->text('symbol'), $entry->text('name'), $unit, $isPerRun ? null : $value, $isPerRun, $ofRuns,
            array_key_exists('text', $entry->all) ? $entry->text('text') : null,
        );
    }

    private static function column(Fields $column): Column
    {
        $decimals = $column->number('decimals');

        return new Column(
            $column->text('symbol'), $column->text('name'), Unit::parse($column->text('unit')),
            ColumnKind::from($column->text('kind')), $column->text('formula'), $decimals === null ? null : (int) $decimals,
        );
    }

    private static function line(Fields $line, ?Span $span): Line
    {
        $texts = $line->fields('set')->named();
        foreach (['formula', 'unit'] as $name) {
            if ($line->text($name) !== '') {
                $texts[$name] = $line->text($name);
            }
        }

        return new Line(
            $line->text('symbol'), $line->text('title'), $line->text('method'), $line->isTrue('perRun'),
            $line->fields('uses')->named(), $texts, self::numbers($line), $span, onlyRun: $line->integer('onlyRun'), words: $line->text('words'),
        );
    }

    /** @return array<string, Measured> by slot */
    private static function numbers(Fields $line): array
    {
        $numbers = [];
        foreach (array_keys($line->fields('numbers')->all) as $slot) {
            $number = $line->fields('numbers')->fields((string) $slot);
            $numbers[(string) $slot] = Measured::of($number->number('value') ?? NAN, $number->number('uncertainty') ?? 0.0, Unit::parse($number->text('unit')));
        }

        return $numbers;
    }
}

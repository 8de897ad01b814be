<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Series\EventKind;
use Welkion\Core\Series\EventWatch;

/** What a timed run begins or ends by: something that happens to one of its columns. */
final readonly class RunEvent
{
    /** A change that is called quick happens within so many s, unless it says otherwise. */
    private const WITHIN_S = 1.0;

    private const LONGEST_S = 60.0;

    /** @param  float  $level  in the unit of the column; of a change: how much it moves within $within s; 0 where none is needed */
    private function __construct(public EventKind $kind, public string $column, public float $level, public float $within)
    {
    }

    /**
     * @param  Fields  $data  when, column, level, within
     *
     * @throws InvalidQuantity If it says nothing that can happen.
     */
    public static function of(Fields $data): self
    {
        $kind = EventKind::tryFrom($data->text('when'));
        if ($kind === null) {
            throw new InvalidQuantity("A run cannot wait for \"{$data->text('when')}\". Say above, below, change, steady or marker.");
        }
        $hasLevel = $kind !== EventKind::Steady && $kind !== EventKind::Marker;
        $event = new self($kind, $kind === EventKind::Marker ? '' : $data->text('column'), $hasLevel ? $data->number('level') ?? NAN : 0.0, $data->number('within') ?? self::WITHIN_S);
        if ($event->column === '' && $kind !== EventKind::Marker) {
            throw new InvalidQuantity('Say which column the run waits for.');
        }
        if ($kind === EventKind::Change && ($event->within <= 0.0 || $event->within > self::LONGEST_S)) {
            throw InvalidQuantity::outOfRange('time a quick change may take', $event->within, 0.0, self::LONGEST_S, 's');
        }
        $event->watch();

        return $event;
    }

    /**
     * Something that sees it happen, in numbers of the unit of the column.
     *
     * @param  bool  $crosses  whether a signal that is beyond a level already must come back first
     *
     * @throws InvalidQuantity If its numbers are none.
     */
    public function watch(bool $crosses = true): EventWatch
    {
        return new EventWatch($this->kind, $this->level, $this->within, $crosses);
    }

    /** @return array<string, float|string> */
    public function toArray(): array
    {
        return ['when' => $this->kind->value] + match ($this->kind) {
            EventKind::Marker => [],
            EventKind::Steady => ['column' => $this->column],
            EventKind::Change => ['column' => $this->column, 'level' => $this->level, 'within' => $this->within],
            default => ['column' => $this->column, 'level' => $this->level],
        };
    }
}

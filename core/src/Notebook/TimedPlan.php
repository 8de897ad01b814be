<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

use Welkion\Core\Exception\InvalidQuantity;
use Welkion\Core\Series\EventKind;

/** How a timed run is recorded: how often, for how long, what it begins by and what ends it before its time. */
final readonly class TimedPlan
{
    public const SLOWEST_HZ = 0.001;

    public const FASTEST_HZ = 100_000.0;

    /** A week: longer than any lesson, shorter than a run that was forgotten. */
    public const LONGEST_S = 604_800.0;

    /** What a recorder and a device keep of what was before. */
    public const MOST_BEFORE_S = 60.0;

    /**
     * @param  float  $rate  rows a second, Hz
     * @param  float|null  $length  s; null: until it is stopped
     * @param  RunEvent|null  $begin  null: at once
     * @param  float  $before  s kept from before it begins
     * @param  RunEvent|null  $end  ends it, if it comes before the length is over
     */
    private function __construct(public float $rate, public ?float $length, public ?RunEvent $begin, public float $before, public ?RunEvent $end)
    {
    }

    /**
     * @param  array<array-key, mixed>  $data  rate, length, begin {when, column, level, within, before}, end {...}
     *
     * @throws InvalidQuantity If it cannot be; the message says what.
     */
    public static function fromArray(array $data): self
    {
        $fields = new Fields($data);
        $rate = $fields->number('rate') ?? NAN;
        self::requireWithin('rate', $rate, self::SLOWEST_HZ, self::FASTEST_HZ, 'Hz');
        $length = $fields->number('length');
        $length === null || self::requireWithin('length', $length, 1.0 / $rate, self::LONGEST_S, 's');
        $begin = $fields->fields('begin');
        $before = $begin->number('before') ?? 0.0;
        self::requireWithin('time kept from before', $before, 0.0, self::MOST_BEFORE_S, 's');
        $event = $begin->text('when') === '' ? null : RunEvent::of($begin);

        $end = $fields->fields('end')->text('when') === '' ? null : RunEvent::of($fields->fields('end'));
        if ($event?->kind === EventKind::Steady || $end?->kind === EventKind::Marker) {
            throw new InvalidQuantity('A run begins when something happens, and not by rest; it ends by hand, without a marker.');
        }

        return new self($rate, $length, $event, $event === null ? 0.0 : $before, $end);
    }

    /** @return list<string> columns it waits for */
    public function columns(): array
    {
        return array_values(array_filter([$this->begin?->column, $this->end?->column]));
    }

    /**
     * The same going on, from where it has come to.
     *
     * @param  float  $reached  s since it began
     * @param  float|null  $more  s; null: until it is stopped
     *
     * @throws InvalidQuantity If that is longer than a run can be.
     */
    public function goingOn(float $reached, ?float $more): self
    {
        return self::fromArray(['length' => $more === null ? null : $reached + $more, 'end' => null] + $this->toArray());
    }

    /** s between two rows. */
    public function interval(): float
    {
        return 1.0 / $this->rate;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'rate' => $this->rate, 'length' => $this->length,
            'begin' => $this->begin === null ? null : $this->begin->toArray() + ['before' => $this->before], 'end' => $this->end?->toArray(),
        ];
    }

    private static function requireWithin(string $name, float $value, float $low, float $high, string $unit): void
    {
        if (is_nan($value) || $value < $low || $value > $high) {
            throw InvalidQuantity::outOfRange($name, $value, $low, $high, $unit);
        }
    }
}

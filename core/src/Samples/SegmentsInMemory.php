<?php

declare(strict_types=1);

namespace Welkion\Core\Samples;

/** Segments that are all at hand: the newest of a run that is being recorded, or those of a file. */
final readonly class SegmentsInMemory implements SampleStore
{
    /** @param  array<int|string, Segment>  $segments  in order of time */
    public function __construct(private array $segments)
    {
    }

    public function count(): int
    {
        return array_sum(array_map(static fn (Segment $s): int => $s->count(), $this->segments));
    }

    public function extent(): ?array
    {
        return $this->segments === [] ? null : [
            min(array_map(static fn (Segment $s): float => $s->t0, $this->segments)), max(array_map(static fn (Segment $s): float => $s->end(), $this->segments)),
        ];
    }

    public function heads(float $from, float $to): array
    {
        $heads = [];
        foreach ($this->segments as $key => $segment) {
            if ($segment->end() >= $from && $segment->t0 <= $to) {
                $heads[] = $segment->head($key);
            }
        }

        return $heads;
    }

    public function span(float $from, float $to, float $edge): array
    {
        [$whole, $ends] = [[], []];
        foreach ($this->heads($from - $edge, $to + $edge) as $head) {
            if ($head->t0 >= $from && $head->end <= $to) {
                $whole[] = $head->moments->later($head->t0 - $from);
            } else {
                $ends[] = $head;
            }
        }

        return [$whole, $ends];
    }

    public function values(array $parts): array
    {
        return array_map(fn (Part $p): array => array_slice($this->segments[$p->head->key]->values, $p->from, $p->count), $parts);
    }

    public function offsets(array $parts): array
    {
        return array_map(fn (Part $p): array => array_slice($this->segments[$p->head->key]->offsets() ?? [], $p->from, $p->count), $parts);
    }

    public function envelopes(int $level, array $parts): array
    {
        return array_map(fn (Part $p): array => array_slice(
            $this->segments[$p->head->key]->envelope(), 2 * (Levels::offset($p->head->count, $level) + $p->from), 2 * $p->count,
        ), $parts);
    }

    public function moments(int $of, array $parts): array
    {
        return array_map(fn (Part $p): array => array_slice(
            $this->segments[$p->head->key]->moments(), Segment::momentsOffset($p->head->count, $of) + $p->from, $p->count,
        ), $parts);
    }
}

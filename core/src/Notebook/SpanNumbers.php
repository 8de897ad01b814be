<?php

declare(strict_types=1);

namespace Welkion\Core\Notebook;

/** What a stretch of a run comes to before anybody keeps a line of it: shown while a span is dragged. */
final class SpanNumbers
{
    /** Each a line as it would be kept: method, and what else it is given. */
    public const LINES = [
        ['statistics', []], ['ends', []], ['slope', []], ['area', ['baseline' => 'zero']], ['area', ['baseline' => 'first']], ['area', ['baseline' => 'ends']],
    ];

    /**
     * @param  string  $x  symbol of the column the span lies along
     * @param  string  $y  symbol of the column it is asked of
     * @return list<WorkedLine> in the order a person reads them; one that cannot be worked out says why
     */
    public static function of(WorkedNotebook $in, int $run, string $x, string $y, float $from, float $to): array
    {
        $span = new Span($x, min($from, $to), max($from, $to));

        return $in->tried(array_map(static fn (array $of): Line => new Line(
            '', '', $of[0], true, $of[0] === 'statistics' ? ['column' => $y] : ['x' => $x, 'y' => $y], $of[1], span: $span,
        ), self::LINES), $run);
    }
}

<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Models\Column;
use App\Models\Entry;
use App\Models\Line;
use App\Models\LineInput;
use Welkion\Core\Notebook\Symbols;

/** What a line uses, as it is stored: by the things themselves, so that they may be renamed. */
final class LineInputs
{
    /**
     * @param  array<string, string>  $uses  symbol by slot
     * @param  array<string, Column|Entry|Line>  $things  by symbol
     * @return list<array{slot: string, source_type: string, source_id: int, part: string|null}>
     */
    public static function of(array $uses, string $formula, array $things): array
    {
        foreach (Symbols::in($formula) as $symbol) {
            $uses[LineInput::IN_FORMULA.$symbol] = $symbol;
        }
        $inputs = [];
        foreach ($uses as $slot => $symbol) {
            $base = Symbols::base($symbol);
            $thing = $things[$base] ?? null;
            if ($thing !== null) {
                $inputs[] = [
                    'slot' => (string) $slot, 'source_id' => $thing->id, 'part' => $base === $symbol ? null : substr($symbol, strlen($base) + 1),
                    'source_type' => match (true) {
                        $thing instanceof Column => LineInput::COLUMN,
                        $thing instanceof Entry => LineInput::ENTRY,
                        default => LineInput::LINE,
                    },
                ];
            }
        }

        return $inputs;
    }

    /** @return array<string, Column|Entry|Line> all of a notebook by symbol */
    public static function thingsOf(NotebookRows $rows): array
    {
        $things = [];
        foreach ([$rows->entries, $rows->columns, $rows->lines] as $of) {
            foreach ($of as $thing) {
                $things[$thing->symbol] = $thing;
            }
        }

        return $things;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Welkion\Core\Notebook\Methods;
use Welkion\Core\Notebook\WorkedLine;

/** A line that nobody keeps yet, with its numbers, in the shape of the HTTP API. */
final class TriedLineShape
{
    /**
     * @param  array<string, string>  $texts  what else its method is given
     * @return array<string, mixed>
     */
    public static function of(string $method, array $texts, WorkedLine $worked): array
    {
        $words = Methods::find($method)?->declaration()->outcomes ?? [];
        $numbers = [];
        foreach ($worked->outcome->values ?? [] as $name => $measured) {
            $numbers[] = ['name' => $name, 'words' => $words[$name] ?? $name, 'measured' => MeasuredResource::shape($measured)];
        }

        return ['method' => $method, 'texts' => (object) $texts, 'numbers' => $numbers, 'problem' => $worked->problem ?? $worked->needs];
    }
}

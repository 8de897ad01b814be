<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Slot;

/** What methods there are, what each takes and what it gives. */
final class MethodController
{
    public function __invoke(): JsonResponse
    {
        return new JsonResponse(array_map(static function (Method $method): array {
            $told = $method->declaration();

            return [
                'key' => $told->key, 'name' => $told->name, 'sentence' => $told->sentence, 'source' => $told->source,
                'inputs' => array_map(static fn (Slot $s): array => [
                    'name' => $s->name, 'kind' => $s->kind->value, 'words' => $s->words, 'isRequired' => $s->isRequired, 'choices' => $s->choices, 'default' => $s->default,
                    'unitOf' => $s->unitOf, 'unit' => $s->unit,
                ], $told->inputs),
                'outcomes' => array_map(static fn (string $name, string $words): array => ['name' => $name, 'words' => $words], array_map(strval(...), array_keys($told->outcomes)), array_values($told->outcomes)),
                'isForLines' => $told->isForLines,
            ];
        }, Methods::all()));
    }
}

<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Core\Notebook\Methods;
use Welkion\Core\Working\Method;
use Welkion\Core\Working\Slot;

/** What "work" can do. */
final class ListMethods extends Command
{
    public function name(): string
    {
        return 'methods';
    }

    public function purpose(): string
    {
        return 'lists the methods of "work" with inputs, outcomes and sources';
    }

    public function words(): array
    {
        return [];
    }

    public function options(): array
    {
        return [];
    }

    public function run(Options $options, Input $input): string
    {
        return Json::of(array_map(static function (Method $method): array {
            $told = $method->declaration();

            return [
                'method' => $told->key, 'name' => $told->name, 'sentence' => $told->sentence, 'source' => $told->source,
                'inputs' => array_map(static fn (Slot $s): array => [
                    'name' => $s->name, 'kind' => $s->kind->value, 'words' => $s->words, 'isRequired' => $s->isRequired,
                ] + ($s->choices === [] ? [] : ['choices' => $s->choices]), $told->inputs),
                'outcomes' => (object) $told->outcomes, 'lists' => (object) $told->lists,
            ];
        }, Methods::all()));
    }
}

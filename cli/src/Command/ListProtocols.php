<?php

declare(strict_types=1);

namespace Welkion\Cli\Command;

use Welkion\Cli\Input;
use Welkion\Cli\Json;
use Welkion\Cli\Options;
use Welkion\Cli\ProtocolFiles;
use Welkion\Core\Notebook\Fields;
use Welkion\Core\Notebook\Protocol;

/** What each protocol asks for and gives. */
final class ListProtocols extends Command
{
    public function name(): string
    {
        return 'protocols';
    }

    public function purpose(): string
    {
        return 'lists the protocols of "protocol" with columns, entries and lines';
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
        $protocols = ProtocolFiles::all();

        return Json::of(array_map(static fn (string $key, Protocol $p): array => [
            'protocol' => $key, 'title' => $p->data->text('title'), 'sentence' => $p->data->text('sentence'),
            'columns' => self::listed($p, 'columns', ['symbol', 'name', 'unit', 'kind']),
            'entries' => self::listed($p, 'entries', ['symbol', 'name', 'unit']),
            'lines' => self::listed($p, 'lines', ['symbol', 'title', 'method']),
        ], array_keys($protocols), array_values($protocols)));
    }

    /**
     * @param  list<string>  $fields
     * @return list<array<string, string>>
     */
    private static function listed(Protocol $protocol, string $things, array $fields): array
    {
        return array_map(static fn (Fields $t): array => array_combine($fields, array_map($t->text(...), $fields)), $protocol->data->things($things));
    }
}

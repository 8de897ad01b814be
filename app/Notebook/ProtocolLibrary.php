<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\ProtocolFile;
use App\Models\User;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Welkion\Core\Exception\CoreException;
use Welkion\Core\Notebook\Protocol;

/** The protocols that come with Welkion, and a teacher's own. */
final class ProtocolLibrary
{
    public const LARGEST_BYTES = 200_000;

    private const SCHEMA = 'protocol.schema.json';

    /** @return list<LibraryProtocol> ours first, as the files are named, then a teacher's own ones */
    public function all(User $user): array
    {
        $all = [];
        foreach (glob($this->folder().'/*.json') ?: [] as $path) {
            basename($path) === self::SCHEMA || $all[] = $this->ours(basename($path, '.json'));
        }
        foreach ($user->protocols()->get()->sortBy('title') as $own) {
            try {
                $all[] = LibraryProtocol::own($own);
            } catch (CoreException) {
                // Stored under other rules: it cannot be begun, and the others can.
            }
        }

        return array_values(array_filter($all));
    }

    /** @param  string  $key  as gas-in-a-syringe, or own-7 whoever owns it */
    public function find(string $key): ?LibraryProtocol
    {
        if (preg_match('/^own-([1-9][0-9]{0,17})$/', $key, $match) !== 1) {
            return $this->ours($key);
        }
        $own = ProtocolFile::query()->find((int) $match[1]);

        return $own === null ? null : LibraryProtocol::own($own);
    }

    /**
     * A protocol from a file, checked.
     *
     * @throws Refusal If it is none; the sentence says what does not fit.
     */
    public function read(string $json): Protocol
    {
        $data = json_decode($json);
        if (! $data instanceof \stdClass) {
            throw Refusal::noProtocol('It must hold one JSON object.');
        }
        $validator = new Validator;
        $result = $validator->validate($data, (string) file_get_contents($this->folder().'/'.self::SCHEMA));
        if (! $result->isValid()) {
            $errors = $result->error() === null ? [] : (new ErrorFormatter)->format($result->error(), false);
            $where = array_key_first($errors);
            throw Refusal::noProtocol(($where === null || $where === '/' ? '' : "At {$where}: ").(is_string($where) && is_string($errors[$where]) ? $errors[$where] : 'its shape is another').'.');
        }

        return Protocol::read($json);
    }

    private function ours(string $key): ?LibraryProtocol
    {
        $path = $this->folder()."/{$key}.json";

        return preg_match('/^[a-z0-9-]+$/', $key) === 1 && is_file($path) ? new LibraryProtocol($key, Protocol::read((string) file_get_contents($path))) : null;
    }

    private function folder(): string
    {
        return resource_path('protocols');
    }
}

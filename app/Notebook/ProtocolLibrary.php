<?php

declare(strict_types=1);

namespace App\Notebook;

use App\Exceptions\Refusal;
use App\Models\ProtocolFile;
use App\Models\User;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Welkion\Core\Notebook\Protocol;

/** The protocols that come with Welkion, and a teacher's own. */
final class ProtocolLibrary
{
    public const LARGEST_BYTES = 200_000;

    private const SCHEMA = 'protocol.schema.json';

    /** @return array<string, Protocol> by key: ours first, as the files are named, then own ones as own-7 */
    public function all(User $user): array
    {
        $protocols = [];
        foreach (glob($this->folder().'/*.json') ?: [] as $path) {
            if (basename($path) !== self::SCHEMA) {
                $protocols[basename($path, '.json')] = Protocol::read((string) file_get_contents($path));
            }
        }
        foreach ($user->protocols()->orderBy('title')->get() as $own) {
            $protocols["own-{$own->id}"] = Protocol::of($own->content);
        }

        return $protocols;
    }

    public function find(User $user, string $key): ?Protocol
    {
        return $this->all($user)[$key] ?? null;
    }

    public function own(User $user, string $key): ?ProtocolFile
    {
        return preg_match('/^own-([1-9][0-9]{0,17})$/', $key, $match) === 1 ? $user->protocols()->find((int) $match[1]) : null;
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

    private function folder(): string
    {
        return resource_path('protocols');
    }
}

<?php

declare(strict_types=1);

namespace Tests\Support;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Symfony\Component\Yaml\Yaml;

/** Holds answers of the application against docs/openapi.yaml. */
final class OpenApi
{
    private const ID = 'https://welkion.example/openapi.json';

    private static ?self $instance = null;

    private readonly \stdClass $document;

    private readonly Validator $validator;

    private function __construct()
    {
        $this->document = self::parsed(__DIR__.'/../../docs/openapi.yaml');
        $this->validator = new Validator;
        $this->validator->resolver()?->registerRaw($this->document, self::ID);
    }

    /** As JSON it is read in a hundredth of the time; each process of the tests needs it. */
    private static function parsed(string $file): \stdClass
    {
        $known = __DIR__.'/../../var/openapi-'.sha1_file($file).'.json';
        if (! is_file($known)) {
            $mine = "{$known}.".getmypid();
            file_put_contents($mine, json_encode(Yaml::parseFile($file, Yaml::PARSE_OBJECT_FOR_MAP), JSON_THROW_ON_ERROR));
            rename($mine, $known);
        }

        return json_decode((string) file_get_contents($known), flags: JSON_THROW_ON_ERROR);
    }

    public static function document(): self
    {
        return self::$instance ??= new self;
    }

    /** @return list<string> method and path of every operation, as "GET /api/runs/{run}" */
    public function operations(): array
    {
        $operations = [];
        foreach (get_object_vars($this->document->paths) as $path => $item) {
            foreach (array_intersect(array_keys(get_object_vars($item)), ['get', 'post', 'patch', 'put', 'delete']) as $method) {
                $operations[] = strtoupper($method).' '.$path;
            }
        }

        return $operations;
    }

    /**
     * What is wrong with an answer, as a sentence; null when it is as promised.
     *
     * @param  string  $path  with parameters in braces
     */
    public function complaint(string $method, string $path, int $status, string $type, string $body): ?string
    {
        $operation = $this->document->paths->{$path}->{strtolower($method)} ?? null;
        if ($operation === null) {
            return "{$method} {$path} is not in docs/openapi.yaml.";
        }
        $pointer = '/paths/'.self::escaped($path).'/'.strtolower($method).'/responses/'.$status;
        $response = $operation->responses->{$status} ?? null;
        if ($response === null) {
            return "{$method} {$path} answers {$status}, which docs/openapi.yaml does not list.";
        }
        if (isset($response->{'$ref'})) {
            $pointer = substr($response->{'$ref'}, 1);
            $response = $this->document->components->responses->{basename($pointer)};
        }
        if (! isset($response->content)) {
            return $body === '' ? null : "{$method} {$path} answers {$status} with a body, but none is promised.";
        }
        $type = explode(';', $type)[0];
        if (! isset($response->content->{$type})) {
            return "{$method} {$path} answers {$status} as {$type}, which is not promised.";
        }
        if (! str_ends_with($type, 'json')) {
            return null;
        }
        $schema = self::ID.'#'.$pointer.'/content/'.self::escaped($type).'/schema';
        $result = $this->validator->validate(json_decode($body), $schema);
        $error = $result->error();

        return $error === null ? null : "{$method} {$path} {$status}: ".json_encode((new ErrorFormatter)->format($error, false));
    }

    /** What is wrong with a message of a named schema; null when it is as promised. */
    public function complaintAbout(string $schema, string $json): ?string
    {
        $error = $this->validator->validate(json_decode($json), self::ID.'#/components/schemas/'.$schema)->error();

        return $error === null ? null : "{$schema}: ".json_encode((new ErrorFormatter)->format($error, false));
    }

    private static function escaped(string $part): string
    {
        return rawurlencode(str_replace(['~', '/'], ['~0', '~1'], $part));
    }
}

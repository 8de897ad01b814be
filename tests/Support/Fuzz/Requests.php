<?php

declare(strict_types=1);

namespace Tests\Support\Fuzz;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Yaml\Yaml;

/**
 * Requests to every route of docs/openapi.yaml: nearly right ones, with nonsense in some places. The same seed and the same
 * ids give the same requests.
 */
final class Requests
{
    /** Those that would end the session of the one who asks. */
    private const LEFT_OUT = ['DELETE /api/session', 'DELETE /api/sign-ins', 'DELETE /api/sign-ins/{signIn}'];

    private const METHODS = ['get', 'post', 'patch', 'put', 'delete'];

    /** @var array<string, mixed> */
    private readonly array $document;

    private readonly Randomizer $chance;

    private readonly Nonsense $nonsense;

    /** @var list<array{string, string, array<string, mixed>}> method, path and description of each operation */
    private array $operations = [];

    public function __construct(int $seed)
    {
        /** @var array<string, mixed> $document */
        $document = Yaml::parseFile(__DIR__.'/../../../docs/openapi.yaml');
        $this->document = $document;
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->nonsense = new Nonsense($this->chance);
        foreach ($document['paths'] as $path => $item) {
            foreach (array_intersect_key($item, array_flip(self::METHODS)) as $method => $operation) {
                if (! in_array(strtoupper($method).' '.$path, self::LEFT_OUT, true)) {
                    $this->operations[] = [strtoupper($method), $path, $operation];
                }
            }
        }
    }

    /**
     * @param  array<string, list<int|string>>  $ids  what there is, by the name in a path
     * @return array{method: string, uri: string, body: string, type: string}
     */
    public function next(array $ids): array
    {
        [$method, $path, $operation] = $this->operations[$this->chance->getInt(0, count($this->operations) - 1)];
        $uri = preg_replace_callback('/\{(\w+)\}/', function (array $match) use ($ids): string {
            $known = $ids[$match[1]] ?? [];

            return $known === [] || $this->isOneIn(12) ? $this->nonsense->path() : (string) $known[$this->chance->getInt(0, count($known) - 1)];
        }, $path);
        $query = $this->isOneIn($method === 'GET' ? 3 : 15) ? '?'.$this->nonsense->query() : '';
        $schema = $operation['requestBody']['content']['application/json']['schema'] ?? null;
        $body = match (true) {
            $method === 'GET' => '',
            $schema === null, $this->isOneIn(25) => $this->isOneIn(3) ? $this->nonsense->body() : '{}',
            default => $this->json($schema, $ids),
        };

        return ['method' => $method, 'uri' => $uri.$query, 'body' => $body, 'type' => $this->isOneIn(40) ? 'application/x-www-form-urlencoded' : 'application/json'];
    }

    /**
     * @param  array<string, mixed>  $schema
     * @param  array<string, list<int|string>>  $ids
     */
    private function json(array $schema, array $ids, string $field = ''): string
    {
        if (isset($schema['$ref'])) {
            return $this->json($this->document['components']['schemas'][basename($schema['$ref'])], $ids, $field);
        }
        if ($this->isOneIn(7) && $field !== '') {
            return $this->nonsense->json();
        }
        $choices = $schema['oneOf'] ?? $schema['anyOf'] ?? null;
        if (is_array($choices)) {
            return $this->json($choices[$this->chance->getInt(0, count($choices) - 1)], $ids, $field);
        }
        if (isset($schema['enum'])) {
            return json_encode($schema['enum'][$this->chance->getInt(0, count($schema['enum']) - 1)], JSON_THROW_ON_ERROR);
        }
        $types = (array) ($schema['type'] ?? 'string');

        return match ($types[$this->chance->getInt(0, count($types) - 1)]) {
            'object' => $this->object($schema, $ids),
            'array' => '['.implode(',', array_map(
                fn (): string => $this->json($schema['items'] ?? [], $ids, 'item'), range(1, max(1, $this->chance->getInt(0, (int) ($schema['maxItems'] ?? 3)))),
            )).']',
            'integer' => $this->id($field, $ids),
            'number' => (string) json_encode($this->chance->getInt(0, 2000) / 100),
            'boolean' => $this->isOneIn(2) ? 'true' : 'false',
            'null' => 'null',
            default => $this->text($schema, $field),
        };
    }

    /**
     * @param  array<string, mixed>  $schema
     * @param  array<string, list<int|string>>  $ids
     */
    private function object(array $schema, array $ids): string
    {
        $parts = [];
        foreach ($schema['properties'] ?? [] as $name => $property) {
            $isLeftOut = in_array($name, $schema['required'] ?? [], true) ? $this->isOneIn(15) : $this->isOneIn(3);
            if (! $isLeftOut) {
                $parts[] = json_encode((string) $name, JSON_THROW_ON_ERROR).':'.$this->json($property, $ids, (string) $name);
            }
        }
        if ($this->isOneIn(10)) {
            $parts[] = '"something":'.$this->nonsense->json();
        }

        return '{'.implode(',', $parts).'}';
    }

    /** @param  array<string, list<int|string>>  $ids */
    private function id(string $field, array $ids): string
    {
        $known = $ids[preg_replace('/Id$/', '', $field)] ?? [];

        return $known === [] ? (string) $this->chance->getInt(0, 5) : (string) $known[$this->chance->getInt(0, count($known) - 1)];
    }

    /** @param  array<string, mixed>  $schema */
    private function text(array $schema, string $field): string
    {
        $words = match ($field) {
            'email' => ['teacher@larkfield.example', 'nobody@larkfield.example'],
            'act' => ['rinse', 'dip', 'dispense', 'speed', 'plug', 'bump', 'new-sample', 'grip'],
            'key' => [sprintf('%08x-0000-4000-8000-%012x', $this->chance->getInt(0, PHP_INT_MAX >> 32), $this->chance->getInt(0, PHP_INT_MAX >> 16))],
            'unit' => ['mL', 'mol/L', 'g/mol', 'g', '°C'],
            'protocol' => ['titration', 'dilution-line', 'gas-in-a-syringe', 'three-baths', 'blank'],
            'symbol', 'x' => ['V0', 'c', 'r', 'M', 'V', 'pH', 'T', 'Veq', 'q1', 'p'],
            'typed' => ['25.0', '0.1 +- 0.002', '100 g', '3,5', '1e-3 mol/L'],
            'method' => ['formula', 'mean', 'line-fit', 'equivalence', 'half-equivalence', 'read-off', 'grouping', 'derivative'],
            'formula' => ['c * Veq * r', 'V0 / pH', 'mean(pH)', 'derivative(pH, V)', 'Veq.pH + 1', 'q1 + 1', 'ln(', 'V +* 2'],
            'file' => ['{"title":"Mine"}', '{}', '['],
            'recipe' => ['buffers', 'one-solution', 'ice-and-boiling', 'bore', 'hung-weights', 'gauge-pulse', 'room-air'],
            'code' => ['7.00', '4.01', '1413', '2'],
            default => ['whey', 'Salty?', 'a reason'],
        };

        return json_encode($words[$this->chance->getInt(0, count($words) - 1)], JSON_THROW_ON_ERROR);
    }

    private function isOneIn(int $many): bool
    {
        return $this->chance->getInt(1, $many) === 1;
    }
}

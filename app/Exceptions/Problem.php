<?php

declare(strict_types=1);

namespace App\Exceptions;

use App\Storage\Outage;
use App\Storage\StorageAway;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Support\Responsable;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Welkion\Core\Exception\CoreException;

/** Problem details (RFC 9457): an error as a code, a status and a sentence that a teacher understands. */
final readonly class Problem implements Responsable
{
    /** @param  array<string, list<string>>  $errors sentences by field */
    private function __construct(
        public int $status,
        public string $code,
        public string $title,
        public string $detail,
        public array $errors = [],
    ) {
    }

    public static function from(\Throwable $error): self
    {
        return match (true) {
            $error instanceof Refusal => new self($error->status, $error->problem, 'Not done', $error->getMessage()),
            $error instanceof ValidationException => self::ofFields($error),
            $error instanceof CoreException => new self(422, 'not-computable', 'Please check', $error->getMessage()),
            $error instanceof BenchRefused => new self(409, 'bench-refused', 'The bench could not do that', $error->getMessage()),
            $error instanceof RecorderUnavailable => new self(503, 'recorder-away', 'One moment', $error->getMessage()),
            $error instanceof AuthenticationException => new self(401, 'signed-out', 'Signed out', 'Sign in to go on. What is stored stays stored.'),
            $error instanceof AuthorizationException => new self(403, 'not-yours', 'Not allowed', 'This belongs to another teacher.'),
            $error instanceof ModelNotFoundException => self::notFound(),
            $error instanceof TokenMismatchException => self::expired(),
            $error instanceof HttpExceptionInterface => self::ofStatus($error->getStatusCode()),
            $error instanceof StorageAway, Outage::isBehind($error) => new self(503, 'storage-away', 'One moment', 'The database does not answer. Nothing stored is lost. Try again in a moment.'),
            default => new self(500, 'unexpected', 'Something went wrong', 'Welkion made a mistake; what is stored is safe. Try again, or reload the page.'),
        };
    }

    public function toResponse($request): JsonResponse
    {
        $body = [
            'type' => '/problems/'.$this->code,
            'title' => $this->title,
            'status' => $this->status,
            'detail' => $this->detail,
            'code' => $this->code,
        ];
        if ($this->errors !== []) {
            $body['errors'] = $this->errors;
        }

        return new JsonResponse($body, $this->status, ['Content-Type' => 'application/problem+json']);
    }

    private static function ofFields(ValidationException $error): self
    {
        /** @var array<string, list<string>> $errors */
        $errors = $error->errors();
        $first = array_values($errors)[0][0] ?? 'Something typed cannot be used.';

        return new self($error->status, 'not-valid', 'Please check', $first, $errors);
    }

    private static function ofStatus(int $status): self
    {
        return match ($status) {
            403 => new self(403, 'not-yours', 'Not allowed', 'This belongs to another teacher.'),
            404 => self::notFound(),
            405 => new self(405, 'not-possible', 'Not possible', 'This cannot be done with it.'),
            419 => self::expired(),
            429 => new self(429, 'too-many', 'Too many tries', 'That was a lot of requests. Wait a minute and try again.'),
            default => new self($status, 'refused', 'Not done', 'This request cannot be answered.'),
        };
    }

    private static function notFound(): self
    {
        return new self(404, 'not-found', 'Not found', 'There is nothing at this address. It may have been deleted.');
    }

    private static function expired(): self
    {
        return new self(419, 'page-expired', 'Page expired', 'This page was open for long. Reload it; what is stored stays stored.');
    }
}

<?php

declare(strict_types=1);

namespace App\Http;

use ChalkTree\Edit\ChangedSince;
use ChalkTree\Refusal;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Validation\ValidationException;
use PDOException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** Every error of the API as JSON: a stable code, a sentence for the person, and the field it concerns. */
final class ErrorAnswer
{
    private const SENTENCES = [
        403 => ['not_allowed', 'You may not do this.'],
        404 => ['not_found', 'There is nothing here, or it is not yours.'],
        405 => ['wrong_method', 'This address does not take that kind of request.'],
        413 => ['too_large', 'This is larger than can be taken in.'],
        419 => ['stale_session', 'This page has been open for so long that it has to be reloaded. What you changed is kept.'],
        429 => ['too_many', 'That was too often. Wait a minute and try again.'],
        400 => ['unreadable', 'This request cannot be read.'],
        503 => ['busy', 'The server is busy. What you changed is kept and will be sent again.'],
    ];

    public static function to(Throwable $thrown, Request $request): ?JsonResponse
    {
        if (! $request->is('api/*')) {
            return null;
        }

        return match (true) {
            $thrown instanceof Refusal => self::refusal($thrown),
            $thrown instanceof ValidationException => self::validation($thrown),
            $thrown instanceof AuthenticationException => self::answer(401, 'signed_out', 'You are signed out. Sign in to go on; what you changed is kept.'),
            $thrown instanceof TokenMismatchException => self::answer(419, ...self::SENTENCES[419]),
            $thrown instanceof HttpExceptionInterface => self::http($thrown),
            $thrown instanceof PDOException && self::isLocked($thrown) => self::busy(),
            default => config('app.debug') ? null : self::answer(500, 'failed', 'Something went wrong on the server. Nothing was changed; try again.'),
        };
    }

    public static function answer(int $status, string $code, string $message, ?string $field = null): JsonResponse
    {
        return new JsonResponse(['code' => $code, 'message' => $message, 'field' => $field], $status);
    }

    /** Somebody else is writing for longer than one waits; what was asked can be asked again. */
    private static function isLocked(PDOException $thrown): bool
    {
        // SQLite's "busy" and "locked"; PostgreSQL's lock timeout, deadlock and failed serialization.
        return in_array($thrown->errorInfo[1] ?? null, [5, 6], true) || in_array((string) ($thrown->errorInfo[0] ?? ''), ['55P03', '40P01', '40001'], true);
    }

    private static function busy(): JsonResponse
    {
        return self::answer(503, ...self::SENTENCES[503])->withHeaders(['Retry-After' => '1']);
    }

    private static function refusal(Refusal $refusal): JsonResponse
    {
        return self::answer($refusal instanceof ChangedSince ? 409 : 422, $refusal->reason(), $refusal->getMessage(), $refusal->field);
    }

    private static function validation(ValidationException $thrown): JsonResponse
    {
        $errors = $thrown->errors();
        $field = (string) array_key_first($errors);

        return self::answer($thrown->status, $thrown->status === 429 ? 'too_many' : 'invalid', (string) ($errors[$field][0] ?? $thrown->getMessage()), $field);
    }

    private static function http(HttpExceptionInterface $thrown): JsonResponse
    {
        $status = $thrown->getStatusCode();
        if ($status === 410) {
            return self::answer(410, 'in_trash', $thrown->getMessage());
        }
        [$code, $message] = self::SENTENCES[$status] ?? ['refused', 'This request cannot be answered.'];

        return self::answer($status, $code, $message)->withHeaders($thrown->getHeaders());
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\ErrorAnswer;
use App\Http\PlainJson;
use ChalkTree\Exchange\JsonBounds;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Response;

/**
 * Reads the JSON of a request, gzipped or not, within bounds that hang on who may send it: it stands behind whatever
 * asks for rights on a route, and nothing before it looks at a body. "body:small" is for what anyone may send,
 * "body:file" for a file that is read as it is.
 */
final class ReadBody
{
    /** @var array<string, array{int, int, int<1, max>}> bytes as sent, bytes unpacked, levels of nesting */
    private const BOUNDS = [
        'small' => [16 * 1024, 16 * 1024, 8],
        'large' => [20 * 1024 * 1024, 32 * 1024 * 1024, PlainJson::DEEPEST],
    ];

    public function handle(Request $request, Closure $next, string $size = 'large'): Response
    {
        if ($size === 'file' || in_array($request->getMethod(), ['GET', 'HEAD'], true)) {
            $request->setJson(new InputBag);

            return $this->answer($request, $next);
        }
        [$sent, $unpacked, $deepest] = self::BOUNDS[$size] ?? self::BOUNDS['small'];
        if ((int) $request->header('Content-Length') > $sent) {
            return ErrorAnswer::answer(413, 'too_large', 'This is larger than can be taken in.');
        }
        $body = (string) $request->getContent();
        if (strlen($body) > $sent) {
            return ErrorAnswer::answer(413, 'too_large', 'This is larger than can be taken in.');
        }
        if ($request->header('Content-Encoding') === 'gzip') {
            $body = (string) @gzdecode($body, $unpacked);
            $request->headers->remove('Content-Encoding');
            if ($body === '') {
                return ErrorAnswer::answer(400, 'unreadable', 'This request is not gzipped JSON of a reasonable size.');
            }
        }
        $data = $this->decoded($body, $deepest);
        if ($data === null || ($size === 'small' && str_contains($body, '\\u0000'))) {
            return ErrorAnswer::answer(400, 'unreadable', 'This request is not JSON of a reasonable size.');
        }
        $request->headers->set('Content-Type', 'application/json');
        $request->setJson(new InputBag($data));

        return $this->answer($request, $next);
    }

    /**
     * @param  int<1, max>  $deepest
     * @return array<mixed>|null
     */
    private function decoded(string $body, int $deepest): ?array
    {
        if (trim($body) === '') {
            return [];
        }
        if (! JsonBounds::allow($body)) {
            return null;
        }
        $data = json_decode($body, true, $deepest);

        return is_array($data) ? $data : null;
    }

    private function answer(Request $request, Closure $next): Response
    {
        /** @var Response */
        return $next($request);
    }
}

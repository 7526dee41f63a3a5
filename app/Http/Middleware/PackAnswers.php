<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Sends long answers gzipped to whoever takes that; scenes shrink to a tenth. */
final class PackAnswers
{
    private const SHORTEST = 1024;

    /** The fastest level: stronger ones take longer than they save on the way. */
    private const LEVEL = 1;

    private const KINDS = ['application/json', 'image/svg+xml', 'text/'];

    public function handle(Request $request, Closure $next): Response
    {
        /** @var Response $response */
        $response = $next($request);
        $content = $response->getContent();
        $kind = (string) $response->headers->get('Content-Type');
        if (
            is_string($content) && strlen($content) >= self::SHORTEST
            && in_array('gzip', $request->getEncodings(), true)
            && ! $response->headers->has('Content-Encoding')
            && array_filter(self::KINDS, fn (string $start): bool => str_starts_with($kind, $start)) !== []
        ) {
            $response->setContent((string) gzencode($content, self::LEVEL));
            $response->headers->set('Content-Encoding', 'gzip');
            $response->headers->set('Vary', 'Accept-Encoding');
        }

        return $response;
    }
}

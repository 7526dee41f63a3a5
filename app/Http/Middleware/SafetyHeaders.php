<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Tells browsers to load nothing from elsewhere and to let nobody but the application itself, for a second view, put it in a frame. */
final class SafetyHeaders
{
    private const POLICY = "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; media-src 'self' data:; "
        // A page that lets itself be framed opens beside the map, in a frame that may do little.
        ."font-src 'self' data:; frame-src 'self' https:%s; connect-src 'self'; object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'self'";

    public function handle(Request $request, Closure $next): Response
    {
        // No address and no question of ours has such a sign, and databases and file systems stumble over it.
        if (stripos((string) $request->server->getString('REQUEST_URI'), '%00') !== false) {
            $next = fn (): Response => new Response('This address cannot be read.', 400);
        }
        /** @var Response $response */
        $response = $next($request);
        if (! $response->headers->has('Content-Security-Policy')) {
            $site = config('chalk.demo') === true ? (string) config('chalk.stand_in') : '';
            $response->headers->set('Content-Security-Policy', sprintf(self::POLICY, preg_match('~^http://127\.0\.0\.1:\d+$~D', $site) === 1 ? " {$site}" : ''));
        }
        $response->headers->set('X-Content-Type-Options', 'nosniff');
        $response->headers->set('Referrer-Policy', 'same-origin');

        if (config('chalk.measure')) {
            $response->headers->set('X-Peak-Memory', (string) memory_get_peak_usage());
        }

        return $response;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Operate\Counts;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Symfony\Component\HttpFoundation\Response;

/** Counts what was answered and how long it took; where that is wished, notes a line of each. Never an address: those can hold secrets. */
final readonly class CountRequests
{
    public function __construct(private Counts $counts)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $id = (string) $request->server->get('REQUEST_ID');
        if ($id !== '') {
            Log::shareContext(['request' => $id]);
        }
        /** @var Response $response */
        $response = $next($request);
        if ($id !== '') {
            $response->headers->set('X-Request-Id', $id);
        }

        return $response;
    }

    public function terminate(Request $request, Response $response): void
    {
        $begun = $request->server->get('REQUEST_TIME_FLOAT');
        $seconds = microtime(true) - (is_numeric($begun) ? (float) $begun : microtime(true));
        $route = $request->route()?->uri() ?? 'none';
        $this->counts->add($request->method(), $route, $response->getStatusCode(), $seconds);
        if (config('chalk.log_requests') === true) {
            Log::info('answered', ['method' => $request->method(), 'route' => $route, 'status' => $response->getStatusCode(), 'ms' => round($seconds * 1_000, 1), 'person' => $request->hasSession() ? $request->user()?->getAuthIdentifier() : null]);
        }
    }
}

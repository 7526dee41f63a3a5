<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\ErrorAnswer;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Response;

/** Takes gzipped JSON, up to a size after unpacking that cannot hurt. */
final class UnpackRequests
{
    private const LARGEST = 32 * 1024 * 1024;

    public function handle(Request $request, Closure $next): Response
    {
        if ($request->header('Content-Encoding') !== 'gzip') {
            /** @var Response */
            return $next($request);
        }
        $plain = @gzdecode((string) $request->getContent(), self::LARGEST);
        $data = $plain === false ? null : json_decode($plain, true, 512);
        if (! is_array($data)) {
            return ErrorAnswer::answer(400, 'unreadable', 'This request is not gzipped JSON of a reasonable size.');
        }
        $request->setJson(new InputBag($data));
        $request->headers->remove('Content-Encoding');

        /** @var Response */
        return $next($request);
    }
}

<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\IpUtils;

/**
 * Tells whether a request comes from this very machine to a server that listens nowhere else. Only then may letters be
 * shown in the browser: they hold links that open accounts.
 */
final class Loopback
{
    private const ADDRESSES = ['127.0.0.0/8', '::1'];

    /** What a proxy on this machine would add when it passes on a request from elsewhere. */
    private const FORWARDED = ['X-Forwarded-For', 'X-Forwarded-Host', 'Forwarded', 'X-Real-IP', 'Via'];

    public static function holds(Request $request): bool
    {
        return (bool) config('chalk.loopback')
            && IpUtils::checkIp($request->server->getString('REMOTE_ADDR'), self::ADDRESSES)
            && IpUtils::checkIp($request->server->getString('SERVER_ADDR', '127.0.0.1'), self::ADDRESSES)
            && preg_match('/\A(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])(?::\d+)?\z/', (string) $request->headers->get('Host')) === 1
            && array_filter(self::FORWARDED, $request->headers->has(...)) === [];
    }

    /** Whether one button opens the demo library: in a demo that nobody else reaches, or where that was asked for expressly. */
    public static function hasDemo(Request $request): bool
    {
        return (bool) config('chalk.demo') && (self::holds($request) || config('chalk.demo_anywhere'));
    }
}

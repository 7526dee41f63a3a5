<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Cookie\CookieValuePrefix;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** Laravel's check against forged requests, with the token in a header only, so that no body is read for it. */
final class TokenInHeader extends ValidateCsrfToken
{
    protected function getTokenFromRequest($request): string
    {
        try {
            $token = $this->encrypter->decrypt((string) $request->headers->get('X-XSRF-TOKEN'), self::serialized());

            return is_string($token) ? CookieValuePrefix::remove($token) : '';
        } catch (DecryptException) {
            return '';
        }
    }
}

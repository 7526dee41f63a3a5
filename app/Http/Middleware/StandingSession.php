<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Account\SignIns;
use App\Models\Person;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Ends the session of whoever ended it from elsewhere. */
final readonly class StandingSession
{
    public function __construct(private SignIns $signIns)
    {
    }

    /**
     * @param  Closure(Request): Response  $next
     *
     * @throws AuthenticationException
     */
    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->hasSession() ? $request->user() : null;
        if ($person instanceof Person && ! $this->signIns->stands($request, $person)) {
            Auth::logoutCurrentDevice();
            $request->session()->invalidate();
            if ($request->route()?->uri() !== 'api/me') {
                throw new AuthenticationException;
            }
        }

        return $next($request);
    }
}
